import { siliconeBody, type Solid } from '../kinetics/index.ts'
import { conduct, conductionOf, type Conduction } from './conduction.ts'
import { inlaid, type Inlay } from './inlay.ts'
import type { FieldFrame, FieldQuestion, HeatField } from './pouring.ts'
import { cellKind, type HeatGrid } from './heatGrid.ts'
import { layersOf } from './layerStory.ts'
import { react, reactionTable, tabledRate, type ReactionTable } from './reaction.ts'

/**
 * Steps aim at this change, K and degree of cure; over `tooFar` times as much is done again. A
 * runaway of 168 K then peaks 0.7 K lower and 1.5 % later than at a third of it, far within what
 * is known of a resin.
 */
const aim = { temperature: 3, alpha: 0.025 }
const tooFar = 1.8

/** Steps by √2 from a millisecond to a quarter of an hour, so that the same ones come again. */
const ladder = Array.from({ length: 41 }, (_, i) => 1e-3 * 2 ** (i / 2)).filter((s) => s <= 900)

/** After a pour the step begins at this share of the time that its reaction takes. */
const firstShare = 1 / 200

/** The state of a field on its way through time: cells warm, cure, and wake when they are poured. */
export class FieldMarch {
  readonly members: Uint32Array[]
  readonly temperature: Float64Array
  readonly alpha: Float64Array
  readonly awake: number[] = []
  /** When layers are poured, s, in that order. */
  readonly pours: number[]
  time: number
  steps = 0

  readonly #question: Required<Pick<FieldQuestion, 'mould'>> & FieldQuestion
  readonly #tables: ReactionTable[]
  readonly #volumes: Float64Array[]
  readonly #cured: Float64Array[]
  readonly #waiting: { k: number; pourAt: number }[]
  readonly #slope: Float64Array
  readonly #heat: Float64Array
  readonly #change: Float64Array
  readonly #energy = { poured: 0, reacted: 0, lost: 0 }
  #conduction: Conduction
  #rung = 0

  constructor(question: FieldQuestion) {
    const { grid, layers, room, mouldTemperature = room, mould = siliconeBody } = question
    const total = grid.kind.length
    this.#question = { ...question, mould }
    this.members = layersOf(grid, layers.length)
    this.#tables = layers.map(({ law }) => reactionTable(law))
    this.#volumes = this.members.map((cells) => volumesOf(grid, cells, question.inlay))
    this.#cured = this.members.map((cells) => new Float64Array(cells.length))
    this.temperature = Float64Array.from(grid.kind, (kind) =>
      kind === cellKind.mould ? mouldTemperature : room,
    )
    this.alpha = new Float64Array(total)
    this.#slope = new Float64Array(total)
    this.#heat = new Float64Array(total)
    this.#change = new Float64Array(total)
    this.#waiting = layers
      .map(({ pourAt }, k) => ({ k, pourAt }))
      .filter(({ k, pourAt }) => this.members[k].length > 0 && Number.isFinite(pourAt))
      .sort((a, b) => a.pourAt - b.pourAt)
    this.pours = this.#waiting.map(({ pourAt }) => pourAt)
    this.time = this.pours[0] ?? 0
    this.#conduction = this.#conductionNow()
    this.#energy.poured = this.#held((kind) => kind === cellKind.mould)
  }

  /** Something is still to be poured, or is curing. */
  get going(): boolean {
    return this.#waiting.length > 0 || this.awake.length > 0
  }

  /** Pours the layers whose time has come. */
  wake(): void {
    while (this.#waiting.length > 0 && this.#waiting[0].pourAt <= this.time + 1e-9) {
      const { k } = this.#waiting.shift()!
      const { start } = this.#question.layers[k]
      this.awake.push(k)
      for (const i of this.members[k]) {
        this.temperature[i] = start.temperature
        this.alpha[i] = start.alpha
      }
      this.#slope.fill(0)
      this.#conduction = this.#conductionNow()
      this.#energy.poured += this.#held((kind) => kind === cellKind.layer0 + k)
      const quick = tabledRate(this.#tables[k], Math.max(0.1, start.alpha), start.temperature)
      const first = Math.max(
        0,
        ladder.findLastIndex((step) => step * quick <= firstShare),
      )
      this.#rung = this.awake.length > 1 ? Math.min(this.#rung, first) : first
    }
  }

  /** One step that changes no cell too much, and lands on the next pour and on `until`. */
  advance(until: number): void {
    const event = Math.min(this.#waiting[0]?.pourAt ?? Infinity, until)
    for (;;) {
      const step = Math.min(ladder[this.#rung], event - this.time)
      const largest = this.#try(step)
      if (largest > tooFar && this.#rung > 0) {
        this.#rung = Math.max(
          0,
          ladder.findLastIndex((shorter) => shorter < step * 0.99),
        )
        continue
      }
      this.#keep(step)
      if (largest > 1) this.#rung = Math.max(0, this.#rung - 1)
      else if (step === ladder[this.#rung] && largest < 1 / Math.SQRT2) {
        this.#rung = Math.min(this.#rung + 1, ladder.length - 1)
      }
      return
    }
  }

  picture(): FieldFrame {
    return {
      at: this.time,
      temperature: Float32Array.from(this.temperature),
      alpha: Float32Array.from(this.alpha),
    }
  }

  balance(): HeatField['energy'] {
    return { ...this.#energy, held: this.#held((kind) => kind !== cellKind.air) }
  }

  #brought = 0
  #lost = 0

  /** Reckons a step without taking it; the largest change, in units of what steps aim at. */
  #try(step: number): number {
    const { room } = this.#question
    const state = { alpha: this.alpha, temperature: this.temperature, slope: this.#slope }
    let largest = 0
    this.#brought = 0
    this.#heat.fill(0)
    for (const k of this.awake) {
      const layer = { cells: this.members[k], volumes: this.#volumes[k] }
      const done = react(this.#tables[k], layer, state, step, this.#cured[k], this.#heat)
      this.#brought += done.heat
      largest = Math.max(largest, done.alpha / aim.alpha)
    }
    const change = this.#change
    // It goes on as it went, to begin with.
    for (let i = 0; i < change.length; i++) change[i] = step * this.#slope[i]
    this.#lost = conduct(this.#conduction, this.temperature, this.#heat, room, step, change)
    let warmest = 0
    for (let i = 0; i < change.length; i++) {
      const moved = change[i] < 0 ? -change[i] : change[i]
      if (moved > warmest) warmest = moved
    }
    return Math.max(largest, warmest / aim.temperature)
  }

  #keep(step: number): void {
    const { temperature, alpha } = this
    const change = this.#change
    const slope = this.#slope
    for (let i = 0; i < change.length; i++) {
      temperature[i] += change[i]
      slope[i] = change[i] / step
    }
    for (const k of this.awake) {
      const cells = this.members[k]
      const cured = this.#cured[k]
      for (let j = 0; j < cells.length; j++) alpha[cells[j]] += cured[j]
    }
    this.#energy.reacted += this.#brought
    this.#energy.lost += this.#lost
    this.time += step
    this.steps++
  }

  #conductionNow(): Conduction {
    return conductionOf(
      this.#question.grid,
      bodies(this.#question, this.awake),
      this.#question.faces,
    )
  }

  /** J over the room that cells of a kind hold. */
  #held(of: (kind: number) => boolean): number {
    const { grid, room } = this.#question
    let held = 0
    for (let i = 0; i < this.temperature.length; i++) {
      if (of(grid.kind[i])) held += this.#conduction.capacity[i] * (this.temperature[i] - room)
    }
    return held
  }
}

function bodies(
  { grid, layers, mould, inlay }: FieldQuestion,
  awake: readonly number[],
): (cell: number) => Solid | undefined {
  const there = new Set(awake)
  return (cell) => {
    const kind = grid.kind[cell]
    if (kind === cellKind.mould) return mould
    const layer = kind - cellKind.layer0
    if (!there.has(layer)) return undefined
    const { thermal } = layers[layer].law
    const share = inlay?.share[cell] ?? 0
    if (share === 0) return thermal
    return inlaid(thermal, share, inlay!.heldHeat[cell], inlay!.conductivity[cell])
  }
}

/** Of the resin in each cell, m³. */
function volumesOf(
  { counts: [nx, ny], edges }: HeatGrid,
  cells: Uint32Array,
  inlay?: Inlay,
): Float64Array {
  return Float64Array.from(cells, (i) => {
    const x = i % nx
    const y = Math.floor(i / nx) % ny
    const z = Math.floor(i / (nx * ny))
    const side = (axis: number, n: number) => edges[axis][n + 1] - edges[axis][n]
    return side(0, x) * side(1, y) * side(2, z) * (1 - (inlay?.share[i] ?? 0))
  })
}

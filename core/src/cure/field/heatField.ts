import { siliconeBody, type CureLaw, type Solid } from '../kinetics/index.ts'
import { conduct, conductionOf, type Conduction } from './conduction.ts'
import { cellKind, type HeatGrid } from './heatGrid.ts'
import { layersOf, LayerStory, type LayerHeat } from './layerStory.ts'
import { reactionTable, tabledRate } from './reaction.ts'

/** One layer as it is poured: when, s, and how it comes out of its cup. */
export interface PouredLayer {
  law: CureLaw
  pourAt: number
  start: { alpha: number; temperature: number }
}

export interface FieldQuestion {
  grid: HeatGrid
  /** By their number in the grid. */
  layers: readonly PouredLayer[]
  room: number
  /** Of the mould when the first is poured; the room's unless said. */
  mouldTemperature?: number
  mould?: Solid
  /** Heat that free faces and the one on the bench lose, W/(m²·K). */
  faces?: { air: number; bench: number }
  /** Seconds to follow it. */
  until: number
}

export interface FieldOptions {
  /** Pictures of the whole field to keep. */
  frames?: number
  onProgress?: (share: number) => void
}

/** The whole field at one moment: K and degree of cure of every cell. */
export interface FieldFrame {
  at: number
  temperature: Float32Array
  alpha: Float32Array
}

export interface HeatField {
  grid: HeatGrid
  frames: FieldFrame[]
  layers: LayerHeat[]
  /** J since the first pour: brought in by pouring and by reaction, lost by faces, still held. */
  energy: { poured: number; reacted: number; lost: number; held: number }
  steps: number
}

/** Steps aim at this change, K and degree of cure; over `tooFar` times as much is done again. */
const aim = { temperature: 2, alpha: 0.02 }
const tooFar = 1.8

/** Steps by √2 from a millisecond to a quarter of an hour, so that the same ones come again. */
const ladder = Array.from({ length: 41 }, (_, i) => 1e-3 * 2 ** (i / 2)).filter((s) => s <= 900)

/** After a pour the step begins at this share of the time that its reaction takes. */
const firstShare = 1 / 200

/** The pictures of one stretch between pours crowd at its beginning: share^2. */
const crowding = 2

/**
 * Heat and cure of a pour in its mould, cell by cell: layers wake when they are poured; conduction
 * implicit axis by axis in delta form (Douglas 1962, from memory), reaction by Heun's rule on
 * tables. Report the centre and the 95th percentile of a layer: thin fronts of a runaway overshoot.
 *
 * @example heatField({ grid, layers: [deepEpoxyAtOnce], room: 296.15, until: 86400 }).layers[0].hot.temperature
 */
export function heatField(
  {
    grid,
    layers,
    room,
    mouldTemperature = room,
    mould = siliconeBody,
    faces,
    until,
  }: FieldQuestion,
  { frames: wanted = 48, onProgress = () => {} }: FieldOptions = {},
): HeatField {
  const total = grid.kind.length
  const tables = layers.map(({ law }) => reactionTable(law))
  const members = layersOf(grid, layers.length)
  const volumes = members.map((cells) => volumesOf(grid, cells))
  const stories = layers.map((layer, k) => new LayerStory(grid, members[k], layer))
  const temperature = new Float64Array(total).fill(room)
  const alpha = new Float64Array(total)
  for (let i = 0; i < total; i++) {
    if (grid.kind[i] === cellKind.mould) temperature[i] = mouldTemperature
  }
  const slope = new Float64Array(total)
  const heat = new Float64Array(total)
  const change = new Float64Array(total)
  const reacted = members.map((cells) => new Float64Array(cells.length))

  const order = layers
    .map(({ pourAt }, k) => ({ k, pourAt }))
    .filter(({ k }) => members[k].length > 0)
    .sort((a, b) => a.pourAt - b.pourAt)
  const awake: number[] = []
  const energy = { poured: 0, reacted: 0, lost: 0, held: 0 }
  const moments = pictureTimes(
    order.map(({ pourAt }) => pourAt),
    until,
    wanted,
  )
  const frames: FieldFrame[] = []
  let conduction: Conduction | undefined
  let time = order[0]?.pourAt ?? 0
  let rung = 0
  let steps = 0
  let told = 0

  const wake = () => {
    while (order.length > 0 && order[0].pourAt <= time + 1e-9) {
      const { k } = order.shift()!
      awake.push(k)
      for (const i of members[k]) {
        temperature[i] = layers[k].start.temperature
        alpha[i] = layers[k].start.alpha
      }
      slope.fill(0)
      conduction = conductionOf(grid, bodies(grid, layers, awake, mould), faces)
      for (const i of members[k]) {
        energy.poured += conduction.capacity[i] * (temperature[i] - room)
      }
      const { start } = layers[k]
      const quick = tabledRate(tables[k], Math.max(0.1, start.alpha), start.temperature)
      const first = ladder.findLastIndex((step) => step * quick <= firstShare)
      rung = Math.max(0, awake.length > 1 ? Math.min(rung, first) : first)
    }
  }
  if (order.length > 0) {
    const first = conductionOf(grid, bodies(grid, layers, [], mould), faces)
    for (let i = 0; i < total; i++) {
      if (grid.kind[i] === cellKind.mould)
        energy.poured += first.capacity[i] * (temperature[i] - room)
    }
  }

  while (time < until && (order.length > 0 || awake.length > 0)) {
    wake()
    while (moments.length > 0 && time >= moments[0] - 1e-9) {
      frames.push({
        at: time,
        temperature: Float32Array.from(temperature),
        alpha: Float32Array.from(alpha),
      })
      while (moments.length > 0 && time >= moments[0] - 1e-9) moments.shift()
    }
    for (const k of awake) stories[k].see(time, temperature, alpha)
    const event = Math.min(order[0]?.pourAt ?? Infinity, until)
    const now = Math.min(ladder[rung], event - time)

    let largest = 0
    let brought = 0
    heat.fill(0)
    for (const k of awake) {
      const cells = members[k]
      const done = reacted[k]
      const table = tables[k]
      const perAlpha = layers[k].law.thermal.heat * layers[k].law.thermal.density
      for (let j = 0; j < cells.length; j++) {
        const i = cells[j]
        const before = alpha[i]
        const rate = tabledRate(table, before, temperature[i])
        const ahead = before + now * rate
        const next = tabledRate(table, ahead < 1 ? ahead : 1, temperature[i] + now * slope[i])
        let more = (now * (rate + next)) / 2
        if (more > 1 - before) more = 1 - before
        done[j] = more
        const joules = volumes[k][j] * perAlpha * more
        heat[i] = joules
        brought += joules
        if (more > largest * aim.alpha) largest = more / aim.alpha
      }
    }
    const lost = conduct(conduction!, temperature, heat, room, now, change)
    for (let i = 0; i < total; i++) {
      const moved = change[i] < 0 ? -change[i] : change[i]
      if (moved > largest * aim.temperature) largest = moved / aim.temperature
    }
    if (largest > tooFar && rung > 0) {
      rung = Math.max(
        0,
        ladder.findLastIndex((step) => step < now * 0.99),
      )
      continue
    }
    for (let i = 0; i < total; i++) {
      temperature[i] += change[i]
      slope[i] = change[i] / now
    }
    for (const k of awake) {
      const cells = members[k]
      for (let j = 0; j < cells.length; j++) alpha[cells[j]] += reacted[k][j]
    }
    energy.reacted += brought
    energy.lost += lost
    time += now
    steps++
    if (largest > 1) rung = Math.max(0, rung - 1)
    else if (now === ladder[rung] && largest < 1 / Math.SQRT2) {
      rung = Math.min(rung + 1, ladder.length - 1)
    }
    if (time / until - told > 0.01) {
      told = time / until
      onProgress(told)
    }
  }
  for (const k of awake) stories[k].see(time, temperature, alpha)
  frames.push({
    at: time,
    temperature: Float32Array.from(temperature),
    alpha: Float32Array.from(alpha),
  })
  if (conduction) {
    for (let i = 0; i < total; i++) {
      if (grid.kind[i] !== cellKind.air) {
        energy.held += conduction.capacity[i] * (temperature[i] - room)
      }
    }
  }
  return { grid, frames, layers: stories.map((story) => story.told()), energy, steps }
}

function bodies(
  grid: HeatGrid,
  layers: readonly PouredLayer[],
  awake: readonly number[],
  mould: Solid,
): (cell: number) => Solid | undefined {
  const there = new Set(awake)
  return (cell) => {
    const kind = grid.kind[cell]
    if (kind === cellKind.mould) return mould
    const layer = kind - cellKind.layer0
    return there.has(layer) ? layers[layer].law.thermal : undefined
  }
}

function volumesOf({ counts: [nx, ny], edges }: HeatGrid, cells: Uint32Array): Float64Array {
  return Float64Array.from(cells, (i) => {
    const x = i % nx
    const y = Math.floor(i / nx) % ny
    const z = Math.floor(i / (nx * ny))
    const side = (axis: number, n: number) => edges[axis][n + 1] - edges[axis][n]
    return side(0, x) * side(1, y) * side(2, z)
  })
}

/** When to keep a picture: after every pour often, then ever more rarely. */
function pictureTimes(pours: readonly number[], until: number, wanted: number): number[] {
  const starts = [...new Set(pours)].filter((at) => at < until).sort((a, b) => a - b)
  const each = Math.max(6, Math.ceil(wanted / Math.max(1, starts.length)))
  return starts.flatMap((from, i) => {
    const to = starts[i + 1] ?? until
    return Array.from({ length: each }, (_, j) => from + (to - from) * (j / each) ** crowding)
  })
}

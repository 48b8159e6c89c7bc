import {
  afterCup,
  heatField,
  heatGrid,
  type Batch,
  type HeatField,
  type Learned,
  type MouldWalls,
} from '../../../matter/cure/index.ts'
import type { Resin } from '../../../matter/material/index.ts'
import type { SetLayer } from '../../../matter/inclusion/index.ts'
import type { Mesh, Vec3 } from '../../../form/mesh/index.ts'
import type { CompiledPlan } from '../compile/compiled.ts'
import { layersToSet } from '../look.ts'
import type { Plan } from '../plan.ts'
import { inlayOf } from './inlay.ts'

/** What the heat of a pour depends on, as plain data. */
export interface PourHeatQuestion {
  up: Vec3
  /** From the bottom up; without a batch it is never poured. */
  layers: { top: number; batch?: Batch; pourAt?: number }[]
  room: number
  mouldTemperature?: number
  walls: MouldWalls
  until: number
  cells: number
  /** What is set in, as far as heat asks; left out: nothing. */
  set?: SetLayer[]
}

/** Cells of a first look, of the shown field, and of one to be sure by. */
export const fieldCells = { quick: 5000, usual: 20_000, fine: 60_000 } as const

/**
 * The field is followed this much past the demould time, s: at least an hour after the last pour,
 * and no longer than five days, when nothing warms any more.
 */
const past = { share: 1.05, least: 3600, most: 5 * 24 * 3600 } as const

/** The question that a compiled plan asks of the field. */
export function pourHeatQuestion(
  plan: Plan,
  compiled: CompiledPlan,
  cells: number = fieldCells.usual,
): PourHeatQuestion {
  const clocks = compiled.layers.flatMap(({ clock }) => clock ?? [])
  const last = Math.max(0, ...clocks.map(({ pourAt }) => pourAt))
  return {
    up: plan.up,
    layers: compiled.layers.map(({ top, batch, clock }) => ({
      top,
      batch: batch && { ...batch, of: undefined },
      pourAt: clock?.pourAt,
    })),
    room: plan.room,
    mouldTemperature: compiled.into.warmth,
    walls: compiled.into.walls,
    set: warmed(layersToSet(plan, compiled)),
    until: Math.min(
      Math.max((compiled.demouldAt ?? 0) * past.share, last + past.least),
      last + past.most,
    ),
    cells,
  }
}

/** What is set in without what heat does not ask: its name, its colour, its traits. */
function warmed(layers: SetLayer[]): SetLayer[] | undefined {
  if (layers.every(({ things }) => things.length === 0)) return undefined
  return layers.map((layer) => ({
    ...layer,
    things: layer.things.map((thing) => ({
      ...thing,
      name: '',
      colour: undefined,
      traits: undefined,
      index: undefined,
      heatLimit: undefined,
    })),
  }))
}

/**
 * Heat and cure of a whole pour in its mould, layers poured at their times; what is set in takes
 * the place of resin in its cells. Throws `Problem` as `heatGrid` does.
 */
export function pourHeat(
  mesh: Mesh,
  question: PourHeatQuestion,
  lawOf: (resin: Resin) => Learned,
  options?: { frames?: number; onProgress?: (share: number) => void },
): HeatField {
  const { up, layers, room, mouldTemperature, walls, until, cells, set } = question
  const grid = heatGrid({ mesh, up, tops: layers.map(({ top }) => top), walls, cells })
  const poured = layers.map(({ batch, pourAt = Infinity }) => {
    if (!batch) return { law: unpoured, pourAt: Infinity, start: { alpha: 0, temperature: room } }
    const { law } = lawOf(batch.resin)
    const cup = { mass: batch.mass, room: batch.room, start: batch.materialTemperature }
    return { law, pourAt, start: afterCup(law, cup, batch.inCup ?? batch.resin.mixTime) }
  })
  const inlay = set && inlayOf(mesh, up, grid, set)
  return heatField({ grid, layers: poured, room, mouldTemperature, until, inlay }, options)
}

/** Stands in for a layer that is never poured: its cells stay air. */
const unpoured = {
  kinetics: { k1: 0, k2: 0, energy: 0, m: 0, n: 1 },
  thermal: { heat: 0, heatCapacity: 1, conductivity: 1, density: 1 },
  rheology: { viscosity: 1, energy: 0, gel: 0.5, a: 1, b: 0 },
  demould: 1,
}

/**
 * What the field found of each layer, for `compile` to overrule its estimates with: the 95th
 * percentile, since thin fronts overshoot.
 *
 * @example hottestOf(compiled, { layers: [{ hot: { temperature: 310, at: 60 }, series: { at: [0] } }] }).get('a')!.temperature // 310
 */
export function hottestOf(
  compiled: CompiledPlan,
  { layers }: HeatField,
): Map<string, { temperature: number; at: number }> {
  return new Map(
    layers.flatMap(({ hot, series }, i) =>
      series.at.length > 0
        ? [[compiled.layers[i].id, { temperature: hot.temperature, at: hot.at }] as const]
        : [],
    ),
  )
}

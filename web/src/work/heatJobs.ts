import {
  calibrate,
  deepestPour,
  learn,
  modelCure,
  type Batch,
  type CureTimes,
  type DeepestPour,
  type HeatField,
  type Learned,
  type MouldWalls,
} from '@mivro/core/cure'
import type { Material, Resin } from '@mivro/core/material'
import type { Form } from '@mivro/core/piece'
import {
  checkWay,
  pourHeat,
  waysOut,
  type CheckedWay,
  type Plan,
  type PourHeatQuestion,
} from '@mivro/core/plan'
import { fillCurve, type Cavity } from '@mivro/core/shape'

/** Laws of cure by the sheet they come from: a sheet is calibrated once. */
const laws = new Map<string, Learned>()
const kept = 60

export function lawOf(resin: Resin): Learned {
  const key = JSON.stringify(resin)
  let found = laws.get(key)
  if (!found) {
    found = learn(calibrate(resin), resin)
    laws.set(key, found)
    if (laws.size > kept) laws.delete(laws.keys().next().value!)
  }
  return found
}

/** How each batch ripens. */
export const cureTimes = (batches: readonly Batch[]): CureTimes[] =>
  batches.map((batch) => modelCure(lawOf(batch.resin), batch))

export interface DeepestQuestion {
  batch: Batch
  limit: number
}
export const findDeepest = ({ batch, limit }: DeepestQuestion): DeepestPour =>
  deepestPour(lawOf(batch.resin), batch, limit)

export interface HeatQuestion {
  form: Form
  pour: PourHeatQuestion
}

type Cavities = (form: Form) => Promise<Cavity>

/** Heat and cure of a pour. Throws `Problem` as `pourHeat` does. */
export async function followHeat(
  { form, pour }: HeatQuestion,
  cavities: Cavities,
  onProgress: (share: number) => void,
): Promise<HeatField> {
  const { mesh } = await cavities(form)
  return pourHeat(mesh, pour, lawOf, { onProgress })
}

export interface WaysQuestion {
  form: Form
  plan: Plan
  shelf: [string, Material][]
  walls: MouldWalls
  layer: string
}

/** Ways that are checked at most; each takes a second or so. */
const mostChecked = 8

/**
 * Ways out for a layer, each confirmed by the field: the first split without scuffing that
 * holds, the first with, other resins and a cooler room.
 */
export async function findWays(
  { form, plan, shelf, walls, layer }: WaysQuestion,
  cavities: Cavities,
  onProgress: (share: number) => void,
): Promise<CheckedWay[]> {
  const { mesh } = await cavities(form)
  const context = { plan, curve: fillCurve(mesh, plan.up), shelf: new Map(shelf), walls, lawOf }
  const ways = waysOut(context, layer)
  const found: CheckedWay[] = []
  let checked = 0
  for (const way of ways) {
    onProgress(checked / Math.min(ways.length, mostChecked))
    const alike = (other: CheckedWay) =>
      other.way.way === 'split' && way.way === 'split' && other.way.scuff === way.scuff
    if (found.some(alike)) continue
    if (checked++ >= mostChecked) break
    const result = checkWay(context, way, mesh)
    if (result.holds) found.push(result)
  }
  onProgress(1)
  return found
}

import { caution, type Caution, type Hazard, type Place } from '../../../base/caution/index.ts'
import { bandOf, patience, type Batch } from '../../../matter/cure/index.ts'
import { resinClasses } from '../../../matter/material/index.ts'
import type { Plan } from '../plan.ts'
import type { LayerClock } from './compiled.ts'
import type { HeatLimit } from './heatLimit.ts'
import type { StackedLayer } from './stack.ts'

/** From here on warmth is a hazard of its own, K: skin burns on touch (ISO 13732-1, from memory). */
const hot = { exotherm: 333.15, mould: 318.15 } as const

/** An epoxy that gets this hot has run away: it smokes and cracks, K (common practice, no source). */
export const runaway = 393.15

/** A cup this hot is called dangerous, K (common practice, no source). */
const hotCup = 373.15

const day = 24 * 3600

/** What is to be said about how hot a layer and its cup get. */
export function judgeHeat(
  { layer, top, bottom }: StackedLayer,
  clock: LayerClock,
  batch: Batch,
  limit: HeatLimit | undefined,
): Caution[] {
  const at = (field: string) => ({ layer: layer.id, field })
  const found = clock.peak
    ? judgePeak({ layer, depth: top - bottom }, clock.peak, batch, limit)
    : []
  const inCup = batch.inCup ?? 0
  if (clock.cupPeak) found.push(...judgeCup(batch, clock.cupPeak, at('clock')))
  if (clock.cupUntil < clock.pourAt) {
    const amounts = { layer: layer.name, standing: inCup, gel: clock.cupUntil - clock.mixAt }
    found.push(caution('gels-in-cup', 'stop', at('clock'), amounts))
  }
  if (clock.demouldAt - clock.mixAt >= patience) {
    const amounts = { layer: layer.name, room: batch.room, days: Math.round(patience / day) }
    found.push(caution('cure-stalls', 'warn', at('clock'), amounts))
  }
  return found
}

/**
 * What is said of what is left in a cup: its weight, and the hottest it gets and when.
 *
 * @example judgeCup({ resin: slowEpoxy, mass: 0.1 }, { temperature: 420, at: 3600 }, {})[0].code // 'cup-runs-hot'
 */
export function judgeCup(
  { resin, mass }: Pick<Batch, 'resin' | 'mass'>,
  { temperature: peak, at: after }: { temperature: number; at: number },
  place: Place,
): Caution[] {
  if (peak <= hotCup) return []
  // A fast resin warms its cup every day; an epoxy does not.
  const severity = resinClasses[resin.class].heatLimit === undefined ? 'note' : 'warn'
  return [caution('cup-runs-hot', severity, place, { mass, peak, after })]
}

function judgePeak(
  { layer, depth }: Pick<StackedLayer, 'layer'> & { depth: number },
  { temperature: peak }: { temperature: number },
  { resin, room, materialTemperature = room }: Batch,
  limit: HeatLimit | undefined,
): Caution[] {
  const at = { layer: layer.id, field: 'heat' }
  const { high } = bandOf(peak, materialTemperature)
  if (resin.class.includes('epoxy') && peak > runaway) {
    const amounts = { layer: layer.name, peak, high, depth }
    return [caution('layer-runs-away', 'stop', at, amounts)]
  }
  if (!limit) {
    const amounts = { layer: layer.name, peak, resin: resin.name }
    return peak > hot.exotherm ? [caution('fast-resin-warm', 'note', at, amounts)] : []
  }
  const amounts = {
    layer: layer.name,
    peak,
    high,
    limit: limit.at,
    by: limit.by,
    inside: limit.name ?? '',
  }
  if (peak > limit.at) {
    // Nobody's piece is lost to a little yellowing; a petal is, and a limit of one's own is meant.
    const severity = limit.by === 'inside' || limit.by === 'plan' ? 'stop' : 'warn'
    return [caution('layer-runs-hot', severity, at, amounts)]
  }
  return high > limit.at ? [caution('layer-may-run-hot', 'warn', at, amounts)] : []
}

/**
 * A post-cure that is hotter than what is in it bears.
 *
 * @example judgePostCure({ temperature: 333.15, hold: 3600 }, undefined) // []
 */
export const judgePostCure = (cure: Plan['postCure'], limit: HeatLimit | undefined): Caution[] => {
  if (!cure || !limit || cure.temperature <= limit.at) return []
  const amounts = { temperature: cure.temperature, limit: limit.at, inside: limit.name ?? '' }
  return [caution('post-cure-hot', 'warn', { field: 'postCure' }, amounts)]
}

/** Which heat there is to be careful of. */
export function heatHazards(clock: LayerClock | undefined, mould: number | undefined): Hazard[] {
  const hazards: Hazard[] = []
  const hottest = Math.max(clock?.peak?.temperature ?? 0, clock?.cupPeak?.temperature ?? 0)
  if (hottest > hot.exotherm) hazards.push('exotherm')
  if ((mould ?? 0) > hot.mould) hazards.push('hot mould')
  return hazards
}

/** Whether a mould is warm enough that time runs short in it. */
export const isHotMould = (warmth: number | undefined): warmth is number =>
  warmth !== undefined && warmth > hot.mould

import { caution, type Caution, type Hazard } from '../../caution/index.ts'
import {
  bandOf,
  dampLimits,
  dewMargin,
  dewPoint,
  patience,
  ruleRange,
  type Batch,
} from '../../cure/index.ts'
import type { Resin } from '../../material/index.ts'
import { usualDay, type Plan } from '../plan.ts'
import type { LayerClock } from './compiled.ts'
import type { Ripening } from './schedule.ts'
import type { StackedLayer } from './stack.ts'

/** What a silicone mould likes and resin bears without yellowing, K (common practice, no source). */
export const usualHeatLimit = 353.15

/** With petals, wood, wax or other organic things set in, K (common practice, no source). */
export const organicHeatLimit = 333.15

/** Lighter than this, what is set in is taken to be organic, kg/m³ (common practice, no source). */
const organicBelow = 1050

/** From here on warmth is a hazard of its own, K: skin burns on touch (ISO 13732-1, from memory). */
const hot = { exotherm: 333.15, mould: 318.15 } as const

/** A cup this hot is called dangerous, K (common practice, no source). */
const hotCup = 373.15

/** Hours to begin are tried this far apart, s. */
const quarter = 900

const day = 24 * 3600

/** The limit that a plan sets, or what its inclusions bear. */
export function heatLimitOf(plan: Plan): number {
  if (plan.heatLimit !== undefined) return plan.heatLimit
  const organic = plan.layers.some(({ inclusions }) =>
    inclusions.some(({ density }) => density < organicBelow),
  )
  return organic ? organicHeatLimit : usualHeatLimit
}

/** What is to be said about how hot a layer and its cup get. */
export function judgeHeat(
  { layer, top, bottom }: StackedLayer,
  clock: LayerClock,
  { batch }: { batch: Batch },
  limit: number,
): Caution[] {
  const found: Caution[] = []
  const at = (field: string) => ({ layer: layer.id, field })
  const inCup = batch.inCup ?? 0
  const { peak, cupPeak } = clock
  if (peak) {
    const { high } = bandOf(peak.temperature, batch.materialTemperature ?? batch.room)
    const amounts = { layer: layer.name, peak: peak.temperature, high, limit }
    if (peak.temperature > limit) {
      const depth = top - bottom
      found.push(caution('layer-runs-hot', 'stop', at('heat'), { ...amounts, depth }))
    } else if (high > limit) {
      found.push(caution('layer-may-run-hot', 'warn', at('heat'), amounts))
    }
  }
  if (cupPeak && cupPeak.temperature > hotCup) {
    const amounts = { mass: batch.mass, peak: cupPeak.temperature, after: cupPeak.at }
    found.push(caution('cup-runs-hot', 'warn', at('clock'), amounts))
  }
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

/** Which heat there is to be careful of. */
export function heatHazards(plan: Plan, clock: LayerClock | undefined): Hazard[] {
  const hazards: Hazard[] = []
  const hottest = Math.max(clock?.peak?.temperature ?? 0, clock?.cupPeak?.temperature ?? 0)
  if (hottest > hot.exotherm) hazards.push('exotherm')
  if ((plan.mouldTemperature ?? 0) > hot.mould) hazards.push('hot mould')
  return hazards
}

/** A pour that falls into the night, with the hour to begin that avoids it. */
export function judgeDay(
  { begin, awake }: Plan,
  clocks: readonly LayerClock[],
  ripening: readonly Ripening[],
): Caution[] {
  if (begin === undefined) return []
  const { from, until } = awake ?? usualDay.awake
  const open = (at: number) => at % day >= from && at % day <= until
  const within = (start: number) =>
    clocks.every(({ mixAt, pourAt }) => open(start + mixAt) && open(start + pourAt))
  const late = clocks.findIndex(
    ({ mixAt, pourAt }) => !open(begin + mixAt) || !open(begin + pourAt),
  )
  if (late < 0) return []
  let better: number | null = null
  for (let start = from; start <= until && better === null; start += quarter) {
    if (within(start)) better = start
  }
  const { layer } = ripening[late]
  const amounts = { layer: layer.name, at: begin + clocks[late].pourAt, from, until, begin: better }
  return [caution('pour-at-night', 'warn', { layer: layer.id, field: 'join' }, amounts)]
}

/** What is to be said about the warmth of room and mould. */
export function judgeRoom(
  { room, mouldTemperature }: Plan,
  clocks: readonly LayerClock[],
  ripening: readonly Ripening[],
): Caution[] {
  const found: Caution[] = []
  const { low, high } = ruleRange
  if (room < low || room > high) {
    found.push(caution('room-outside', 'warn', { field: 'room' }, { room, low, high }))
  }
  if (mouldTemperature !== undefined && mouldTemperature > hot.mould && clocks.length > 0) {
    const { bleedsUntil, gelAt, mixAt } = clocks[0]
    const amounts = {
      mould: mouldTemperature,
      pourable: bleedsUntil - mixAt,
      gel: gelAt - mixAt,
    }
    const place = { layer: ripening[0].layer.id, field: 'clock' }
    found.push(caution('mould-hot', 'warn', place, amounts))
  }
  return found
}

/** What damp air and cold parts do to these resins. */
export function judgeDamp(
  { room, humidity, mouldTemperature, materialTemperature }: Plan,
  resins: readonly Resin[],
): Caution[] {
  if (humidity === undefined || resins.length === 0) return []
  const found: Caution[] = []
  const point = dewPoint(room, humidity)
  const place = { field: 'humidity' }
  const epoxy = resins.find(({ class: kind }) => kind.includes('epoxy'))
  const urethane = resins.find(({ class: kind }) => kind.includes('urethane'))
  if (epoxy && humidity > dampLimits.blush) {
    const amounts = { humidity, dewPoint: point, resin: epoxy.name }
    found.push(caution('damp-blush', 'warn', place, amounts))
  }
  if (urethane && humidity > dampLimits.foam) {
    found.push(caution('damp-foam', 'warn', place, { humidity, resin: urethane.name }))
  }
  const cold: [string, number | undefined][] = [
    ['The mould', mouldTemperature],
    ['The parts', materialTemperature],
  ]
  for (const [what, temperature] of cold) {
    if (temperature === undefined || temperature >= room) continue
    const resin = (urethane ?? epoxy ?? resins[0]).name
    if (temperature < point) {
      const amounts = { what, temperature, dewPoint: point, resin }
      found.push(caution('damp-on-cold', 'warn', place, amounts))
    } else if (temperature < point + dewMargin) {
      const amounts = { what, temperature, dewPoint: point }
      found.push(caution('near-dew-point', 'warn', place, amounts))
    }
  }
  return found
}

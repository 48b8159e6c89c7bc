import { caution, type Caution } from '../../../base/caution/index.ts'
import { dampLimits, dewMargin, dewPoint, ruleRange } from '../../../matter/cure/index.ts'
import type { Resin } from '../../../matter/material/index.ts'
import { usualDay, type Plan } from '../plan.ts'
import type { LayerClock } from './compiled.ts'
import { isHotMould } from './judgeHeat.ts'
import type { Ripening } from './schedule.ts'

/** Hours to begin are tried this far apart, s. */
const quarter = 900

const day = 24 * 3600

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
  room: number,
  mouldTemperature: number | undefined,
  clocks: readonly LayerClock[],
  ripening: readonly Ripening[],
): Caution[] {
  const found: Caution[] = []
  const { low, high } = ruleRange
  if (room < low || room > high) {
    found.push(caution('room-outside', 'warn', { field: 'room' }, { room, low, high }))
  }
  if (isHotMould(mouldTemperature) && clocks.length > 0) {
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
  { room, humidity, materialTemperature }: Plan,
  mouldTemperature: number | undefined,
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
  const cold: ['mould' | 'parts', number | undefined][] = [
    ['mould', mouldTemperature],
    ['parts', materialTemperature],
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

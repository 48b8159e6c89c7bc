import type { Calibration } from '../calibrate/calibrate.ts'
import { followCup, type CupState } from '../calibrate/cup.ts'
import { usualWalls, type Batch } from '../cureTimes.ts'
import type { ColumnQuestion } from './column.ts'

/** Nothing is watched for longer than this, s: what is not hard by then will not be. */
export const patience = 45 * 24 * 3600

/** The layer of a batch as a column, as it comes out of its cup. */
export const columnOf = (
  law: Calibration['law'],
  { depth, room, mouldTemperature, walls = usualWalls, width = Infinity, below = 0 }: Batch,
  start: ColumnQuestion['start'],
): ColumnQuestion => ({
  law,
  depth: Math.max(depth, thinnest),
  start,
  room,
  mouldTemperature,
  mould: walls,
  width,
  below,
})
/** A film is followed as if it were as thick as this, m. */
const thinnest = 1e-4

/** A mix as it leaves its cup after `time` seconds. */
export function afterCup(
  law: Calibration['law'],
  cup: { mass: number; room: number; start?: number },
  time: number,
): CupState {
  let before: CupState = { time: 0, alpha: 0, temperature: cup.start ?? cup.room }
  let found = before
  followCup(law, cup, (now) => {
    found = now
    if (now.time >= time) return false
    before = now
    return true
  })
  const share = found.time > before.time ? (time - before.time) / (found.time - before.time) : 0
  return {
    time,
    alpha: before.alpha + share * (found.alpha - before.alpha),
    temperature: before.temperature + share * (found.temperature - before.temperature),
  }
}

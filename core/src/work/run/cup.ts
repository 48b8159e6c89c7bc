import { followCup, runCup, viscosityAt, type CureLaw } from '../../matter/cure/index.ts'

/** A mix as it ages in its cup, s since its parts met. */
export interface AgeingCup {
  /** Until here it pours: its viscosity has doubled. */
  poursUntil: number
  gel: number
  /** The hottest that what is left in it gets, K, and when, s. */
  peak: { temperature: number; at: number }
  time: number[]
  /** Pa·s */
  viscosity: number[]
}

/** Thicker than this nobody looks at it any more, times what it was. */
const thickened = 60

/**
 * How a mix ages in its cup: its own warmth and the room's are in it. kg and K.
 *
 * @example ageingCup(law, { mass: 0.1, room: 296.15 }).poursUntil < ageingCup(law, { mass: 0.02, room: 296.15 }).poursUntil // true
 */
export function ageingCup(
  law: CureLaw,
  { mass, room, parts = room }: { mass: number; room: number; parts?: number },
): AgeingCup {
  const question = { mass, room, start: parts }
  const { doubled, gel, peak, peakAt } = runCup(law, question)
  const time: number[] = []
  const viscosity: number[] = []
  const begun = viscosityAt(law.rheology, 0, parts)
  followCup(law, question, (now) => {
    const thick = viscosityAt(law.rheology, now.alpha, now.temperature)
    if (!(thick < thickened * begun)) return false
    time.push(now.time)
    viscosity.push(thick)
    return now.time < gel
  })
  return { poursUntil: doubled, gel, peak: { temperature: peak, at: peakAt }, time, viscosity }
}

/**
 * How thick it is at an age, Pa·s; the last known from there on.
 *
 * @example thicknessAt({ time: [0, 10], viscosity: [1, 3] }, 5) // 2
 */
export function thicknessAt(
  { time, viscosity }: Pick<AgeingCup, 'time' | 'viscosity'>,
  age: number,
): number {
  const last = time.length - 1
  if (age >= time[last]) return viscosity[last]
  let i = 1
  while (time[i] < age) i++
  const share = (age - time[i - 1]) / (time[i] - time[i - 1])
  return viscosity[i - 1] + share * (viscosity[i] - viscosity[i - 1])
}

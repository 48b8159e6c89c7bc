import { driftIn, type Thickening } from '../cure/index.ts'
import { viscosityToHold, type Turning } from './film.ts'

/** m/s² */
const gravity = 9.80665

/** Fewer turns than this while the film sets leave the wall uneven (common practice, no source). */
export const fewestTurns = 3

/** In more shots than this nobody casts a wall (common practice, no source). */
export const mostShots = 4

/** Turns a minute: hands keep up four to eight, a machine about ten (common practice, no source). */
export const usualTurns = { hands: 6, machine: 10 } as const
export const fastestByHand = 8

/** A shot that is turned until its film stays. Times in s since it was mixed. */
export interface TurnedShot {
  /** As thick as it has to be for its film to stay up, Pa·s. */
  viscosity: number
  /** From here what is laid stays: nobody may rest. It is a pool that wets the wall before. */
  countsFrom: number
  /** From here it does not sag by its own thickness any more: turning may stop. */
  stopsAt: number
  gelAt: number
  /** Turns between counting and gel. */
  turns: number
  /** How often it comes to lie on another side while each portion of its film is carried, from none to all. */
  visits: number[]
}

/**
 * How a shot of `thickness`, m, behaves in a mould that turns: from when turning counts, and when it
 * may stop. It is poured `poured` s after it was mixed. Sag is what runs down an upright wall under its
 * own weight until the gel, ∫ρgh²/(3η)dt (Nusselt's film).
 *
 * @example turnedShot(thickensTwofoldEachMinute, { thickness: 0.0015, density: 1100, poured: 60, rate: 1 / 6, radius: 0.04 }).countsFrom // 73
 */
export function turnedShot(
  thickening: Thickening,
  {
    thickness,
    density,
    poured,
    ...turning
  }: Turning & { thickness: number; density: number; poured: number },
): TurnedShot {
  const { time } = thickening
  const needed = viscosityToHold(thickness, density, turning)
  const gelAt = time[time.length - 1]
  const countsFrom = carriedAt(thickening, needed, { poured, gelAt })
  const speed = (now: number) => (density * gravity * thickness ** 2) / (3 * now)
  const { left } = driftIn(thickening, speed)
  const still = left.findIndex((way) => way < thickness)
  const stopsAt = Math.max(countsFrom, time[still < 0 ? time.length - 1 : still])
  return {
    viscosity: needed,
    countsFrom,
    stopsAt,
    gelAt,
    turns: (gelAt - countsFrom) * turning.rate,
    visits: Array.from({ length: portions }, (_, i) => {
      const [from, until] = [i, i + 1].map((k) =>
        carriedAt(thickening, needed * (k / portions) ** 2, { poured, gelAt }),
      )
      return (until - from) * turning.rate * sidesOfTurn
    }),
  }
}

/** A film is told in so many portions. */
const portions = 12
/** A turn brings four sides below, one after the other. */
const sidesOfTurn = 4

/** When a film has thickened to a viscosity, once it is poured and no later than its gel, s. */
function carriedAt(
  { time, viscosity }: Thickening,
  needed: number,
  { poured, gelAt }: { poured: number; gelAt: number },
): number {
  const thick = viscosity.findIndex((now) => now >= needed)
  return Math.min(gelAt, Math.max(poured, thick < 0 ? gelAt : time[thick]))
}

/**
 * In how many shots a wall is cast so that each is turned often enough while it sets; undefined when
 * not even the most do.
 *
 * @example shotsFor(0.001, () => ({ turns: 12 })) // 1
 */
export function shotsFor(
  wall: number,
  shotOf: (thickness: number) => Pick<TurnedShot, 'turns'>,
): number | undefined {
  for (let shots = 1; shots <= mostShots; shots++) {
    if (shotOf(wall / shots).turns >= fewestTurns) return shots
  }
  return undefined
}

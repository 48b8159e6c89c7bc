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
  const { time, viscosity } = thickening
  const needed = viscosityToHold(thickness, density, turning)
  const gelAt = time[time.length - 1]
  const holds = viscosity.findIndex((now) => now >= needed)
  const countsFrom = Math.min(gelAt, Math.max(poured, holds < 0 ? gelAt : time[holds]))
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
  }
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

import type { Silicone } from '../../material/index.ts'

/** Under vacuum silicone swells three to four times: the vessel is filled to a fifth (common practice). */
export const vacuumFill = 1 / 5

/** Pumping, letting it fall, pumping again, letting air in (common practice, no source), s. */
export const vacuumTime = 6 * 60

/** A cup stirs without spilling up to two thirds. */
const stirFill = 2 / 3

/** Pouring a thin high stream, s for a litre (common practice, no source). */
const pourPerVolume = 240 / 0.001

export interface Batches {
  count: number
  /** m³ each. */
  volume: number
  /** What sets the size. */
  by: 'one cup' | 'cup' | 'vessel'
  /** Mixing, vacuum and pouring of one, s. */
  time: number
  /** Whether each is poured within its pot life, and the last still meets the first liquid. */
  eachFits: boolean
  joinFits: boolean
}

/**
 * How a mix is split over cups and vacuum vessel, and whether the pot life bears it.
 *
 * @example batches(0.0016, { cup: 0.002, vessel: 0.003 }, silicone).count // 3: a fifth of 3 l at a time
 */
export function batches(
  volume: number,
  { cup, vessel }: { cup: number; vessel?: number },
  { potLife, mixTime }: Silicone,
): Batches {
  const inCup = cup * stirFill
  const inVessel = vessel === undefined ? Infinity : vessel * vacuumFill
  const most = Math.min(inCup, inVessel)
  const count = Math.max(1, Math.ceil(volume / most - 1e-9))
  const each = volume / count
  const time = mixTime + (vessel === undefined ? 0 : vacuumTime) + each * pourPerVolume
  return {
    count,
    volume: each,
    by: count === 1 ? 'one cup' : inVessel < inCup ? 'vessel' : 'cup',
    time,
    eachFits: time <= potLife,
    // The last is poured while the first can still flow into it.
    joinFits: (count - 1) * time <= potLife,
  }
}

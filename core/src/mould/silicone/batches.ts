import { cupSizes, stirringFill } from '../../matter/mix/index.ts'
import type { Silicone } from '../../matter/material/index.ts'

/** Under vacuum silicone swells three to four times: the vessel is filled to a fifth (common practice). */
export const vacuumFill = 1 / 5

/** Pumping, letting it fall, pumping again, letting air in (common practice, no source), s. */
export const vacuumTime = 6 * 60

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
  /** Whether each is poured within its pot life, and meets the one before while that still runs. */
  eachFits: boolean
  joinFits: boolean
  /** From the mixing of one to the pour of the next, s. */
  gap: number
  /** The smallest cup to the brim that would take fewer batches, m³; none where the vessel decides. */
  fewerBy?: number
}

/**
 * How a mix is split over cups and vacuum vessel, and whether the pot life bears it.
 *
 * @example batches(0.0016, { cup: 0.004, vessel: 0.003 }, silicone).count // 3 (a fifth of 3 l at a time)
 */
export function batches(
  volume: number,
  { cup, vessel }: { cup: number; vessel?: number },
  { potLife, mixTime }: Silicone,
): Batches {
  const inCup = cup * stirringFill
  const inVessel = vessel === undefined ? Infinity : vessel * vacuumFill
  const most = Math.min(inCup, inVessel)
  const count = Math.max(1, Math.ceil(volume / most - 1e-9))
  const each = volume / count
  const ready = mixTime + (vessel === undefined ? 0 : vacuumTime)
  const time = ready + each * pourPerVolume
  // The next is mixed when this one is poured, and then has only to meet it.
  const gap = time + ready
  const fewer = inCup < inVessel && count > 1 ? volume / (count - 1) / stirringFill : undefined
  return {
    count,
    volume: each,
    by: count === 1 ? 'one cup' : inVessel < inCup ? 'vessel' : 'cup',
    time,
    eachFits: time <= potLife,
    joinFits: count === 1 || gap <= potLife,
    gap,
    fewerBy: fewer && cupSizes.find((size) => size >= fewer),
  }
}

import type { Resin, Silicone } from '../matter/material/index.ts'

/** What a cast comes out as, and what the master must be scaled by to come out right. */
export interface Shrinkage {
  /** Length of the cast for one length of the master. */
  factor: number
  /** The master times this gives a cast of the master's size. */
  scale: number
}

/**
 * Silicone shrinks and its cavity with it, then resin shrinks in it: lengths multiply.
 *
 * @example shrinkageOf({ shrinkage: 0.004 }, { shrinkage: 0.01 }).factor // 0.98604
 */
export function shrinkageOf(
  silicone: Pick<Silicone, 'shrinkage'> | undefined,
  resin: Pick<Resin, 'shrinkage'> | undefined,
): Shrinkage {
  const factor = (1 - (silicone?.shrinkage ?? 0)) * (1 - (resin?.shrinkage ?? 0))
  return { factor, scale: 1 / factor }
}

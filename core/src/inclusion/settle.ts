import type { CureLaw } from '../cure/index.ts'
import { driftFrom, fluidityOf, gelOf, speedAtOne, waitFor } from './drift.ts'
import type { PlanInclusion } from './inclusion.ts'

/** Nobody sees a thing that moved less, m. */
export const unseen = 0.0005

/** What becomes of a thing in a layer while that is liquid. */
export interface Settling {
  /** How far it would move when it goes in with the pour, m, upwards where positive. */
  drift: number
  /** From when on it stays where it is set, s after mixing; 0 where it never moves. */
  holdsFrom: number
  /** When the layer gels, s after mixing. */
  gel: number
}

/**
 * What becomes of things that are set into a layer `placed` s after it was mixed, at a steady
 * temperature, K. `density` is the mix's.
 */
export function settle(
  law: Pick<CureLaw, 'kinetics' | 'rheology'>,
  density: number,
  temperature: number,
  placed: number,
  things: readonly Pick<PlanInclusion, 'mass' | 'density' | 'thickness' | 'shape'>[],
): Settling[] {
  const fluidity = fluidityOf(law, temperature)
  const gel = gelOf(law, temperature)
  return things.map((thing) => {
    const speed = speedAtOne(thing, density)
    return {
      drift: driftFrom(fluidity, placed, speed),
      holdsFrom: speed === 0 ? 0 : waitFor(fluidity, speed, unseen),
      gel,
    }
  })
}

import { driftFrom, driftIn, waitFor, type Thickening } from '../cure/index.ts'
import { speedBy } from './drift.ts'
import type { PlanInclusion } from './inclusion.ts'
import type { Sized } from './thing.ts'

/** Nobody sees a thing that moved less, m. */
export const unseen = 0.0005

/** Moments that a path is drawn by. */
const moments = 32

/** What becomes of a thing in a layer while that is liquid. */
export interface Settling {
  /** How far it would move when it goes in with the pour, m, upwards where positive. */
  drift: number
  /** From when on it stays where it is set, s after mixing; 0 where it never moves. */
  holdsFrom: number
  /** When the layer gels, s after mixing. */
  gel: number
  /** How far it has moved at moments from the pour to the gel: s after mixing, m. */
  path: { at: number; moved: number }[]
}

/**
 * What becomes of things that are set into a layer `placed` s after it was mixed, as it thickens
 * until its gel. `density` is the mix's. What is held by a dab or a jig does not move.
 */
export function settle(
  thickening: Thickening,
  density: number,
  placed: number,
  things: readonly (Sized & Pick<PlanInclusion, 'held'>)[],
): Settling[] {
  const gel = thickening.time[thickening.time.length - 1]
  return things.map((thing) => {
    const way = driftIn(thickening, thing.held ? () => 0 : speedBy(thing, density))
    const drift = driftFrom(way, placed)
    const path = Array.from({ length: moments + 1 }, (_, i) => {
      const at = placed + (Math.max(0, gel - placed) * i) / moments
      return { at, moved: drift - driftFrom(way, at) }
    })
    return { drift, holdsFrom: way.left[0] === 0 ? 0 : waitFor(way, unseen), gel, path }
  })
}

/**
 * Where the underside of a thing is at each moment, m above the floor of its layer, when it goes in
 * where it is wished, else half way up: it neither sinks through the floor nor rises through the
 * surface.
 *
 * @example restingPath({ path: [{ at: 0, moved: 0 }, { at: 60, moved: 0.02 }] }, { depth: 0.012, thickness: 0.002 })[1].height // 0.01
 */
export function restingPath(
  { path }: Pick<Settling, 'path'>,
  { depth, thickness, lift }: { depth: number; thickness: number; lift?: number },
): { at: number; height: number }[] {
  const highest = Math.max(0, depth - thickness)
  const within = (height: number) => Math.min(highest, Math.max(0, height))
  const start = within(lift || highest / 2)
  return path.map(({ at, moved }) => ({ at, height: within(start + moved) }))
}

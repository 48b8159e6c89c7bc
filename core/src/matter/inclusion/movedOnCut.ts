import type { Arranged } from './arrange.ts'
import type { PlanInclusion } from './inclusion.ts'
import { byHand } from './byHand.ts'

/** What comes nearer than this to the floor of its layer lies on it, m. */
const snap = 0.0006

/**
 * A thing moved on a cut that is turned by so much about up, radians: `along` the cut and up by
 * `rise`, m. All of its kind are then counted from the floor of their layer; it neither leaves the
 * layer upwards nor hangs a hair above its floor.
 *
 * @example movedOnCut({ size: { shape: 'ball', across: 0.002, thickness: 0.002 }, floor: 0, places: [{ x: 0, y: 0, turn: 0 }] }, 0, { along: 0.01, rise: 0.0001, turn: 0 }, { bottom: 0, depth: 0.01 }).places // [{ x: 0.01, y: 0, turn: 0 }]
 */
export function movedOnCut(
  { size, floor, places }: Pick<Arranged, 'size' | 'floor' | 'places'>,
  i: number,
  { along, rise, turn }: { along: number; rise: number; turn: number },
  { bottom, depth }: { bottom: number; depth: number },
): Required<Pick<PlanInclusion, 'lift' | 'places'>> {
  const most = Math.max(0, depth - size.thickness)
  const moved = byHand(places).map(({ up = 0, ...place }, k) => {
    const own = floor - bottom + up
    const raised = k === i ? Math.min(most, Math.max(0, own + rise)) : own
    const across = k === i ? along : 0
    return {
      ...place,
      x: place.x + Math.cos(turn) * across,
      y: place.y + Math.sin(turn) * across,
      ...(raised < snap ? {} : { up: raised }),
    }
  })
  return { lift: 0, places: moved }
}

import { levelCut } from '../filling/index.ts'
import { axesFor, toAxes, type Mesh, type Vec3 } from '../mesh/index.ts'
import type { Place, PlanInclusion } from './inclusion.ts'
import type { Loops } from './region.ts'
import { isInside, wallDistance } from './region.ts'
import { clearance, scatter, type Taken } from './scatter.ts'
import { sizeOf, type ThingSize } from './thing.ts'

/** A layer with what is set into it. */
export interface SetLayer {
  id: string
  /** Above the lowest point, m. */
  bottom: number
  top: number
  things: readonly (PlanInclusion & { lies: 'floor' | 'surface' })[]
}

/** Things of one kind where they come to lie. */
export interface Arranged {
  layer: string
  /** The inclusion. */
  id: string
  size: ThingSize
  /** Of their undersides above the lowest point, m. */
  floor: number
  places: Place[]
  /** How many find no room. */
  over: number
  /** Of those laid by hand, how many stand out of the piece or too near to its wall. */
  astray: number
}

export interface Arrangement {
  /** Outline of each layer at its floor, seen from above, m from the middle of the piece. */
  outlines: { layer: string; loops: Float64Array[] }[]
  things: Arranged[]
}

/** A hair above a floor, as a share of the layer: on the plane of a level face nothing is cut. */
const hair = 0.02

/**
 * Where everything that is set in lies: by hand where it was laid by hand, else by its pattern;
 * nothing overlaps, and nothing comes too near to the wall at the height where it rests.
 */
export function arrange(mesh: Mesh, up: Vec3, layers: readonly SetLayer[]): Arrangement {
  const cuts = new Map<number, Float64Array[]>()
  const cutAt = (height: number): Float64Array[] => {
    const known = cuts.get(height) ?? levelCut(mesh, up, height)
    cuts.set(height, known)
    return known
  }
  const outlines: Arrangement['outlines'] = []
  const things: Arranged[] = []
  for (const { id: layer, bottom, top, things: set } of layers) {
    const depth = top - bottom
    if (!(depth > 0)) continue
    outlines.push({ layer, loops: cutAt(bottom + hair * depth) })
    const taken: (Taken & { floor: number; roof: number })[] = []
    for (const thing of set) {
      const size = sizeOf(thing)
      const lowest = Math.max(0, depth - size.thickness)
      const lift = Math.min(lowest, thing.lift ?? (thing.lies === 'floor' ? 0 : lowest))
      const floor = bottom + lift
      const narrow = narrower(
        cutAt(Math.max(floor, bottom + hair * depth)),
        cutAt(Math.min(top - hair * depth, floor + size.thickness)),
      )
      const half = size.across / 2
      const byHand = (thing.places ?? []).slice(0, thing.count)
      const meeting = taken.filter(
        ({ floor: low, roof }) => low < floor + size.thickness && roof > floor,
      )
      const found = scatter(narrow, thing.count - byHand.length, {
        pattern: thing.pattern ?? 'even',
        seed: thing.seed ?? 1,
        half,
        taken: [...meeting, ...byHand.map(({ x, y }) => ({ x, y, half }))],
      })
      const places = [...byHand, ...found]
      taken.push(...places.map(({ x, y }) => ({ x, y, half, floor, roof: floor + size.thickness })))
      things.push({
        layer,
        id: thing.id,
        size,
        floor,
        places,
        over: thing.count - places.length,
        astray: byHand.filter(
          ({ x, y }) =>
            !isInside(narrow, x, y) || wallDistance(narrow, x, y) < clearance.wall + half - 1e-9,
        ).length,
      })
    }
  }
  return { outlines, things }
}

/** The smaller of two outlines, by what they enclose. */
const narrower = (one: Float64Array[], other: Float64Array[]): Loops =>
  area(one) <= area(other) ? one : other

const area = (loops: Loops): number =>
  Math.abs(
    loops.reduce((sum, points) => {
      let twice = 0
      for (let i = 0, j = points.length - 2; i < points.length; j = i, i += 2) {
        twice += points[j] * points[i + 1] - points[i] * points[j + 1]
      }
      return sum + twice / 2
    }, 0),
  )

/** The middle of a piece in the frame of a pour, at its lowest point: where places are counted from. */
export function middleOf(mesh: Mesh, up: Vec3): Vec3 {
  const axes = axesFor(up)
  const low = [Infinity, Infinity, Infinity]
  const high = [-Infinity, -Infinity, -Infinity]
  for (let i = 0; i < mesh.positions.length; i += 3) {
    const at = toAxes(axes, [mesh.positions[i], mesh.positions[i + 1], mesh.positions[i + 2]])
    for (let k = 0; k < 3; k++) {
      low[k] = Math.min(low[k], at[k])
      high[k] = Math.max(high[k], at[k])
    }
  }
  return [(low[0] + high[0]) / 2, (low[1] + high[1]) / 2, low[2]]
}

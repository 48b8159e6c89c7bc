import { levelCut } from '../filling/index.ts'
import { axesFor, toAxes, type Mesh, type Vec3 } from '../mesh/index.ts'
import type { LaidPlace, Place, PlanInclusion } from './inclusion.ts'
import type { Taken } from './near.ts'
import { areaWithin, isInside, wallDistance, type Loops } from './region.ts'
import { clearance, scatter } from './scatter.ts'
import { spreadOver } from './spread.ts'
import { sizeOf, sizeShare, type ThingSize } from './thing.ts'

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
  places: LaidPlace[]
  /** How many find no room. */
  over: number
  /** Of those laid by hand: how many stand out of the piece or too near to its wall, and how many meet another. */
  astray: number
  meeting: number
}

export interface Arrangement {
  /** Outline of each layer at its floor, seen from above, m from the middle of the piece. */
  outlines: { layer: string; loops: Float64Array[] }[]
  things: Arranged[]
}

/** A hair above a floor, as a share of the layer: on the plane of a level face nothing is cut. */
const hair = 0.02
/** Two lengths this close are the same to any hand, m. */
const same = 1e-9

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
  for (const layer of layers) {
    if (!(layer.top > layer.bottom)) continue
    const depth = layer.top - layer.bottom
    outlines.push({ layer: layer.id, loops: cutAt(layer.bottom + hair * depth) })
    const taken: Taken[] = []
    for (const thing of layer.things) {
      const laid = lay(layer, thing, taken, cutAt)
      taken.push(...laid.taken)
      things.push(laid.arranged)
    }
  }
  return { outlines, things }
}

/** One kind of thing in its layer, clear of what lies there already. */
function lay(
  { id: layer, bottom, top }: SetLayer,
  thing: SetLayer['things'][number],
  before: readonly Taken[],
  cutAt: (height: number) => Float64Array[],
): { arranged: Arranged; taken: Taken[] } {
  const size = sizeOf(thing)
  const depth = top - bottom
  const highest = Math.max(0, depth - size.thickness)
  const lift = Math.min(highest, thing.lift ?? (thing.lies === 'floor' ? 0 : highest))
  const floor = bottom + lift
  const above = spreadOver(thing, highest - lift)
  const [lowest, roof] = [
    cutAt(Math.max(floor, bottom + hair * depth)),
    cutAt(Math.min(top - hair * depth, thing.spread ? top : floor + size.thickness)),
  ]
  const narrow = narrower(lowest, roof)
  const share = (i: number) => sizeShare(thing, i)
  const half = (i: number) => (share(i) * size.across) / 2
  const heights = (i: number, up = above(i)): readonly [number, number] => [
    floor + up,
    floor + up + share(i) * size.thickness,
  ]
  const takes = ({ x, y, up }: Place, i: number): Taken => {
    const [low, high] = heights(i, up)
    return { x, y, half: half(i), floor: low, roof: high }
  }
  const byHand = (thing.places ?? []).slice(0, thing.count)
  const first = byHand.length
  const handTaken = byHand.map(takes)
  const found = scatter(narrow, thing.count - first, {
    pattern: thing.pattern ?? 'even',
    seed: thing.seed ?? 1,
    half: size.across / 2,
    share: (i) => share(first + i),
    heights: (i) => heights(first + i),
    line: thing.line,
    taken: [...before, ...handTaken],
  })
  const places = [...byHand, ...found].map((place, i): LaidPlace => ({
    ...place,
    ...(thing.spread && place.up === undefined && { up: above(i) }),
    ...(share(i) !== 1 && { size: share(i) }),
  }))
  return {
    taken: places.map(takes),
    arranged: {
      layer,
      id: thing.id,
      size,
      floor,
      places,
      over: thing.count - places.length,
      astray: byHand.filter(
        ({ x, y }, i) =>
          !isInside(narrow, x, y) || wallDistance(narrow, x, y) < clearance.wall + half(i) - same,
      ).length,
      meeting: handTaken.filter((one, i) =>
        [...before, ...handTaken.toSpliced(i, 1)].some((other) => meets(one, other)),
      ).length,
    },
  }
}

/** Whether two things overlap. */
const meets = (a: Taken, b: Taken): boolean =>
  Math.hypot(a.x - b.x, a.y - b.y) < a.half + b.half - same &&
  a.floor! < b.roof! - same &&
  b.floor! < a.roof! - same

/** The smaller of two outlines, by what they enclose. */
const narrower = (one: Float64Array[], other: Float64Array[]): Loops =>
  areaWithin(one) <= areaWithin(other) ? one : other

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

import { levelCut } from '../../form/filling/index.ts'
import { axesFor, toAxes, type Mesh, type Vec3 } from '../../form/mesh/index.ts'
import type { LaidPlace, ThingPlace, PlanInclusion } from './inclusion.ts'
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
  /**
   * Of each layer, seen from above, m from the middle of the piece: its outline where it is widest,
   * and where it is narrower at the heights that its things rest at.
   */
  outlines: { layer: string; loops: Float64Array[]; levels: Float64Array[][] }[]
  things: Arranged[]
}

/** A hair above a floor, as a share of the layer: on the plane of a level face nothing is cut. */
const hair = 0.02
/** A level that holds less than this share of the widest is drawn by itself. */
const narrowerBy = 0.98
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
    const taken: Taken[] = []
    const own: Arranged[] = []
    for (const thing of layer.things) {
      const laid = lay(layer, thing, taken, cutAt)
      taken.push(...laid.taken)
      own.push(laid.arranged)
    }
    things.push(...own)
    const loops = widest(layer.bottom, layer.top, cutAt)
    const heights = new Set(own.map(({ floor }) => Math.max(floor, layer.bottom + hair * depth)))
    const levels = [...heights]
      .map(cutAt)
      .filter((level) => areaWithin(level) < narrowerBy * areaWithin(loops))
    outlines.push({ layer: layer.id, loops, levels })
  }
  return { outlines, things }
}

/** Slices of a layer that its outline is asked at. */
const slices = 12

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
  const share = (i: number) => sizeShare(thing, i)
  const half = (i: number) => (share(i) * size.across) / 2
  /** What both the underside and the top of a thing that stands so high have room in. */
  const roomAt = (up: number): Loops =>
    narrower(
      cutAt(Math.max(floor + up, bottom + hair * depth)),
      cutAt(Math.min(top - hair * depth, floor + up + size.thickness)),
    )
  const step = highest / slices
  const sliceOf = (up: number) => (step > 0 ? step * Math.floor(up / step) : 0)
  const heights = (i: number, up = above(i)): readonly [number, number] => [
    floor + up,
    floor + up + share(i) * size.thickness,
  ]
  const takes = ({ x, y, up = 0 }: ThingPlace, i: number): Taken => {
    const [low, high] = heights(i, up)
    return { x, y, half: half(i), floor: low, roof: high }
  }
  const byHand = (thing.places ?? []).slice(0, thing.count)
  const handTaken = byHand.map(takes)
  const places: LaidPlace[] = [...byHand]
  const taken = [...before, ...handTaken]
  /** As many more as find room when they stand so high, or each as high as its spread has it. */
  const more = (raised?: number, below?: Loops) => {
    const first = places.length
    const up = (i: number) => raised ?? above(first + i)
    const spread = raised === undefined && thing.spread !== undefined
    const found = scatter(
      spread ? widest(floor, top, cutAt) : roomAt(raised ?? 0),
      thing.count - first,
      {
        pattern: thing.pattern ?? 'even',
        seed: thing.seed ?? 1,
        half: size.across / 2,
        share: (i) => share(first + i),
        heights: (i) => heights(first + i, up(i)),
        within: spread ? (i) => roomAt(sliceOf(up(i))) : undefined,
        notWithin: below,
        line: thing.line,
        taken,
      },
    )
    const laid = found.map((place, i): LaidPlace => ({ ...place, ...(up(i) && { up: up(i) }) }))
    places.push(...laid)
    taken.push(...laid.map((place, i) => takes(place, first + i)))
  }
  more()
  // In the hollow of a mould what has no room on its floor comes to lie on its wall above.
  if (bottom === 0 && thing.lies === 'floor' && !thing.lift && !thing.spread) {
    for (let k = 1; k <= slices && places.length < thing.count; k++) {
      more(k * step, roomAt((k - 1) * step))
    }
  }
  const sized = places.map((place, i) => (share(i) === 1 ? place : { ...place, size: share(i) }))
  return {
    taken: sized.map(takes),
    arranged: {
      layer,
      id: thing.id,
      size,
      floor,
      places: sized,
      over: thing.count - places.length,
      astray: byHand.filter(({ x, y, up = 0 }, i) => {
        const room = roomAt(up)
        return !isInside(room, x, y) || wallDistance(room, x, y) < clearance.wall + half(i) - same
      }).length,
      meeting: handTaken.filter((one, i) =>
        [...before, ...handTaken.toSpliced(i, 1)].some((other) => meets(one, other)),
      ).length,
    },
  }
}

/** The widest outline between two heights, by a few cuts. */
function widest(
  from: number,
  to: number,
  cutAt: (height: number) => Float64Array[],
): Float64Array[] {
  const cuts = [hair, 0.2, 0.4, 0.6, 0.8, 1 - hair].map((share) =>
    cutAt(from + (to - from) * share),
  )
  return cuts.reduce((best, cut) => (areaWithin(cut) > areaWithin(best) ? cut : best))
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

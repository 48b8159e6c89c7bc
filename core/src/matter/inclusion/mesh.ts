import type { Mesh, Vec3 } from '../../form/mesh/index.ts'
import { fromAxes, type Axes } from '../../form/mesh/index.ts'
import { extrude } from '../../form/shape/index.ts'
import { carriedBelow } from './drift.ts'
import type { LaidPlace } from './inclusion.ts'
import { ownMesh, ringHole, shardShares, type ThingSize } from './thing.ts'

/** Sides that a round thing is drawn with in space. */
const sides = 20
/** On paper its edge is met within so much, m: less than a line is wide. */
const paperWithin = 0.05e-3

/** Sides of a polygon that stays so near to the circle around it: π / arccos(1 − 2 within / across). */
const sidesOnPaper = (across: number): number =>
  Math.max(sides, Math.ceil(Math.PI / Math.acos(Math.max(0, 1 - (2 * paperWithin) / across))))

type Corner = [x: number, y: number]

const roundOf = (share: number, count = sides, turn = 0): Corner[] =>
  Array.from({ length: count }, (_, i) => {
    const angle = (2 * Math.PI * i) / count + turn
    return [(share / 2) * Math.cos(angle), (share / 2) * Math.sin(angle)]
  })

/** Outer and inner corners of a flat thing around its middle, as shares of its width. */
function flatCorners(
  shape: ThingSize['shape'],
  count = sides,
): { outer: Corner[]; inner?: Corner[] } {
  if (shape === 'ring') return { outer: roundOf(1, count), inner: roundOf(ringHole, count) }
  if (shape !== 'star') return { outer: roundOf(1, count) }
  const [tips, notches] = [roundOf(1, 5), roundOf(0.45, 5, Math.PI / 5)]
  return { outer: tips.flatMap((tip, i) => [tip, notches[i]]) }
}

/**
 * What is seen of a thing from above: loops of corners around its middle, as shares of its width;
 * of a surface the hull of its corners.
 *
 * @example outlineOf({ shape: 'ring', across: 0.01, thickness: 0.001 }).length // 2
 */
export function outlineOf({ shape, across, form }: ThingSize): Corner[][] {
  if (shape === 'own' && form) {
    if (!('loops' in form)) return [hullAround(form.corners)]
    return form.loops.map((loop) =>
      Array.from({ length: loop.length / 2 }, (_, i): Corner => [loop[2 * i], loop[2 * i + 1]]),
    )
  }
  const { outer, inner } = flatCorners(shape, sidesOnPaper(across))
  return inner ? [outer, inner] : [outer]
}

/** The hull of points seen from above, counter-clockwise. Source: monotone chain, Andrew, 1979. */
function hullAround(positions: readonly number[]): Corner[] {
  const points: Corner[] = []
  for (let i = 0; i < positions.length; i += 3) points.push([positions[i], positions[i + 1]])
  points.sort(([ax, ay], [bx, by]) => ax - bx || ay - by)
  const half = (run: readonly Corner[]): Corner[] => {
    const chain: Corner[] = []
    for (const [x, y] of run) {
      while (chain.length > 1) {
        const [[ax, ay], [bx, by]] = chain.slice(-2)
        if ((bx - ax) * (y - ay) - (by - ay) * (x - ax) > 0) break
        chain.pop()
      }
      chain.push([x, y])
    }
    return chain.slice(0, -1)
  }
  return [...half(points), ...half(points.toReversed())]
}

/**
 * Surfaces of things of one size at their places, their undersides at `floor` above the origin of
 * the frame, in the piece's own axes.
 *
 * @example thingsMesh({ shape: 'ball', across: 0.01, thickness: 0.01 }, [], axesFor([0, 0, 1]), [0, 0, 0], 0).triangles.length // 0
 */
export function thingsMesh(
  size: ThingSize,
  places: readonly LaidPlace[],
  axes: Axes,
  origin: Vec3,
  floor: number,
): Mesh {
  const one = oneOf(size)
  const corners = one.positions.length / 3
  const positions = new Float64Array(places.length * one.positions.length)
  const triangles = new Uint32Array(places.length * one.triangles.length)
  places.forEach((place, i) => {
    const { x, y, turn, up = 0, size: share = 1 } = place
    const tumbles = place.tilt === undefined && size.thickness < carriedBelow && up > 0
    const tilt = tumbles ? tumbledBy(i, (share * size.across) / 2, up) : (place.tilt ?? 0)
    const [c, s] = [Math.cos(turn), Math.sin(turn)]
    const [ct, st] = [Math.cos(tilt), Math.sin(tilt)]
    const p = one.positions
    // A tilted thing stands on its lowest corner; leaf that floats turns about its middle.
    let low = 0
    if (tilt !== 0 && !tumbles) {
      low = Infinity
      for (let k = 0; k < corners; k++) low = Math.min(low, st * p[3 * k + 1] + ct * p[3 * k + 2])
    }
    for (let k = 0; k < corners; k++) {
      const px = share * p[3 * k]
      const py = share * (ct * p[3 * k + 1] - st * p[3 * k + 2])
      const pz = share * (st * p[3 * k + 1] + ct * p[3 * k + 2] - low)
      const at: Vec3 = [
        origin[0] + x + c * px - s * py,
        origin[1] + y + s * px + c * py,
        origin[2] + floor + up + pz,
      ]
      positions.set(fromAxes(axes, at), 3 * (i * corners + k))
    }
    for (let t = 0; t < one.triangles.length; t++) {
      triangles[i * one.triangles.length + t] = one.triangles[t] + i * corners
    }
  })
  return { positions, triangles }
}

/** Leaf in a resin that was stirred lies no flatter than this, radians (from memory). */
const mostTumbled = 0.6

/**
 * How the i-th leaf lies in the resin that carries it: evenly spread over all tilts (additive
 * recurrence of the golden ratio), and not through the floor that it floats over.
 */
const tumbledBy = (i: number, half: number, up: number): number => {
  const share = 2 * ((0.5 + i * 0.6180339887) % 1) - 1
  return share * Math.min(mostTumbled, Math.asin(Math.min(1, up / half)))
}

/** Thin leaf keeps a thickness that can be seen, m. */
const leastThick = 2e-5

/** One thing around the middle of its underside. */
function oneOf(size: ThingSize): Mesh {
  const { shape, across, thickness, form } = size
  if (shape === 'ball' || shape === 'shard') return ball(size)
  if (shape !== 'own' || !form) return flat(size)
  if (!('loops' in form)) {
    const { positions, triangles } = ownMesh(form)
    return { positions: positions.map((share) => share * across), triangles }
  }
  const loops = form.loops.map((loop) => loop.map((share) => share * across))
  return extrude({ loops, thickness: Math.max(thickness, leastThick), bevel: 0 })
}

/** A ball, or a shard as an ellipsoid with few facets, standing on height 0. */
function ball({ shape, across }: ThingSize) {
  const [rings, round] = shape === 'ball' ? [10, 18] : [4, 6]
  const [a, b, c] = shape === 'ball' ? [1, 1, 1] : shardShares
  const positions: number[] = [0, 0, 0]
  for (let r = 1; r < rings; r++) {
    const angle = (Math.PI * r) / rings
    for (let k = 0; k < round; k++) {
      const around = (2 * Math.PI * k) / round
      positions.push(
        (across / 2) * a * Math.sin(angle) * Math.cos(around),
        (across / 2) * b * Math.sin(angle) * Math.sin(around),
        (across / 2) * c * (1 - Math.cos(angle)),
      )
    }
  }
  positions.push(0, 0, across * c)
  const at = (r: number, k: number) => 1 + (r - 1) * round + (k % round)
  const top = positions.length / 3 - 1
  const triangles: number[] = []
  for (let k = 0; k < round; k++) {
    triangles.push(0, at(1, k + 1), at(1, k), top, at(rings - 1, k), at(rings - 1, k + 1))
    for (let r = 1; r < rings - 1; r++) {
      triangles.push(
        at(r, k),
        at(r, k + 1),
        at(r + 1, k + 1),
        at(r, k),
        at(r + 1, k + 1),
        at(r + 1, k),
      )
    }
  }
  return { positions: Float64Array.from(positions), triangles: Uint32Array.from(triangles) }
}

/** A flat thing: two faces and its rim. */
function flat({ shape, across, thickness }: ThingSize) {
  const { outer, inner } = flatCorners(shape)
  const thick = Math.max(thickness, leastThick)
  const positions: number[] = []
  const triangles: number[] = []
  const ring = (points: readonly [number, number][], z: number) => {
    const first = positions.length / 3
    for (const [x, y] of points) positions.push(across * x, across * y, z)
    return first
  }
  const band = (low: number, high: number, count: number) => {
    for (let k = 0; k < count; k++) {
      const next = (k + 1) % count
      triangles.push(low + k, low + next, high + next, low + k, high + next, high + k)
    }
  }
  const [low, high] = [ring(outer, 0), ring(outer, thick)]
  band(low, high, outer.length)
  if (inner) {
    const [lowIn, highIn] = [ring(inner, 0), ring(inner, thick)]
    band(highIn, lowIn, inner.length)
    band(high, highIn, outer.length)
    band(lowIn, low, outer.length)
  } else {
    for (const [first, z] of [
      [low, 0],
      [high, thick],
    ]) {
      const middle = positions.length / 3
      positions.push(0, 0, z)
      for (let k = 0; k < outer.length; k++) {
        const [a, b] = [first + k, first + ((k + 1) % outer.length)]
        triangles.push(middle, ...(z > 0 ? [a, b] : [b, a]))
      }
    }
  }
  return { positions: Float64Array.from(positions), triangles: Uint32Array.from(triangles) }
}

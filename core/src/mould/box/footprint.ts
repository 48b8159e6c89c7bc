import { uniformInt } from 'pure-rand/distribution/uniformInt'
import { xoroshiro128plus } from 'pure-rand/generator/xoroshiro128plus'
import { areaOfLoop, perimeterOfLoop, type Loop } from '../../form/shape/index.ts'
import { axesFor, type Mesh, type Vec3 } from '../../form/mesh/index.ts'

/** A piece seen from above, as it stands in its box. Lengths in m along right and away. */
export interface Footprint {
  /** Its convex hull, counter-clockwise, about the middle of its bounds. */
  hull: number[]
  area: number
  perimeter: number
  width: number
  depth: number
  height: number
  /** Radius of the smallest circle around it, and of its middle from the middle of the bounds. */
  radius: number
  middle: readonly [number, number]
  /** The middle of the bounds along right, away and up, m. */
  centre: Vec3
  /** Where each of several masters stands, m from the middle, and the hull of one. */
  places: readonly (readonly [number, number])[]
  one: number[]
}

/** @example footprint(block60, [0, 0, 1]).perimeter // 0.2 */
export function footprint({ positions: p }: Mesh, up: Vec3): Footprint {
  const { right, away, up: axis } = axesFor(up)
  const count = p.length / 3
  const points = new Float64Array(2 * count)
  const low = [Infinity, Infinity, Infinity]
  const high = [-Infinity, -Infinity, -Infinity]
  for (let i = 0; i < count; i++) {
    for (const [k, a] of [right, away, axis].entries()) {
      const value = p[3 * i] * a[0] + p[3 * i + 1] * a[1] + p[3 * i + 2] * a[2]
      low[k] = Math.min(low[k], value)
      high[k] = Math.max(high[k], value)
      if (k < 2) points[2 * i + k] = value
    }
  }
  const centre = low.map((l, k) => (l + high[k]) / 2) as unknown as Vec3
  for (let i = 0; i < points.length; i++) points[i] -= centre[i % 2]
  const hull = convexHull(points)
  const circle = enclosingCircle(hull)
  return {
    hull,
    area: areaOfLoop(hull),
    perimeter: perimeterOfLoop(hull),
    width: high[0] - low[0],
    depth: high[1] - low[1],
    height: high[2] - low[2],
    radius: circle.radius,
    middle: [circle.x, circle.y],
    centre,
    places: [[0, 0]],
    one: hull,
  }
}

/** Andrew's monotone chain (1979), counter-clockwise, without points on its sides. */
export function convexHull(points: Float64Array): number[] {
  const order = Array.from({ length: points.length / 2 }, (_, i) => i).sort(
    (i, j) => points[2 * i] - points[2 * j] || points[2 * i + 1] - points[2 * j + 1],
  )
  const turns = (a: number, b: number, c: number) =>
    (points[2 * b] - points[2 * a]) * (points[2 * c + 1] - points[2 * a + 1]) -
    (points[2 * b + 1] - points[2 * a + 1]) * (points[2 * c] - points[2 * a])
  const half = (list: number[]) => {
    const chain: number[] = []
    for (const i of list) {
      while (chain.length > 1 && turns(chain[chain.length - 2], chain[chain.length - 1], i) <= 0) {
        chain.pop()
      }
      chain.push(i)
    }
    return chain.slice(0, -1)
  }
  return [...half(order), ...half([...order].reverse())].flatMap((i) => [
    points[2 * i],
    points[2 * i + 1],
  ])
}

interface Circle {
  x: number
  y: number
  radius: number
}

/**
 * The smallest circle around the points of a loop (Welzl 1991), met in a shuffled order: of
 * neighbours in a row each would begin the circle anew. The shuffle is always the same.
 */
export function enclosingCircle(loop: Loop): Circle {
  const points = shuffled(
    Array.from({ length: loop.length / 2 }, (_, i) => [loop[2 * i], loop[2 * i + 1]]),
  )
  const holds = (c: Circle, [x, y]: number[]) =>
    Math.hypot(x - c.x, y - c.y) <= c.radius * (1 + 1e-12)
  let circle: Circle = { x: points[0][0], y: points[0][1], radius: 0 }
  for (let i = 1; i < points.length; i++) {
    if (holds(circle, points[i])) continue
    circle = { x: points[i][0], y: points[i][1], radius: 0 }
    for (let j = 0; j < i; j++) {
      if (holds(circle, points[j])) continue
      circle = over(points[i], points[j])
      for (let k = 0; k < j; k++) {
        if (!holds(circle, points[k])) circle = through(points[i], points[j], points[k])
      }
    }
  }
  return circle
}

/** Fisher and Yates, by pure-rand's uniform numbers from a fixed seed. */
function shuffled<T>(list: T[]): T[] {
  const random = xoroshiro128plus(1)
  for (let i = list.length - 1; i > 0; i--) {
    const j = uniformInt(random, 0, i)
    ;[list[i], list[j]] = [list[j], list[i]]
  }
  return list
}

const over = ([x1, y1]: number[], [x2, y2]: number[]): Circle => ({
  x: (x1 + x2) / 2,
  y: (y1 + y2) / 2,
  radius: Math.hypot(x2 - x1, y2 - y1) / 2,
})

function through([ax, ay]: number[], [bx, by]: number[], [cx, cy]: number[]): Circle {
  const d = 2 * (ax * (by - cy) + bx * (cy - ay) + cx * (ay - by))
  const [a, b, c] = [ax * ax + ay * ay, bx * bx + by * by, cx * cx + cy * cy]
  const x = (a * (by - cy) + b * (cy - ay) + c * (ay - by)) / d
  const y = (a * (cx - bx) + b * (ax - cx) + c * (bx - ax)) / d
  return { x, y, radius: Math.hypot(ax - x, ay - y) }
}

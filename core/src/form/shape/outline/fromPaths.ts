import { Problem } from '../../../base/problem/index.ts'

/** How a shape that meets itself is filled. */
export type FillRule = 'nonzero' | 'evenodd'

/** A run of points in a drawing's own units, y downward. */
export interface DrawnPath {
  points: readonly (readonly [number, number])[]
  closed: boolean
  /** Which shape of the drawing it belongs to: a path can have several runs. */
  shape: number
  rule: FillRule
}

/** A closed run in metres, y upward. */
export interface DrawnLoop {
  loop: number[]
  shape: number
  rule: FillRule
}

/** Ends nearer than this share of the drawing's size are taken for closed. */
const near = 2e-3

/** Points nearer to one another than this share of the size say nothing more. */
const fine = 2e-5

/**
 * Loops in metres from the paths of a drawing, y turned upward, middle at the origin.
 * `unit`: metres of one unit of the drawing.
 *
 * Throws `Problem`: outline-empty, outline-open with the gap in metres, drawing-broken where a
 * point has no place.
 */
export function loopsOfPaths(paths: readonly DrawnPath[], unit: number): DrawnLoop[] {
  const drawn = paths.filter(({ points }) => points.length > 1)
  const { low, high } = boundsOf(drawn)
  const size = Math.max(high[0] - low[0], high[1] - low[1])
  const middle = [0, 1].map((k) => (low[k] + high[k]) / 2)
  const loops = drawn.flatMap(({ points, closed, shape, rule }): DrawnLoop[] => {
    const gap = away(points[0], points[points.length - 1])
    if (!closed && gap > near * size) throw new Problem('outline-open', { gap: gap * unit })
    const kept = points.filter((p, i) => i === 0 || away(p, points[i - 1]) > fine * size)
    if (away(kept[0], kept[kept.length - 1]) <= near * size) kept.pop()
    const loop = kept.flatMap(([x, y]) => [(x - middle[0]) * unit, (middle[1] - y) * unit])
    return loop.length >= 6 ? [{ loop, shape, rule }] : []
  })
  if (loops.length === 0) throw new Problem('outline-empty', {})
  return loops
}

function boundsOf(paths: readonly DrawnPath[]): { low: number[]; high: number[] } {
  const low = [Infinity, Infinity]
  const high = [-Infinity, -Infinity]
  for (const { points } of paths) {
    for (const point of points) {
      for (let k = 0; k < 2; k++) {
        if (!Number.isFinite(point[k])) {
          throw new Problem('drawing-broken', { fault: 'point-nowhere' })
        }
        if (point[k] < low[k]) low[k] = point[k]
        if (point[k] > high[k]) high[k] = point[k]
      }
    }
  }
  if (low[0] === Infinity) throw new Problem('outline-empty', {})
  return { low, high }
}

const away = (a: readonly [number, number], b: readonly [number, number]) =>
  Math.hypot(a[0] - b[0], a[1] - b[1])

/** Width of loops from side to side, m. */
export function widthOfLoops(loops: readonly (readonly number[])[]): number {
  let [low, high] = [Infinity, -Infinity]
  for (const loop of loops) {
    for (let i = 0; i < loop.length; i += 2) {
      if (loop[i] < low) low = loop[i]
      if (loop[i] > high) high = loop[i]
    }
  }
  return high - low
}

/** The same loops made `width` metres wide. */
export function loopsOfWidth(loops: readonly (readonly number[])[], width: number): number[][] {
  const scale = width / widthOfLoops(loops)
  return loops.map((loop) => loop.map((x) => x * scale))
}

import { Problem } from '../../problem/index.ts'

/** A run of points in a drawing's own units, y downward. */
export interface DrawnPath {
  points: readonly (readonly [number, number])[]
  closed: boolean
}

/** Ends nearer than this share of the drawing's size are taken for closed. */
const near = 2e-3

/** Points nearer to one another than this share of the size say nothing more. */
const fine = 2e-5

/**
 * Loops in metres from the paths of a drawing, y turned upward, middle at the origin.
 * `unit`: metres of one unit of the drawing.
 *
 * Throws `Problem`: outline-empty, outline-open with the gap in metres.
 */
export function loopsOfPaths(paths: readonly DrawnPath[], unit: number): number[][] {
  const drawn = paths.filter(({ points }) => points.length > 1)
  const all = drawn.flatMap(({ points }) => points)
  if (all.length === 0) throw new Problem('outline-empty', {})
  const low = [0, 1].map((k) => Math.min(...all.map((p) => p[k])))
  const high = [0, 1].map((k) => Math.max(...all.map((p) => p[k])))
  const size = Math.max(high[0] - low[0], high[1] - low[1])
  const middle = [0, 1].map((k) => (low[k] + high[k]) / 2)
  const loops = drawn.flatMap(({ points, closed }) => {
    const gap = away(points[0], points[points.length - 1])
    if (!closed && gap > near * size) throw new Problem('outline-open', { gap: gap * unit })
    const kept = points.filter((p, i) => i === 0 || away(p, points[i - 1]) > fine * size)
    if (away(kept[0], kept[kept.length - 1]) <= near * size) kept.pop()
    const loop = kept.flatMap(([x, y]) => [(x - middle[0]) * unit, (middle[1] - y) * unit])
    return loop.length >= 6 ? [loop] : []
  })
  if (loops.length === 0) throw new Problem('outline-empty', {})
  return loops
}

const away = (a: readonly [number, number], b: readonly [number, number]) =>
  Math.hypot(a[0] - b[0], a[1] - b[1])

/** Width of loops from side to side, m. */
export function widthOfLoops(loops: readonly (readonly number[])[]): number {
  const xs = loops.flatMap((loop) => loop.filter((_, i) => i % 2 === 0))
  return Math.max(...xs) - Math.min(...xs)
}

/** The same loops made `width` metres wide. */
export function loopsOfWidth(loops: readonly (readonly number[])[], width: number): number[][] {
  const scale = width / widthOfLoops(loops)
  return loops.map((loop) => loop.map((x) => x * scale))
}

import type { SurfaceGraph } from './surfaceGraph.ts'

/** Each point on an edge is moved so often; then the path stands still to a thousandth. */
const sweeps = 40
/** Steps of the golden section: an edge comes down to a ten-thousandth of its length. */
const sections = 20
const golden = (Math.sqrt(5) - 1) / 2

/**
 * A path over a surface pulled taut within the faces that it crosses: each of its points on an edge
 * slides along that edge to where the way to both of its neighbours is shortest (golden section, one
 * point after the other). Its vertices stay.
 *
 * @returns x, y, z of each point of the path, m
 * @example straightened(surfaceGraph(unitCube), [0]).length // 3
 */
export function straightened(
  { points, edges }: Pick<SurfaceGraph, 'points' | 'edges'>,
  path: readonly number[],
): Float64Array {
  const vertices = points.length / 3 - edges.length
  const of = (i: number) => points.subarray(3 * i, 3 * i + 3)
  const line = Float64Array.from(path.flatMap((point) => [...of(point)]))
  const place = (edge: SurfaceGraph['edges'][number], share: number, k: number) =>
    of(edge.low)[k] + share * (of(edge.high)[k] - of(edge.low)[k])
  for (let sweep = 0; sweep < sweeps; sweep++) {
    for (let i = 1; i + 1 < path.length; i++) {
      const edge = edges[path[i] - vertices]
      if (!edge) continue
      const way = (share: number) => {
        let [back, on] = [0, 0]
        for (let k = 0; k < 3; k++) {
          const x = place(edge, share, k)
          back += (x - line[3 * i - 3 + k]) ** 2
          on += (x - line[3 * i + 3 + k]) ** 2
        }
        return Math.sqrt(back) + Math.sqrt(on)
      }
      const share = least(way)
      for (let k = 0; k < 3; k++) line[3 * i + k] = place(edge, share, k)
    }
  }
  return line
}

/** Where a convex function of 0 to 1 is least. */
function least(of: (share: number) => number): number {
  let [low, high] = [0, 1]
  let [a, b] = [high - golden * (high - low), low + golden * (high - low)]
  let [fa, fb] = [of(a), of(b)]
  for (let i = 0; i < sections; i++) {
    if (fa < fb) {
      ;[high, b, fb] = [b, a, fa]
      a = high - golden * (high - low)
      fa = of(a)
    } else {
      ;[low, a, fa] = [a, b, fb]
      b = low + golden * (high - low)
      fb = of(b)
    }
  }
  return (low + high) / 2
}

import { nextInFace, type Mesh } from '../../form/mesh/index.ts'

/** Points on a surface and the straight ways between them, each way in both directions. */
export interface SurfaceGraph {
  /** x, y, z of each; the mesh's own vertices come first. */
  points: Float64Array
  /** Ways that begin at a point: from `starts[i]` to `starts[i + 1]`. */
  starts: Uint32Array
  ends: Uint32Array
  lengths: Float64Array
  /** Of the points on edges: its two vertices, and how far along it lies, 0 to 1. */
  edges: { low: number; high: number; share: number }[]
}

/** Points stand on edges no farther apart than this share of the longest side. */
const spacing = 1 / 80
/** Of its length a way through silicone costs so much: it leaves no line (assumed). */
const bridgeCosts = 0.5
/** An edge gets at least one in its middle where the mesh has no more faces than this. */
const midpointsUpTo = 20_000

/**
 * The surface as a graph: vertices, and points on its edges (Steiner points; Lanthier, Maheshwari and
 * Sack 2001), every two points of one face that do not lie on the same edge joined. `bridges` between
 * vertices are ways through silicone; they count a part of their length.
 *
 * @example surfaceGraph(unitCube).points.length > 24 // true
 */
export function surfaceGraph(
  mesh: Mesh,
  bridges: readonly (readonly [number, number])[] = [],
): SurfaceGraph {
  const { positions, triangles } = mesh
  const count = positions.length / 3
  const longest = longestSide(positions)
  const least = triangles.length / 3 <= midpointsUpTo ? 1 : 0
  const between = pointsOnEdges(mesh, longest * spacing, least)
  const points = new Float64Array(positions.length + between.points.length)
  points.set(positions)
  points.set(between.points, positions.length)
  const links: number[] = []
  if (between.edges.length === 0) {
    for (let half = 0; half < triangles.length; half++) {
      const [a, b] = [triangles[half], triangles[nextInFace(half)]]
      if (a < b) links.push(a, b)
    }
    return { points, edges: [], ...sorted(links, bridges, points, count) }
  }
  const along = between.of.map((inner, half) => [
    triangles[half],
    ...inner,
    triangles[nextInFace(half)],
  ])
  for (let t = 0; t < triangles.length; t += 3) {
    for (const [h, other] of [
      [t, t + 1],
      [t + 1, t + 2],
      [t + 2, t],
    ]) {
      const chain = along[h]
      for (let i = 1; i < chain.length; i++) links.push(chain[i - 1], chain[i])
      // Points of an edge with those of the next, and its inner ones with the corner between them.
      for (const one of chain.slice(0, -1)) {
        for (const far of along[other].slice(1, -1)) links.push(one, far)
      }
      for (const one of chain.slice(1, -1)) links.push(one, along[other].at(-1)!)
    }
  }
  return {
    points,
    edges: between.edges,
    ...sorted(links, bridges, points, count + between.points.length / 3),
  }
}

/** Inner points of each half-edge in its own order; both halves of an edge share them. */
function pointsOnEdges(
  { positions: p, triangles }: Mesh,
  step: number,
  least: number,
): { points: number[]; edges: SurfaceGraph['edges']; of: number[][] } {
  const points: number[] = []
  const edges: SurfaceGraph['edges'] = []
  const of: number[][] = Array.from({ length: triangles.length }, () => [])
  const known = new Map<number, number[]>()
  const count = p.length / 3
  for (let half = 0; half < triangles.length; half++) {
    const [a, b] = [triangles[half], triangles[nextInFace(half)]]
    const [low, high] = a < b ? [a, b] : [b, a]
    const key = low * count + high
    let inner = known.get(key)
    if (!inner) {
      const at = (v: number, k: number) => p[3 * v + k]
      const length = Math.hypot(...[0, 1, 2].map((k) => at(high, k) - at(low, k)))
      const parts = Math.max(least, Math.floor(length / step))
      inner = Array.from({ length: parts }, (_, i) => {
        const share = (i + 1) / (parts + 1)
        edges.push({ low, high, share })
        points.push(...[0, 1, 2].map((k) => at(low, k) + share * (at(high, k) - at(low, k))))
        return count + points.length / 3 - 1
      })
      known.set(key, inner)
    }
    of[half] = a < b ? inner : inner.toReversed()
  }
  return { points, edges, of }
}

function longestSide(p: ArrayLike<number>): number {
  const low = [Infinity, Infinity, Infinity]
  const high = [-Infinity, -Infinity, -Infinity]
  for (let i = 0; i < p.length; i++) {
    low[i % 3] = Math.min(low[i % 3], p[i])
    high[i % 3] = Math.max(high[i % 3], p[i])
  }
  return Math.max(...high.map((h, k) => h - low[k]))
}

/** Pairs as lists by their beginning, both ways; lengths straight from point to point. */
function sorted(
  ways: readonly number[],
  bridges: readonly (readonly [number, number])[],
  points: Float64Array,
  count: number,
): Pick<SurfaceGraph, 'starts' | 'ends' | 'lengths'> {
  const links = ways.concat(bridges.flat())
  const starts = new Uint32Array(count + 1)
  for (const point of links) starts[point + 1]++
  for (let i = 1; i <= count; i++) starts[i] += starts[i - 1]
  const next = starts.slice()
  const ends = new Uint32Array(links.length)
  const lengths = new Float64Array(links.length)
  for (let i = 0; i < links.length; i += 2) {
    const [a, b] = [links[i], links[i + 1]]
    const straight = Math.hypot(
      points[3 * b] - points[3 * a],
      points[3 * b + 1] - points[3 * a + 1],
      points[3 * b + 2] - points[3 * a + 2],
    )
    const length = i < ways.length ? straight : bridgeCosts * straight
    for (const [from, to] of [
      [a, b],
      [b, a],
    ]) {
      ends[next[from]] = to
      lengths[next[from]++] = length
    }
  }
  return { starts, ends, lengths }
}

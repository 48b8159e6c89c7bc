import { clustered, dot, reachAlong, unit, type Mesh, type Vec3 } from '../../form/mesh/index.ts'
import { topBridges } from './bridges.ts'
import { cheapestPath } from './cheapestPath.ts'
import { widestGirth } from './girth.ts'
import { straightened } from './straighten.ts'
import { surfaceGraph, type SurfaceGraph } from './surfaceGraph.ts'
import { normalsOf, visibilityOf } from './visibility.ts'

/** A finer surface is looked at by its corners in cells of about a two-hundredth of its longest side. */
const mostFaces = 30_000
/** A metre in plain sight costs as much as so many that nobody sees (assumed). */
const inSight = 8
/** A metre along a crease costs so much of one on a smooth skin: it hides a line (assumed). */
const onCrease = 0.6
/** From this share of its normals lost at a vertex on it lies on a crease. */
const creased = 0.12
/** Less than this of its normals aside, and a seam lies on no side. */
const flat = 0.05
/** Silicone is hardly reached with a blade where less than this of all around is seen from a place. */
const reached = 0.3
/** A metre where no blade reaches costs so much more (assumed). */
const outOfReach = 12
/** The foot is whatever lies within this share of the height of the lowest point. */
const footShare = 0.005

/** Where a block is cut: a line on the skin of the piece, from its gate to its foot. */
export interface Seam {
  /** x, y, z of its points, in the piece's axes, m. */
  line: number[]
  /** The way out of the skin at each of them. */
  normals: number[]
  /** m, all of it. */
  length: number
  /** Where the piece is drawn out to: the side on which the seam lies. */
  out: Vec3
  /** The widest that has to pass on that way, m. */
  girth: number
}

/**
 * Where a block is cut open so that the line is hidden: the cheapest path over the skin from the gate to
 * the foot, its length counting more where it is seen from the front or where no blade reaches, and less along
 * creases; a hollow of the top it spans level, through silicone. `from` is
 * the gate's place, or absent: then it begins at the highest point; `up` is up as the piece is poured.
 * Undefined where no path leads from one to the other: the piece is in several parts.
 *
 * @example findSeam(unitCube, { up: [0, 0, 1], front: [0, -1, 0] }).girth > 3.9 // true
 */
export function findSeam(
  whole: Mesh,
  { from, up, front }: { from?: Vec3; up: Vec3; front: Vec3 },
): Seam | undefined {
  const mesh = clustered(whole, mostFaces)
  const [begin, end] = [from ? nearest(mesh, from) : highest(mesh, up), footOf(mesh, up, front)]
  const graph = surfaceGraph(mesh, topBridges(mesh, unit(up), begin))
  const [seen, behind] = [front, [-front[0], -front[1], -front[2]] as const].map((from) =>
    visibilityOf(mesh, from),
  )
  const creases = creaseCosts(mesh)
  const vertices = mesh.positions.length / 3
  const ofPoint = (values: ArrayLike<number>) => (point: number) => {
    if (point < vertices) return values[point]
    const { low, high, share } = graph.edges[point - vertices]
    return values[low] + share * (values[high] - values[low])
  }
  const costs = Float32Array.from(seen, (share, i) => {
    const open = Math.min(1, (share + behind[i]) / 2 / reached)
    return (1 + inSight * share + outOfReach * (1 - open)) * creases[i]
  })
  const path = cheapestPath(graph, begin, end, ofPoint(costs))
  if (!path) return undefined
  const line = straightened(graph, path)
  const normals = pathNormals(graph, path, normalsOf(mesh))
  const { length, aside } = alongLine(line, normals, unit(up))
  // A seam that lies on top and below alone: the piece comes out away from its face.
  const out = aside ?? unit([-front[0], -front[1], -front[2]])
  return { line: [...line], normals: normals.flat(), length, out, girth: widestGirth(whole, out) }
}

/** Its length, and the mean of the skin's normals along it, without what of it goes up or down. */
function alongLine(line: Float64Array, normals: readonly Vec3[], up: Vec3) {
  const sum = [0, 0, 0]
  let length = 0
  for (let i = 1; i < normals.length; i++) {
    const step = Math.hypot(...[0, 1, 2].map((k) => line[3 * i + k] - line[3 * i - 3 + k]))
    const normal = between(normals[i - 1], normals[i], 0.5)
    for (let k = 0; k < 3; k++) sum[k] += step * normal[k]
    length += step
  }
  const rises = dot(sum as unknown as Vec3, up)
  const aside: Vec3 = [sum[0] - rises * up[0], sum[1] - rises * up[1], sum[2] - rises * up[2]]
  return { length, aside: Math.hypot(...aside) > flat * length ? unit(aside) : undefined }
}

/** What a metre costs at each vertex for the crease that it lies on: normals that lose much of their sum. */
function creaseCosts(mesh: Mesh): Float32Array {
  const { positions: p, triangles } = mesh
  const sums = normalsOf(mesh)
  const areas = new Float64Array(p.length / 3)
  for (let t = 0; t < triangles.length; t += 3) {
    const [a, b, c] = [triangles[t], triangles[t + 1], triangles[t + 2]]
    const [u, v] = [b, c].map((to) => [0, 1, 2].map((k) => p[3 * to + k] - p[3 * a + k]))
    const area = Math.hypot(
      u[1] * v[2] - u[2] * v[1],
      u[2] * v[0] - u[0] * v[2],
      u[0] * v[1] - u[1] * v[0],
    )
    for (const corner of [a, b, c]) areas[corner] += area
  }
  return Float32Array.from(areas, (area, i) => {
    const left = Math.hypot(sums[3 * i], sums[3 * i + 1], sums[3 * i + 2])
    return area > 0 && 1 - left / area > creased ? onCrease : 1
  })
}

function pathNormals(
  { edges, points }: SurfaceGraph,
  path: readonly number[],
  normals: Float64Array,
): Vec3[] {
  const vertices = points.length / 3 - edges.length
  const normalAt = (i: number): Vec3 => {
    const normal: Vec3 = [normals[3 * i], normals[3 * i + 1], normals[3 * i + 2]]
    return Math.hypot(...normal) > 0 ? unit(normal) : [0, 0, 0]
  }
  return path.map((point) => {
    const edge = edges[point - vertices]
    if (!edge) return normalAt(point)
    const [low, high] = [normalAt(edge.low), normalAt(edge.high)]
    return between(low, high, edge.share)
  })
}

const between = (a: Vec3, b: Vec3, share: number): Vec3 => [
  a[0] + share * (b[0] - a[0]),
  a[1] + share * (b[1] - a[1]),
  a[2] + share * (b[2] - a[2]),
]

function bestVertex({ positions: p }: Mesh, score: (x: number, y: number, z: number) => number) {
  let [best, most] = [0, -Infinity]
  for (let i = 0; i < p.length / 3; i++) {
    const found = score(p[3 * i], p[3 * i + 1], p[3 * i + 2])
    if (found > most) [best, most] = [i, found]
  }
  return best
}
const nearest = (mesh: Mesh, [a, b, c]: Vec3) =>
  bestVertex(mesh, (x, y, z) => -Math.hypot(x - a, y - b, z - c))
const highest = (mesh: Mesh, [a, b, c]: Vec3) =>
  bestVertex(mesh, (x, y, z) => a * x + b * y + c * z)

/** The vertex of the foot that lies farthest from the front. */
function footOf(mesh: Mesh, up: Vec3, front: Vec3): number {
  const { low, size } = reachAlong(mesh, up)
  const limit = low + footShare * size
  return bestVertex(mesh, (x, y, z) =>
    up[0] * x + up[1] * y + up[2] * z > limit
      ? -Infinity
      : -(front[0] * x + front[1] * y + front[2] * z),
  )
}

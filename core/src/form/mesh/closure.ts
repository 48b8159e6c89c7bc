import { eachEdge, halfEdgesOf, runsDown, type HalfEdges } from './halfEdges.ts'
import { type Mesh } from './mesh.ts'
import { UnionFind } from './unionFind.ts'

/** How the edges of a welded mesh meet. A closed surface has zeros only. */
export interface Closure {
  /** Edges with one face: the rims of holes. */
  openEdges: number
  /** Rims that hang together. */
  holes: number
  /** Edges with more than two faces: parts that touch or cross. */
  tangledEdges: number
  /** Edges whose two faces look to opposite sides. */
  flippedEdges: number
}

/**
 * Whether the surface is closed, and where not. `mesh` must be welded.
 *
 * @example closureOf(cube) // { openEdges: 0, holes: 0, tangledEdges: 0, flippedEdges: 0 }
 */
export function closureOf(mesh: Mesh, edges: HalfEdges = halfEdgesOf(mesh)): Closure {
  const closure: Closure = { openEdges: 0, holes: 0, tangledEdges: 0, flippedEdges: 0 }
  const rims: number[] = []
  eachEdge(edges, (low, high, from, to) => {
    if (to - from === 1) rims.push(low, high)
    else if (to - from > 2) closure.tangledEdges++
    else {
      const [one, other] = [edges.sorted[from], edges.sorted[from + 1]]
      if (runsDown(mesh.triangles, one) === runsDown(mesh.triangles, other)) closure.flippedEdges++
    }
  })
  closure.openEdges = rims.length / 2
  closure.holes = rims.length > 0 ? partsOf(rims, mesh.positions.length / 3) : 0
  return closure
}

export const isClosed = (closure: Closure): boolean =>
  closure.openEdges === 0 && closure.tangledEdges === 0 && closure.flippedEdges === 0

/**
 * The rims of all holes as segments, from and to, x, y, z in metres: six numbers an edge with one
 * face. Empty where the surface is closed. `mesh` must be welded.
 *
 * @example openRims(cubeOfSide(1)).length // 0
 */
export function openRims({ positions, triangles }: Mesh): Float32Array<ArrayBuffer> {
  const rims: number[] = []
  eachEdge(halfEdgesOf({ positions, triangles }), (low, high, from, to) => {
    if (to - from > 1) return
    for (const vertex of [low, high]) rims.push(...positions.subarray(3 * vertex, 3 * vertex + 3))
  })
  return Float32Array.from(rims)
}

/** How many parts the edges given as pairs of vertices hang together in. */
function partsOf(pairs: readonly number[], vertices: number): number {
  const sets = new UnionFind(vertices)
  for (let i = 0; i < pairs.length; i += 2) sets.join(pairs[i], pairs[i + 1])
  return new Set(pairs.map((vertex) => sets.root(vertex))).size
}

import { type Mesh } from './mesh.ts'

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
 * Half-edges are bucketed by their lower vertex; within a bucket, sorting brings the two
 * sides of an edge together.
 *
 * @example closureOf(cube) // { openEdges: 0, holes: 0, tangledEdges: 0, flippedEdges: 0 }
 */
export function closureOf(mesh: Mesh): Closure {
  const { starts, keys } = bucketHalfEdges(mesh)
  const closure: Closure = { openEdges: 0, holes: 0, tangledEdges: 0, flippedEdges: 0 }
  const rims = new Rims()
  for (let low = 0; low + 1 < starts.length; low++) {
    const from = starts[low]
    const to = starts[low + 1]
    sortRange(keys, from, to)
    for (let i = from; i < to;) {
      const high = Math.floor(keys[i] / 2)
      let faces = 0
      let backward = 0
      while (i < to && Math.floor(keys[i] / 2) === high) {
        backward += keys[i] % 2
        faces++
        i++
      }
      if (faces === 1) {
        closure.openEdges++
        rims.join(low, high)
      } else if (faces > 2) closure.tangledEdges++
      else if (backward !== 1) closure.flippedEdges++
    }
  }
  closure.holes = rims.count()
  return closure
}

export const isClosed = (closure: Closure): boolean =>
  closure.openEdges === 0 && closure.tangledEdges === 0 && closure.flippedEdges === 0

/** Each half-edge as `2·higher + (runs downward)`, in the bucket of its lower vertex. */
function bucketHalfEdges({ positions, triangles }: Mesh): {
  starts: Uint32Array
  keys: Float64Array
} {
  const starts = new Uint32Array(positions.length / 3 + 1)
  for (let i = 0; i < triangles.length; i += 3) {
    for (let k = 0; k < 3; k++) {
      starts[Math.min(triangles[i + k], triangles[i + ((k + 1) % 3)]) + 1]++
    }
  }
  for (let v = 1; v < starts.length; v++) starts[v] += starts[v - 1]
  const next = starts.slice()
  const keys = new Float64Array(triangles.length)
  for (let i = 0; i < triangles.length; i += 3) {
    for (let k = 0; k < 3; k++) {
      const a = triangles[i + k]
      const b = triangles[i + ((k + 1) % 3)]
      if (a < b) keys[next[a]++] = 2 * b
      else keys[next[b]++] = 2 * a + 1
    }
  }
  return { starts, keys }
}

/** Buckets hold about three keys; the hub of a fan can hold thousands. */
function sortRange(keys: Float64Array, from: number, to: number): void {
  if (to - from > 32) {
    keys.subarray(from, to).sort()
    return
  }
  for (let i = from + 1; i < to; i++) {
    const key = keys[i]
    let j = i - 1
    while (j >= from && keys[j] > key) {
      keys[j + 1] = keys[j]
      j--
    }
    keys[j + 1] = key
  }
}

/** Union-find over the vertices of open edges. */
class Rims {
  private readonly parent = new Map<number, number>()

  join(a: number, b: number): void {
    this.parent.set(this.root(a), this.root(b))
  }

  count(): number {
    let roots = 0
    for (const vertex of this.parent.keys()) if (this.root(vertex) === vertex) roots++
    return roots
  }

  private root(vertex: number): number {
    let at = vertex
    for (;;) {
      const up = this.parent.get(at)
      if (up === undefined) this.parent.set(at, at)
      if (up === undefined || up === at) break
      at = up
    }
    if (at !== vertex) this.parent.set(vertex, at)
    return at
  }
}

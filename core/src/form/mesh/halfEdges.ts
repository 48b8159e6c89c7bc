import type { Mesh } from './mesh.ts'

/**
 * Half-edges of a mesh gathered by the edge they lie on. Half-edge `i` runs from the vertex
 * `triangles[i]` to the next one of its face. `starts` gives each vertex its bucket: the
 * half-edges whose lower end it is, sorted so that those of one edge follow one another.
 */
export interface HalfEdges {
  starts: Uint32Array
  /** Half-edge numbers, bucket by bucket. */
  sorted: Uint32Array
  /** The higher vertex of each, in the same order. */
  higher: Uint32Array
}

export const nextInFace = (halfEdge: number): number =>
  halfEdge % 3 === 2 ? halfEdge - 2 : halfEdge + 1

/** Whether a half-edge runs from its higher vertex to its lower. */
export const runsDown = (triangles: Uint32Array, halfEdge: number): boolean =>
  triangles[halfEdge] > triangles[nextInFace(halfEdge)]

export function halfEdgesOf({ positions, triangles }: Mesh): HalfEdges {
  const starts = new Uint32Array(positions.length / 3 + 1)
  for (let i = 0; i < triangles.length; i++) {
    starts[Math.min(triangles[i], triangles[nextInFace(i)]) + 1]++
  }
  for (let v = 1; v < starts.length; v++) starts[v] += starts[v - 1]
  const next = starts.slice()
  // higher · count + half-edge: both fit into the 53 bits of a double.
  const count = triangles.length
  const keys = new Float64Array(count)
  for (let i = 0; i < count; i++) {
    const a = triangles[i]
    const b = triangles[nextInFace(i)]
    keys[next[Math.min(a, b)]++] = Math.max(a, b) * count + i
  }
  for (let v = 0; v + 1 < starts.length; v++) sortRange(keys, starts[v], starts[v + 1])
  const sorted = new Uint32Array(count)
  const higher = new Uint32Array(count)
  for (let i = 0; i < count; i++) {
    higher[i] = Math.floor(keys[i] / count)
    sorted[i] = keys[i] - higher[i] * count
  }
  return { starts, sorted, higher }
}

/** Hears each edge: its two vertices and where its half-edges stand in `sorted`. */
export function eachEdge(
  { starts, higher }: HalfEdges,
  hear: (low: number, high: number, from: number, to: number) => void,
): void {
  for (let low = 0; low + 1 < starts.length; low++) {
    const end = starts[low + 1]
    for (let i = starts[low]; i < end;) {
      const from = i
      const high = higher[i]
      while (i < end && higher[i] === high) i++
      hear(low, high, from, i)
    }
  }
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

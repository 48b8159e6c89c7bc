import { triangleCount, type Mesh } from './mesh.ts'

/** Cells along the longest side to begin with; fewer until few enough faces are left. */
const finest = 320
/** Fewer by at least this. */
const step = 0.9

/**
 * The same surface with at most about `most` triangles, for drawing: corners that share a cell of
 * a grid become one at their mean, faces that fold onto an edge go. Not for measuring.
 * Source: vertex clustering, Rossignac and Borrel, 1993.
 */
export function clustered(mesh: Mesh, most: number): Mesh {
  if (triangleCount(mesh) <= most) return mesh
  for (let cells = finest; ;) {
    const made = cluster(mesh, cells)
    const count = triangleCount(made)
    if (count <= most || cells < 8) return made
    // Faces go with the square of the cells, or stay as they are while cells are finer than they.
    cells = Math.floor(cells * Math.min(step, Math.sqrt(most / count)))
  }
}

function cluster({ positions: p, triangles }: Mesh, cells: number): Mesh {
  const low = [Infinity, Infinity, Infinity]
  const high = [-Infinity, -Infinity, -Infinity]
  for (let i = 0; i < p.length; i++) {
    if (p[i] < low[i % 3]) low[i % 3] = p[i]
    if (p[i] > high[i % 3]) high[i % 3] = p[i]
  }
  const side = Math.max(...high.map((h, k) => h - low[k])) / cells
  const wide = cells + 2
  const known = new Map<number, number>()
  const sums: number[] = []
  const vertexOf = new Uint32Array(p.length / 3)
  for (let v = 0; v < vertexOf.length; v++) {
    const x = Math.floor((p[3 * v] - low[0]) / side)
    const y = Math.floor((p[3 * v + 1] - low[1]) / side)
    const z = Math.floor((p[3 * v + 2] - low[2]) / side)
    const key = (x * wide + y) * wide + z
    let index = known.get(key)
    if (index === undefined) {
      index = sums.length / 4
      known.set(key, index)
      sums.push(0, 0, 0, 0)
    }
    for (let k = 0; k < 3; k++) sums[4 * index + k] += p[3 * v + k]
    sums[4 * index + 3]++
    vertexOf[v] = index
  }
  const positions = new Float32Array((sums.length / 4) * 3)
  for (let i = 0; i < positions.length / 3; i++) {
    for (let k = 0; k < 3; k++) positions[3 * i + k] = sums[4 * i + k] / sums[4 * i + 3]
  }
  const kept: number[] = []
  for (let i = 0; i < triangles.length; i += 3) {
    const a = vertexOf[triangles[i]]
    const b = vertexOf[triangles[i + 1]]
    const c = vertexOf[triangles[i + 2]]
    if (a !== b && b !== c && c !== a) kept.push(a, b, c)
  }
  return { positions, triangles: Uint32Array.from(kept) }
}

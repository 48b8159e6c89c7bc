import { triangleCount, type Mesh } from './mesh.ts'
import { uniqueTriples, wholeTriangles } from './weld.ts'

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
  const places = new Uint32Array(p.length)
  for (let i = 0; i < p.length; i++) places[i] = (p[i] - low[i % 3]) / side
  const { vertexOf, unique } = uniqueTriples(places)
  const sums = new Float64Array(unique.length)
  const counts = new Uint32Array(unique.length / 3)
  for (let v = 0; v < vertexOf.length; v++) {
    const made = vertexOf[v]
    for (let k = 0; k < 3; k++) sums[3 * made + k] += p[3 * v + k]
    counts[made]++
  }
  const positions = new Float32Array(sums.length)
  for (let i = 0; i < sums.length; i++) positions[i] = sums[i] / counts[Math.floor(i / 3)]
  return { positions, triangles: wholeTriangles(triangles, vertexOf) }
}

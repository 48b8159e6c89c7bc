import { inCells, type Grid } from '../../form/cells/index.ts'
import { dot, type Mesh, type Vec3 } from '../../form/mesh/index.ts'

/** A side that leans less than this stands upright: it draws either way, sine of 2° (common practice, no source). */
const upright = Math.sin((2 * Math.PI) / 180)

/**
 * Between which heights, in rows from the lowest of the piece, its surface turns from looking up to
 * looking down, for every column of the grid that such a place lies in: edges between faces that look
 * up and faces that look down, and sides that stand upright. NaN elsewhere.
 *
 * @example silhouetteHeights(unitCube, gridOfUnitCube).low.includes(0) // true (its sides stand upright)
 */
export function silhouetteHeights(
  mesh: Mesh,
  grid: Grid,
): { low: Float32Array; high: Float32Array } {
  const { positions: p, triangles } = mesh
  const [nx, ny] = grid.counts
  const low = new Float32Array(nx * ny).fill(NaN)
  const high = new Float32Array(nx * ny).fill(NaN)
  const mark = (x: number, y: number, row: number) => {
    const at = y * nx + x
    if (!(low[at] <= row)) low[at] = row
    if (!(high[at] >= row)) high[at] = row
  }
  const cornerOf = (v: number): Vec3 => inCells(grid, [p[3 * v], p[3 * v + 1], p[3 * v + 2]])
  const along = (a: number, b: number) => {
    const [from, to] = [cornerOf(a), cornerOf(b)]
    const steps = 1 + Math.ceil(Math.max(Math.abs(to[0] - from[0]), Math.abs(to[1] - from[1])))
    for (let s = 0; s <= steps; s++) {
      const [x, y, z] = from.map((value, k) => value + (s / steps) * (to[k] - value))
      // The rim of the grid lies below the piece: its lowest point is half a row into cell 1.
      mark(Math.round(x), Math.round(y), z - 0.5)
    }
  }
  const looks = facesUp(mesh, grid.axes.up)
  const before = new Map<number, number>()
  const vertices = p.length / 3
  for (let t = 0; t < triangles.length; t += 3) {
    const face = looks[t / 3]
    for (let k = 0; k < 3; k++) {
      const [a, b] = [triangles[t + k], triangles[t + ((k + 1) % 3)]]
      const edge = Math.min(a, b) * vertices + Math.max(a, b)
      const other = before.get(edge)
      if (other === undefined) before.set(edge, face)
      else before.delete(edge)
      if (other !== undefined && (face === 0 || other !== face)) along(a, b)
    }
  }
  return { low, high }
}

/** Of each face whether it looks up (1), down (−1) or to the side (0). */
function facesUp({ positions: p, triangles }: Mesh, up: Vec3): Int8Array {
  return Int8Array.from({ length: triangles.length / 3 }, (_, face) => {
    const [a, b, c] = [0, 1, 2].map((k) => 3 * triangles[3 * face + k])
    const [u, v] = [b, c].map((to): Vec3 => [
      p[to] - p[a],
      p[to + 1] - p[a + 1],
      p[to + 2] - p[a + 2],
    ])
    const normal: Vec3 = [
      u[1] * v[2] - u[2] * v[1],
      u[2] * v[0] - u[0] * v[2],
      u[0] * v[1] - u[1] * v[0],
    ]
    const rise = dot(normal, up)
    return Math.abs(rise) <= upright * Math.hypot(...normal) ? 0 : Math.sign(rise)
  })
}

import { type Mesh } from './mesh.ts'
import type { Vec3 } from './vector.ts'

export interface Measures {
  /** m³, negative when the surface is inside out. */
  volume: number
  /** m² */
  area: number
  low: Vec3
  high: Vec3
  /** ± m³: how far the holes of an open surface leave the volume unknown; near 0 if closed. */
  volumeBand: number
}

/** From corner to corner of a box, m. @example diagonalOf({ low: [0, 0, 0], high: [2, 3, 6] }) // 7 */
export const diagonalOf = ({ low, high }: Pick<Measures, 'low' | 'high'>): number =>
  Math.hypot(high[0] - low[0], high[1] - low[1], high[2] - low[2])

/**
 * Volume (divergence theorem: the sum of signed tetrahedra), area and bounds.
 * The band is |Σ vector area| × diagonal / 3: what moving the reference point within the
 * bounds can change the volume by. It vanishes on a closed surface.
 *
 * @example measure(unitCube).volume // 1
 */
export function measure(mesh: Mesh): Measures {
  const { positions: p, triangles } = mesh
  const { low, high } = bounds(mesh)
  const cx = (low[0] + high[0]) / 2
  const cy = (low[1] + high[1]) / 2
  const cz = (low[2] + high[2]) / 2
  let volume = 0
  let area = 0
  let sx = 0
  let sy = 0
  let sz = 0
  for (let i = 0; i < triangles.length; i += 3) {
    const a = 3 * triangles[i]
    const b = 3 * triangles[i + 1]
    const c = 3 * triangles[i + 2]
    const ax = p[a] - cx
    const ay = p[a + 1] - cy
    const az = p[a + 2] - cz
    const ux = p[b] - cx - ax
    const uy = p[b + 1] - cy - ay
    const uz = p[b + 2] - cz - az
    const vx = p[c] - cx - ax
    const vy = p[c + 1] - cy - ay
    const vz = p[c + 2] - cz - az
    const nx = uy * vz - uz * vy
    const ny = uz * vx - ux * vz
    const nz = ux * vy - uy * vx
    volume += ax * nx + ay * ny + az * nz
    area += Math.sqrt(nx * nx + ny * ny + nz * nz)
    sx += nx
    sy += ny
    sz += nz
  }
  return {
    volume: volume / 6,
    area: area / 2,
    low,
    high,
    volumeBand: (Math.hypot(sx, sy, sz) / 2 / 3) * diagonalOf({ low, high }),
  }
}

function bounds({ positions: p }: Mesh): { low: Vec3; high: Vec3 } {
  let [x0, y0, z0] = [Infinity, Infinity, Infinity]
  let [x1, y1, z1] = [-Infinity, -Infinity, -Infinity]
  for (let i = 0; i < p.length; i += 3) {
    const x = p[i]
    const y = p[i + 1]
    const z = p[i + 2]
    if (x < x0) x0 = x
    if (x > x1) x1 = x
    if (y < y0) y0 = y
    if (y > y1) y1 = y
    if (z < z0) z0 = z
    if (z > z1) z1 = z
  }
  return { low: [x0, y0, z0], high: [x1, y1, z1] }
}

import { unit, type Vec3 } from '../../mesh/vector.ts'
import type { Mesh } from '../../mesh/mesh.ts'

/** Flatter than this a ceiling holds a film of air (common practice, no source), degrees. */
const flatterThan = 3

export interface Ceilings {
  /** m² of near-level faces under which a film of air can stay. */
  area: number
  /** Height of the largest of them above the lowest point, m. */
  height: number
}

/**
 * Near-level ceilings of the cavity: faces of the piece that look up. A slow fill lets their air
 * creep away or not; pockets cannot tell, so their area is said.
 *
 * @example ceilings(stool, legsUp).area // 0.001088 (m²)
 */
export function ceilings(mesh: Mesh, direction: Vec3): Ceilings {
  const up = unit(direction)
  const { positions: p, triangles } = mesh
  const flat = Math.cos((flatterThan * Math.PI) / 180)
  const byHeight = new Map<number, number>()
  let area = 0
  let low = Infinity
  for (let i = 0; i < p.length; i += 3) {
    low = Math.min(low, p[i] * up[0] + p[i + 1] * up[1] + p[i + 2] * up[2])
  }
  for (let t = 0; t < triangles.length; t += 3) {
    const [a, b, c] = [3 * triangles[t], 3 * triangles[t + 1], 3 * triangles[t + 2]]
    const [ux, uy, uz] = [p[b] - p[a], p[b + 1] - p[a + 1], p[b + 2] - p[a + 2]]
    const [vx, vy, vz] = [p[c] - p[a], p[c + 1] - p[a + 1], p[c + 2] - p[a + 2]]
    const [nx, ny, nz] = [uy * vz - uz * vy, uz * vx - ux * vz, ux * vy - uy * vx]
    const size = Math.sqrt(nx * nx + ny * ny + nz * nz)
    if (nx * up[0] + ny * up[1] + nz * up[2] < flat * size || size === 0) continue
    area += size / 2
    const height = p[a] * up[0] + p[a + 1] * up[1] + p[a + 2] * up[2] - low
    const key = Math.round(height * 1e4)
    byHeight.set(key, (byHeight.get(key) ?? 0) + size / 2)
  }
  const largest = [...byHeight].sort((x, y) => y[1] - x[1])[0]
  return { area, height: largest ? largest[0] / 1e4 : 0 }
}

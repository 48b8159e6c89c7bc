import type { Axes } from './axes.ts'
import type { Mesh } from './mesh.ts'
import type { Vec3 } from './vector.ts'

/**
 * How far a mesh reaches along one direction, m: where it begins, and how long it is.
 *
 * @example reachAlong(unitCube, [0, 0, 1]) // { low: 0, size: 1 }
 */
export function reachAlong({ positions: p }: Mesh, [x, y, z]: Vec3): { low: number; size: number } {
  let low = Infinity
  let high = -Infinity
  for (let i = 0; i < p.length; i += 3) {
    const along = p[i] * x + p[i + 1] * y + p[i + 2] * z
    if (along < low) low = along
    if (along > high) high = along
  }
  return { low, size: high - low }
}

/**
 * How far a mesh reaches along a frame's axes, m.
 *
 * @example boundsAlong(unitCube, axesFor([0, 0, 1])).size // [1, 1, 1]
 */
export function boundsAlong(mesh: Mesh, axes: Axes): { low: Vec3; size: Vec3 } {
  const [x, y, z] = [axes.right, axes.away, axes.up].map((axis) => reachAlong(mesh, axis))
  return { low: [x.low, y.low, z.low], size: [x.size, y.size, z.size] }
}

/**
 * How far each corner of a surface lies along a direction, m.
 *
 * @example distancesAlong(unitCube, [0, 0, 1]).length // 8
 */
export function distancesAlong({ positions: p }: Mesh, [x, y, z]: Vec3): Float64Array {
  const found = new Float64Array(p.length / 3)
  for (let i = 0; i < found.length; i++)
    found[i] = x * p[3 * i] + y * p[3 * i + 1] + z * p[3 * i + 2]
  return found
}

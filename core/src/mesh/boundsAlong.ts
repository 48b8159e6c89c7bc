import type { Axes } from './axes.ts'
import type { Mesh } from './mesh.ts'
import type { Vec3 } from './vector.ts'

/**
 * How far a mesh reaches along a frame's axes, m.
 *
 * @example boundsAlong(unitCube, axesFor([0, 0, 1])).size // [1, 1, 1]
 */
export function boundsAlong({ positions: p }: Mesh, axes: Axes): { low: Vec3; size: Vec3 } {
  const reach = [axes.right, axes.away, axes.up].map(([x, y, z]) => {
    let low = Infinity
    let high = -Infinity
    for (let i = 0; i < p.length; i += 3) {
      const along = p[i] * x + p[i + 1] * y + p[i + 2] * z
      if (along < low) low = along
      if (along > high) high = along
    }
    return [low, high - low] as const
  })
  return {
    low: reach.map(([low]) => low) as unknown as Vec3,
    size: reach.map(([, size]) => size) as unknown as Vec3,
  }
}

import { angleBetween } from '../form/cells/index.ts'
import type { Vec3 } from '../form/mesh/index.ts'

/** How a mould is held while it is poured, beside how its master stood in the box. */
export interface Held {
  as: 'as it stood' | 'turned over' | 'tilted'
  /** Between the two, rad. */
  angle: number
}

/** What no hand can see of a tilt, rad: half a degree. */
const unseen = Math.PI / 360

/**
 * How a mould is held whose pour points `up` where its master pointed `masterUp`.
 *
 * @example heldAs([0, 0, -1], [0, 0, 1]).as // 'turned over'
 */
export function heldAs(up: Vec3, masterUp: Vec3): Held {
  const angle = angleBetween(up, masterUp)
  if (angle < unseen) return { as: 'as it stood', angle }
  return { as: angle > Math.PI - unseen ? 'turned over' : 'tilted', angle }
}

/**
 * Which way a mould is pulled apart, seen from how its master stands: how far from straight up,
 * rad, whichever end is up, and along which axis of the piece where it is one.
 *
 * @example pullWay([1, 0, 0], [0, 0, 1]).axis // 'x'
 */
export function pullWay(
  direction: Vec3,
  masterUp: Vec3,
): { angle: number; straight: boolean; axis?: 'x' | 'y' | 'z' } {
  const off = angleBetween(direction, masterUp)
  const angle = Math.min(off, Math.PI - off)
  const axis = (['x', 'y', 'z'] as const).find((_, i) => Math.abs(direction[i]) > 0.999)
  return { angle, straight: angle < 2 * unseen, axis }
}

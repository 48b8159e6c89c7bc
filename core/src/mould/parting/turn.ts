import { axesFor, cross, dot, unit, type Vec3 } from '../../form/mesh/index.ts'

/** Nearer to upright than this its side is any. */
const upright = 1e-6

/**
 * A direction turned by hand: about the upright of a frame, and up or down towards it, radians.
 *
 * @example turnedPull([1, 0, 0], [0, 0, 1], { about: 0, up: Math.PI / 2 })[2] // 1
 */
export function turnedPull(
  direction: Vec3,
  upwards: Vec3,
  { about, up }: { about: number; up: number },
): Vec3 {
  const frame = axesFor(upwards)
  const turned = rotated(unit(direction), frame.up, about)
  const side = cross(turned, frame.up)
  const axis = Math.hypot(...side) > upright ? unit(side) : frame.right
  return rotated(turned, axis, up)
}

/** Rodrigues' rotation of a vector about an axis of length 1. */
function rotated(v: Vec3, axis: Vec3, angle: number): Vec3 {
  const [c, s] = [Math.cos(angle), Math.sin(angle)]
  const across = cross(axis, v)
  const along = dot(axis, v) * (1 - c)
  return [0, 1, 2].map((k) => v[k] * c + across[k] * s + axis[k] * along) as unknown as Vec3
}

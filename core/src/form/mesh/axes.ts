import { cross, unit, type Vec3 } from './vector.ts'

/** A right-handed frame that stands on the bench: right, away and up, each of length 1. */
export interface Axes {
  right: Vec3
  away: Vec3
  up: Vec3
}

/**
 * The frame with `up` against gravity, turned by `turn` radians about it. The cutaway lies in
 * its right-up plane.
 *
 * Throws `Problem('not-a-direction')`.
 *
 * @example axesFor([0, 0, 1]).right // [1, 0, 0]
 */
export function axesFor(direction: Vec3, turn = 0): Axes {
  const up = unit(direction)
  const steep = Math.abs(up[2]) > 0.9
  const aside: Vec3 = steep ? [1, 0, 0] : [0, 0, 1]
  const first = unit(steep ? cross(cross(up, aside), up) : cross(aside, up))
  const second = cross(up, first)
  const [c, s] = [Math.cos(turn), Math.sin(turn)]
  const right: Vec3 = [
    c * first[0] + s * second[0],
    c * first[1] + s * second[1],
    c * first[2] + s * second[2],
  ]
  return { right, away: cross(up, right), up }
}

/** A point given along the frame's axes, in the piece's own. */
export const fromAxes = ({ right, away, up }: Axes, [r, a, u]: Vec3): Vec3 => [
  r * right[0] + a * away[0] + u * up[0],
  r * right[1] + a * away[1] + u * up[1],
  r * right[2] + a * away[2] + u * up[2],
]

/** A point of the piece along the frame's axes. */
export const toAxes = ({ right, away, up }: Axes, [x, y, z]: Vec3): Vec3 => [
  x * right[0] + y * right[1] + z * right[2],
  x * away[0] + y * away[1] + z * away[2],
  x * up[0] + y * up[1] + z * up[2],
]

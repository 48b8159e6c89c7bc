import type { Vec3 } from '@mivro/core/form/mesh'

/** The sides of a shape as it stands in its file, by the axis that each faces. */
export const sides = {
  Top: [0, 0, 1],
  Bottom: [0, 0, -1],
  Front: [0, -1, 0],
  Back: [0, 1, 0],
  Left: [-1, 0, 0],
  Right: [1, 0, 0],
} as const satisfies Record<string, Vec3>
export type Side = keyof typeof sides

/** The side that a direction is straight out of, if it is one. */
export const sideOf = (up: Vec3): Side | undefined =>
  (Object.keys(sides) as Side[]).find((side) => sides[side].every((x, i) => x === up[i]))

import { Problem } from '../../base/problem/index.ts'

export type Vec3 = readonly [number, number, number]

export const dot = (a: Vec3, b: Vec3): number => a[0] * b[0] + a[1] * b[1] + a[2] * b[2]

export const cross = (a: Vec3, b: Vec3): Vec3 => [
  a[1] * b[2] - a[2] * b[1],
  a[2] * b[0] - a[0] * b[2],
  a[0] * b[1] - a[1] * b[0],
]

/** Length 1, same direction. Throws `Problem('not-a-direction')` for the null vector. */
export function unit(v: Vec3): Vec3 {
  const length = Math.hypot(v[0], v[1], v[2])
  if (!(length > 0) || !Number.isFinite(length)) throw new Problem('not-a-direction', {})
  return [v[0] / length, v[1] / length, v[2] / length]
}

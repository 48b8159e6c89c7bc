import type { Mesh } from '../../mesh/mesh.ts'
import { unit, type Vec3 } from '../../mesh/vector.ts'

/** Sweeps of Jacobi rotations; a 3 x 3 matrix settles in six. */
const sweeps = 8

/** The three principal directions of the corners, longest first (Jacobi eigenvectors). */
export function principalDirections({ positions: p }: Mesh): Vec3[] {
  const count = p.length / 3
  const mean = [0, 0, 0]
  for (let i = 0; i < p.length; i++) mean[i % 3] += p[i] / count
  const a = [0, 1, 2].map((r) =>
    [0, 1, 2].map((c) => {
      let sum = 0
      for (let i = 0; i < p.length; i += 3) sum += (p[i + r] - mean[r]) * (p[i + c] - mean[c])
      return sum
    }),
  )
  const v = [
    [1, 0, 0],
    [0, 1, 0],
    [0, 0, 1],
  ]
  for (let sweep = 0; sweep < sweeps; sweep++) {
    for (const [i, j] of [
      [0, 1],
      [0, 2],
      [1, 2],
    ]) {
      if (Math.abs(a[i][j]) < 1e-30) continue
      const angle = Math.atan2(2 * a[i][j], a[j][j] - a[i][i]) / 2
      rotate(a, v, i, j, Math.cos(angle), Math.sin(angle))
    }
  }
  return [0, 1, 2].sort((i, j) => a[j][j] - a[i][i]).map((i) => unit([v[0][i], v[1][i], v[2][i]]))
}

function rotate(a: number[][], v: number[][], i: number, j: number, c: number, s: number): void {
  for (let k = 0; k < 3; k++) {
    const [x, y] = [a[k][i], a[k][j]]
    a[k][i] = c * x - s * y
    a[k][j] = s * x + c * y
  }
  for (let k = 0; k < 3; k++) {
    const [x, y] = [a[i][k], a[j][k]]
    a[i][k] = c * x - s * y
    a[j][k] = s * x + c * y
    const [m, n] = [v[k][i], v[k][j]]
    v[k][i] = c * m - s * n
    v[k][j] = s * m + c * n
  }
}

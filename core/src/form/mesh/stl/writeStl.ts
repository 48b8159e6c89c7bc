import type { Mesh } from '../mesh.ts'
import { triangleCount } from '../mesh.ts'
import { headerBytes, triangleBytes } from './inspect.ts'

/**
 * A mesh as binary STL. `unit` is metres per file unit (0.001 writes millimetres).
 * Normals are computed; the attribute bytes are zero.
 */
export function writeStl(mesh: Mesh, unit = 0.001): Uint8Array {
  const triangles = triangleCount(mesh)
  const bytes = new Uint8Array(headerBytes + triangles * triangleBytes)
  bytes.set([...'binary STL, millimetres'].map((letter) => letter.charCodeAt(0)))
  const view = new DataView(bytes.buffer)
  view.setUint32(80, triangles, true)
  const corner = (t: number, k: number) =>
    [0, 1, 2].map((axis) => mesh.positions[3 * mesh.triangles[3 * t + k] + axis] / unit)
  for (let t = 0; t < triangles; t++) {
    const [a, b, c] = [corner(t, 0), corner(t, 1), corner(t, 2)]
    const values = [...normal(a, b, c), ...a, ...b, ...c]
    values.forEach((value, i) =>
      view.setFloat32(headerBytes + t * triangleBytes + 4 * i, value, true),
    )
  }
  return bytes
}

function normal(a: number[], b: number[], c: number[]): number[] {
  const [u, v] = [b.map((x, i) => x - a[i]), c.map((x, i) => x - a[i])]
  const n = [u[1] * v[2] - u[2] * v[1], u[2] * v[0] - u[0] * v[2], u[0] * v[1] - u[1] * v[0]]
  const length = Math.hypot(...n) || 1
  return n.map((x) => x / length)
}

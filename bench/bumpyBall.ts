import type { Mesh } from '../core/src/form/mesh/index.ts'

/** A closed ball with waves on it and at least `wanted` triangles, 60 mm across, in metres. */
export function bumpyBall(wanted: number): Mesh {
  const around = Math.ceil(Math.sqrt(wanted))
  const rings = Math.ceil(wanted / (2 * around))
  const positions: number[] = [0, 0, -0.03]
  for (let r = 1; r <= rings; r++) {
    const polar = (Math.PI * r) / (rings + 1)
    for (let i = 0; i < around; i++) {
      const azimuth = (2 * Math.PI * i) / around
      const radius = 0.03 * (1 + 0.04 * Math.sin(9 * azimuth) * Math.sin(7 * polar))
      positions.push(
        radius * Math.sin(polar) * Math.cos(azimuth),
        radius * Math.sin(polar) * Math.sin(azimuth),
        -radius * Math.cos(polar),
      )
    }
  }
  const top = positions.push(0, 0, 0.03) / 3 - 1
  const at = (r: number, i: number) => 1 + (r - 1) * around + (i % around)
  const triangles: number[] = []
  for (let i = 0; i < around; i++) triangles.push(0, at(1, i + 1), at(1, i))
  for (let r = 1; r < rings; r++) {
    for (let i = 0; i < around; i++) {
      triangles.push(
        at(r, i),
        at(r, i + 1),
        at(r + 1, i + 1),
        at(r, i),
        at(r + 1, i + 1),
        at(r + 1, i),
      )
    }
  }
  for (let i = 0; i < around; i++) triangles.push(at(rings, i), at(rings, i + 1), top)
  return { positions: Float64Array.from(positions), triangles: Uint32Array.from(triangles) }
}

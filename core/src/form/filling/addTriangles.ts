import type { Mesh } from '../mesh/mesh.ts'
import type { Vec3 } from '../mesh/vector.ts'
import { levelOf, stride, type Sums } from './levels.ts'
import { addLower, addUpper, integral, share } from './triangle.ts'

/**
 * Goes once over the triangles: sorts the heights of each that is not upright, adds it to the
 * sums of the levels, and notes the levels of its three vertices.
 */
export function addTriangles(
  { positions: p, triangles }: Mesh,
  up: Vec3,
  base: number,
  step: number,
  sums: Sums,
) {
  const [ux, uy, uz] = up
  const { below, belowMoment, crossing, areas, volumes, starts } = sums
  const perStep = 1 / step
  const count = triangles.length / 3
  const sorted = new Float64Array(count * stride)
  const spans = new Uint16Array(count * 3)
  let kept = 0
  for (let t = 0; t < count; t++) {
    const a = 3 * triangles[3 * t]
    const b = 3 * triangles[3 * t + 1]
    const c = 3 * triangles[3 * t + 2]
    const ax = p[a]
    const ay = p[a + 1]
    const az = p[a + 2]
    const bx = p[b]
    const by = p[b + 1]
    const bz = p[b + 2]
    const cx = p[c]
    const cy = p[c + 1]
    const cz = p[c + 2]
    const x1 = bx - ax
    const y1 = by - ay
    const w1 = bz - az
    const x2 = cx - ax
    const y2 = cy - ay
    const w2 = cz - az
    const P = ((y1 * w2 - w1 * y2) * ux + (w1 * x2 - x1 * w2) * uy + (x1 * y2 - y1 * x2) * uz) / 2
    if (P === 0) continue
    const za = ax * ux + ay * uy + az * uz - base
    const zb = bx * ux + by * uy + bz * uz - base
    const zc = cx * ux + cy * uy + cz * uz - base
    const low = za < zb ? za : zb
    const high = za < zb ? zb : za
    const z1 = low < zc ? low : zc
    const z2 = zc < low ? low : zc < high ? zc : high
    const z3 = high > zc ? high : zc
    const k1 = levelOf(z1, perStep)
    const k2 = levelOf(z2, perStep)
    const k3 = levelOf(z3, perStep)
    const to = kept * stride
    sorted[to] = z1
    sorted[to + 1] = z2
    sorted[to + 2] = z3
    sorted[to + 3] = P
    spans[3 * kept] = k1
    spans[3 * kept + 1] = k2
    spans[3 * kept + 2] = k3
    kept++
    starts[k1 + 1]++
    if (k2 !== k1) starts[k2 + 1]++
    if (k3 !== k2) starts[k3 + 1]++
    below[k3 + 1] += P
    belowMoment[k3 + 1] += (P * (z1 + z2 + z3)) / 3
    if (k2 !== k1) {
      areas[k2] += P * share(z1, z2, z3, k2 * step)
      volumes[k2] += P * integral(z1, z2, z3, k2 * step)
    } else if (z1 === z3 && z1 === k1 * step) areas[k1] += P
    if (k3 !== k2) {
      areas[k3] += P * share(z1, z2, z3, k3 * step)
      volumes[k3] += P * integral(z1, z2, z3, k3 * step)
    }
    if (k2 - k1 > 1) addLower(crossing, P, z1, z2, z3, k1 + 1, k2, step)
    if (k3 - k2 > 1) addUpper(crossing, P, z1, z2, z3, k2 + 1, k3, step)
  }
  return { sorted: sorted.subarray(0, kept * stride), spans: spans.subarray(0, kept * 3) }
}

import type { Mesh } from '../../form/mesh/index.ts'

/** A fine pad reaches into hollows that are wider than this, m (common practice, no source). */
const pad = 0.003

/** What a pad leaves is spread so far between neighbours, at most so often. */
const mostSpread = 8

/**
 * How far a pad that is rubbed over a surface burnishes each of its corners, 0 to 1: all of what is
 * level or stands out, less of hollows the tighter they are. By the mean curvature of the corner's
 * neighbours (umbrella operator; Taubin 1995, from memory).
 *
 * @example burnishOf(ballOf10mm)[0] // 1
 */
export function burnishOf({ positions: p, triangles }: Mesh): Float32Array {
  const count = p.length / 3
  const normals = new Float64Array(3 * count)
  const sums = new Float64Array(3 * count)
  const lengths = new Float64Array(count)
  const edges = new Float64Array(count)
  const at = (i: number, k: number) => p[3 * i + k]
  for (let t = 0; t < triangles.length; t += 3) {
    const corners = [triangles[t], triangles[t + 1], triangles[t + 2]]
    const [a, b, c] = corners
    const u = [0, 1, 2].map((k) => at(b, k) - at(a, k))
    const v = [0, 1, 2].map((k) => at(c, k) - at(a, k))
    const way = [u[1] * v[2] - u[2] * v[1], u[2] * v[0] - u[0] * v[2], u[0] * v[1] - u[1] * v[0]]
    corners.forEach((corner, n) => {
      for (let k = 0; k < 3; k++) normals[3 * corner + k] += way[k]
      for (const other of [corners[(n + 1) % 3], corners[(n + 2) % 3]]) {
        for (let k = 0; k < 3; k++) sums[3 * corner + k] += at(other, k) - at(corner, k)
        lengths[corner] += Math.hypot(...[0, 1, 2].map((k) => at(other, k) - at(corner, k)))
        edges[corner]++
      }
    })
  }
  let hollow: Float64Array = new Float64Array(count)
  let edge = 0
  for (let i = 0; i < count; i++) {
    const size = Math.hypot(normals[3 * i], normals[3 * i + 1], normals[3 * i + 2]) || 1
    const long = lengths[i] / Math.max(1, edges[i])
    let rise = 0
    for (let k = 0; k < 3; k++) rise += (sums[3 * i + k] * normals[3 * i + k]) / size
    edge += long / count
    if (long > 0) hollow[i] = Math.max(0, (2 * rise) / edges[i] / long ** 2)
  }
  const spread = Math.min(mostSpread, Math.round(pad / 2 / (edge || pad)))
  for (let n = 0; n < spread; n++) hollow = spreadOut(hollow, triangles)
  return Float32Array.from(hollow, (curvature) => Math.max(0, 1 - curvature * pad))
}

/** Each corner as hollow as half of itself and half of its neighbours. */
function spreadOut(hollow: Float64Array, triangles: Uint32Array): Float64Array {
  const sums = new Float64Array(hollow.length)
  const counts = new Float64Array(hollow.length)
  for (let t = 0; t < triangles.length; t++) {
    const next = triangles[t - (t % 3) + ((t + 1) % 3)]
    const corner = triangles[t]
    sums[corner] += hollow[next]
    sums[next] += hollow[corner]
    counts[corner]++
    counts[next]++
  }
  return hollow.map((own, i) => (counts[i] > 0 ? (own + sums[i] / counts[i]) / 2 : own))
}

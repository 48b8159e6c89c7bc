import type { Mesh } from './mesh.ts'
import { unit, type Vec3 } from './vector.ts'

/** Levels the height is cut into. More shorten a query, fewer the build. */
const levels = 1024

/** Numbers kept for a triangle that has a vertex within a level: z1, z2, z3 and P. */
const stride = 4

/**
 * How much of a cavity lies below a height, exactly. Plain data: it can be posted to a worker.
 * Heights are in metres above the lowest point.
 */
export interface FillCurve {
  /** Height from the lowest point to the highest, m. */
  height: number
  /** m³ */
  volume: number
  /** At each level: the sum of P, and of P·(mean height), of triangles wholly below it. */
  below: Float64Array
  belowMoment: Float64Array
  /** At each level: −ΣP·I of triangles that cross the whole level, a cubic in (h − level)/step. */
  crossing: Float64Array
  /** Triangles with a vertex in the level, from `starts[k]` to `starts[k + 1]`. */
  starts: Uint32Array
  listed: Float64Array
}

/**
 * The fill curve of a closed mesh with `up` pointing against gravity.
 *
 * For a triangle with signed projected area P (its vector area along up) and heights
 * z1 ≤ z2 ≤ z3, the share f(h) of P below h and its integral I(h) are quadratic and cubic
 * between its vertices; A(h) = −ΣP·f and V(h) = −ΣP·I, the divergence theorem with the cap
 * left out. Source: closed form, derived; checked against faceted solids and manifold-3d.
 *
 * Throws `Problem('not-a-direction')`.
 *
 * @example volumeAt(fillCurve(unitCube, [0, 0, 1]), 0.25) // 0.25
 */
export function fillCurve(mesh: Mesh, up: Vec3): FillCurve {
  const { sorted, height } = sortedTriangles(mesh, unit(up))
  const step = height / levels || 1
  const levelOf = (h: number) => Math.min(levels - 1, Math.floor(h / step))

  const below = new Float64Array(levels + 1)
  const belowMoment = new Float64Array(levels + 1)
  const crossing = new Float64Array(levels * 4)
  const starts = new Uint32Array(levels + 1)
  for (let i = 0; i < sorted.length; i += stride) {
    const z1 = sorted[i]
    const z2 = sorted[i + 1]
    const z3 = sorted[i + 2]
    const P = sorted[i + 3]
    const k1 = levelOf(z1)
    const k2 = levelOf(z2)
    const k3 = levelOf(z3)
    starts[k1 + 1]++
    if (k2 !== k1) starts[k2 + 1]++
    if (k3 !== k2) starts[k3 + 1]++
    below[k3 + 1] += P
    belowMoment[k3 + 1] += (P * (z1 + z2 + z3)) / 3
    if (k2 - k1 > 1) addLower(crossing, P, z1, z2, z3, k1 + 1, k2, step)
    if (k3 - k2 > 1) addUpper(crossing, P, z1, z2, z3, k2 + 1, k3, step)
  }
  for (let k = 1; k <= levels; k++) {
    starts[k] += starts[k - 1]
    below[k] += below[k - 1]
    belowMoment[k] += belowMoment[k - 1]
  }

  const listed = listByLevel(sorted, starts, levelOf)
  const curve: FillCurve = { height, volume: 0, below, belowMoment, crossing, starts, listed }
  curve.volume = volumeAt(curve, height)
  return curve
}

/** Copies each triangle into the one to three levels that hold one of its vertices. */
function listByLevel(
  sorted: Float64Array,
  starts: Uint32Array,
  levelOf: (h: number) => number,
): Float64Array {
  const next = starts.slice()
  const listed = new Float64Array(starts[levels] * stride)
  const put = (level: number, from: number) => {
    const to = next[level]++ * stride
    listed[to] = sorted[from]
    listed[to + 1] = sorted[from + 1]
    listed[to + 2] = sorted[from + 2]
    listed[to + 3] = sorted[from + 3]
  }
  for (let i = 0; i < sorted.length; i += stride) {
    const k1 = levelOf(sorted[i])
    const k2 = levelOf(sorted[i + 1])
    const k3 = levelOf(sorted[i + 2])
    put(k1, i)
    if (k2 !== k1) put(k2, i)
    if (k3 !== k2) put(k3, i)
  }
  return listed
}

/** m³ below `h` metres above the lowest point; 0 below it, the whole volume above the top. */
export function volumeAt(curve: FillCurve, h: number): number {
  if (!(h > 0)) return 0
  const at = Math.min(h, curve.height)
  const { step, k, t, cubic } = locate(curve, at)
  let sum = at * curve.below[k] - curve.belowMoment[k]
  sum += step * (((cubic[3] * t + cubic[2]) * t + cubic[1]) * t + cubic[0])
  const { listed } = curve
  for (let i = curve.starts[k] * stride; i < curve.starts[k + 1] * stride; i += stride) {
    sum += listed[i + 3] * integral(listed[i], listed[i + 1], listed[i + 2], at)
  }
  return -sum
}

/** m² of the level surface at `h`. */
export function areaAt(curve: FillCurve, h: number): number {
  if (h < 0 || h > curve.height) return 0
  const { k, t, cubic } = locate(curve, h)
  let sum = curve.below[k] + (3 * cubic[3] * t + 2 * cubic[2]) * t + cubic[1]
  const { listed } = curve
  for (let i = curve.starts[k] * stride; i < curve.starts[k + 1] * stride; i += stride) {
    sum += listed[i + 3] * share(listed[i], listed[i + 1], listed[i + 2], h)
  }
  return Math.max(0, -sum)
}

/**
 * The height that a volume reaches: the inverse of `volumeAt`, by bisection over the levels
 * and bracketed Newton within one. 0 for nothing, the full height for the volume or more.
 *
 * @example heightAt(fillCurve(unitCube, [0, 0, 1]), 0.25) // 0.25
 */
export function heightAt(curve: FillCurve, volume: number): number {
  if (!(volume > 0)) return 0
  if (volume >= curve.volume) return curve.height
  const step = curve.height / levels
  let lowLevel = 0
  let highLevel = levels
  while (highLevel - lowLevel > 1) {
    const middle = (lowLevel + highLevel) >> 1
    if (volumeAt(curve, middle * step) < volume) lowLevel = middle
    else highLevel = middle
  }
  let low = lowLevel * step
  let high = highLevel * step
  let h = (low + high) / 2
  for (let i = 0; i < 60 && high - low > 1e-14 * curve.height; i++) {
    const missing = volume - volumeAt(curve, h)
    if (Math.abs(missing) <= 1e-15 * curve.volume) break
    if (missing > 0) low = h
    else high = h
    const newton = h + missing / areaAt(curve, h)
    h = newton > low && newton < high ? newton : (low + high) / 2
  }
  return h
}

function locate(curve: FillCurve, h: number) {
  const step = curve.height / levels
  const k = Math.min(levels - 1, Math.floor(h / step))
  const t = (h - k * step) / step
  return { step, k, t, cubic: curve.crossing.subarray(4 * k, 4 * k + 4) }
}

/** f(h): the share of a triangle's projected area that lies below h. */
function share(z1: number, z2: number, z3: number, h: number): number {
  if (h <= z1) return 0
  if (h >= z3) return 1
  if (h < z2) return ((h - z1) * (h - z1)) / ((z2 - z1) * (z3 - z1))
  return 1 - ((z3 - h) * (z3 - h)) / ((z3 - z2) * (z3 - z1))
}

/** I(h): the integral of the share up to h. */
function integral(z1: number, z2: number, z3: number, h: number): number {
  if (h <= z1) return 0
  if (h >= z3) return h - (z1 + z2 + z3) / 3
  if (h < z2) return (h - z1) ** 3 / (3 * (z2 - z1) * (z3 - z1))
  return h - (z1 + z2 + z3) / 3 + (z3 - h) ** 3 / (3 * (z3 - z2) * (z3 - z1))
}

/** P·I below z2 on the levels from..to, as cubics in t = (h − level)/step, per step. */
function addLower(
  crossing: Float64Array,
  P: number,
  z1: number,
  z2: number,
  z3: number,
  from: number,
  to: number,
  step: number,
): void {
  const c = (P * step * step) / (3 * (z2 - z1) * (z3 - z1))
  for (let k = from; k < to; k++) {
    const d = k - z1 / step
    crossing[4 * k] += c * d * d * d
    crossing[4 * k + 1] += 3 * c * d * d
    crossing[4 * k + 2] += 3 * c * d
    crossing[4 * k + 3] += c
  }
}

/** P·I above z2 on the levels from..to, likewise. */
function addUpper(
  crossing: Float64Array,
  P: number,
  z1: number,
  z2: number,
  z3: number,
  from: number,
  to: number,
  step: number,
): void {
  const c = (P * step * step) / (3 * (z3 - z2) * (z3 - z1))
  const mean = (z1 + z2 + z3) / 3 / step
  for (let k = from; k < to; k++) {
    const e = z3 / step - k
    crossing[4 * k] += c * e * e * e + P * (k - mean)
    crossing[4 * k + 1] += -3 * c * e * e + P
    crossing[4 * k + 2] += 3 * c * e
    crossing[4 * k + 3] -= c
  }
}

/** z1 <= z2 <= z3 above the lowest point and P of every triangle that is not upright. */
function sortedTriangles({ positions: p, triangles }: Mesh, up: Vec3) {
  const [ux, uy, uz] = up
  const z = new Float64Array(p.length / 3)
  let base = Infinity
  let top = -Infinity
  for (let v = 0; v < z.length; v++) {
    const h = p[3 * v] * ux + p[3 * v + 1] * uy + p[3 * v + 2] * uz
    z[v] = h
    if (h < base) base = h
    if (h > top) top = h
  }
  const sorted = new Float64Array((triangles.length / 3) * stride)
  let to = 0
  for (let i = 0; i < triangles.length; i += 3) {
    const va = triangles[i]
    const vb = triangles[i + 1]
    const vc = triangles[i + 2]
    const a = 3 * va
    const b = 3 * vb
    const c = 3 * vc
    const x1 = p[b] - p[a]
    const y1 = p[b + 1] - p[a + 1]
    const w1 = p[b + 2] - p[a + 2]
    const x2 = p[c] - p[a]
    const y2 = p[c + 1] - p[a + 1]
    const w2 = p[c + 2] - p[a + 2]
    const P = ((y1 * w2 - w1 * y2) * ux + (w1 * x2 - x1 * w2) * uy + (x1 * y2 - y1 * x2) * uz) / 2
    if (P === 0) continue
    let z1 = z[va] - base
    let z2 = z[vb] - base
    let z3 = z[vc] - base
    let swap = z1
    if (z1 > z2) {
      z1 = z2
      z2 = swap
    }
    if (z2 > z3) {
      swap = z2
      z2 = z3
      z3 = swap
    }
    if (z1 > z2) {
      swap = z1
      z1 = z2
      z2 = swap
    }
    sorted[to] = z1
    sorted[to + 1] = z2
    sorted[to + 2] = z3
    sorted[to + 3] = P
    to += stride
  }
  return { sorted: sorted.subarray(0, to), height: top - base }
}

import { reachAlong } from '../mesh/boundsAlong.ts'
import type { Mesh } from '../mesh/mesh.ts'
import { unit, type Vec3 } from '../mesh/vector.ts'

/** Levels the height is cut into. More shorten a query, fewer the build. */
const levels = 1024

/** Numbers kept for a triangle: z1, z2, z3 and P. */
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
  /** z1 <= z2 <= z3 and P of every triangle that is not upright. */
  sorted: Float64Array
  /** At each level: the sum of P, and of P·(mean height), of triangles wholly below it. */
  below: Float64Array
  belowMoment: Float64Array
  /** At each level: −ΣP·I of triangles that cross the whole level, a cubic in (h − level)/step. */
  crossing: Float64Array
  /** At each level: its surface, m², a hair above it, and what lies below it, m³. */
  areas: Float64Array
  volumes: Float64Array
  /** Where the triangles with a vertex in the level stand in `sorted`: from `starts[k]` to `starts[k + 1]`. */
  starts: Uint32Array
  listed: Uint32Array
}

type Sums = Pick<FillCurve, 'below' | 'belowMoment' | 'crossing' | 'areas' | 'volumes' | 'starts'>

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
  const axis = unit(up)
  const { low: base, size: height } = reachAlong(mesh, axis)
  const step = height / levels || 1
  const sums: Sums = {
    below: new Float64Array(levels + 1),
    belowMoment: new Float64Array(levels + 1),
    crossing: new Float64Array(levels * 4),
    areas: new Float64Array(levels + 1),
    volumes: new Float64Array(levels + 1),
    starts: new Uint32Array(levels + 1),
  }
  const { sorted, spans } = addTriangles(mesh, axis, base, step, sums)
  const { starts, below, belowMoment, crossing, areas, volumes } = sums
  for (let k = 1; k <= levels; k++) {
    starts[k] += starts[k - 1]
    below[k] += below[k - 1]
    belowMoment[k] += belowMoment[k - 1]
  }
  for (let k = 0; k < levels; k++) {
    areas[k] = Math.max(0, -(areas[k] + below[k] + crossing[4 * k + 1]))
    volumes[k] = -(volumes[k] + step * (k * below[k] + crossing[4 * k]) - belowMoment[k])
  }
  const curve: FillCurve = {
    height,
    volume: 0,
    sorted,
    ...sums,
    listed: listByLevel(spans, starts),
  }
  curve.volume = volumeAt(curve, height)
  areas[levels] = 0
  volumes[levels] = curve.volume
  return curve
}

/** Lists each triangle in the one to three levels that hold one of its vertices. */
function listByLevel(spans: Uint16Array, starts: Uint32Array): Uint32Array {
  const next = starts.slice()
  const listed = new Uint32Array(starts[levels])
  for (let s = 0, i = 0; s < spans.length; s += 3, i += stride) {
    const k1 = spans[s]
    const k2 = spans[s + 1]
    const k3 = spans[s + 2]
    listed[next[k1]++] = i
    if (k2 !== k1) listed[next[k2]++] = i
    if (k3 !== k2) listed[next[k3]++] = i
  }
  return listed
}

/** The level that a height lies in; building and asking must round alike. */
function levelOf(h: number, perStep: number): number {
  const k = Math.trunc(h * perStep)
  return k < levels ? k : levels - 1
}

/** m³ below `h` metres above the lowest point; 0 below it, the whole volume above the top. */
export function volumeAt(curve: FillCurve, h: number): number {
  if (!(h > 0)) return 0
  const at = Math.min(h, curve.height)
  const { step, k, t, cubic } = locate(curve, at)
  let sum = at * curve.below[k] - curve.belowMoment[k]
  sum += step * (((cubic[3] * t + cubic[2]) * t + cubic[1]) * t + cubic[0])
  const { sorted, listed } = curve
  for (let n = curve.starts[k]; n < curve.starts[k + 1]; n++) {
    const i = listed[n]
    sum += sorted[i + 3] * integral(sorted[i], sorted[i + 1], sorted[i + 2], at)
  }
  return -sum
}

/** m² of the level surface at `h`. */
export function areaAt(curve: FillCurve, h: number): number {
  if (h < 0 || h > curve.height) return 0
  const { k, t, cubic } = locate(curve, h)
  let sum = curve.below[k] + (3 * cubic[3] * t + 2 * cubic[2]) * t + cubic[1]
  const { sorted, listed } = curve
  for (let n = curve.starts[k]; n < curve.starts[k + 1]; n++) {
    const i = listed[n]
    sum += sorted[i + 3] * share(sorted[i], sorted[i + 1], sorted[i + 2], h)
  }
  return Math.max(0, -sum)
}

/**
 * m² of the level surface at `h`, straight between the levels: without going through triangles,
 * and off only where a level face lies between two of them.
 *
 * @example areaNear(fillCurve(unitCube, [0, 0, 1]), 0.25) // 1
 */
export function areaNear(curve: FillCurve, h: number): number {
  const { k, t } = locate(curve, h)
  // Above the last level nothing is left to go straight to.
  if (k >= levels - 1) return areaAt(curve, h)
  return curve.areas[k] + t * (curve.areas[k + 1] - curve.areas[k])
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
    if (curve.volumes[middle] < volume) lowLevel = middle
    else highLevel = middle
  }
  let low = lowLevel * step
  let high = highLevel * step
  const share =
    (volume - curve.volumes[lowLevel]) / (curve.volumes[highLevel] - curve.volumes[lowLevel])
  let h = low + Math.min(1, Math.max(0, share)) * step
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

/**
 * The curve of several of the same, standing side by side.
 *
 * @example timesCurve(curveOfUnitCube, 3).volume // 3
 */
export function timesCurve(curve: FillCurve, count: number): FillCurve {
  const times = (values: Float64Array) => values.map((value) => value * count)
  return {
    ...curve,
    volume: curve.volume * count,
    sorted: curve.sorted.map((value, i) => (i % stride === 3 ? value * count : value)),
    below: times(curve.below),
    belowMoment: times(curve.belowMoment),
    crossing: times(curve.crossing),
    areas: times(curve.areas),
    volumes: times(curve.volumes),
  }
}

function locate(curve: FillCurve, h: number) {
  const step = curve.height / levels || 1
  const k = levelOf(h, 1 / step)
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
  if (h < z2) return ((h - z1) * (h - z1) * (h - z1)) / (3 * (z2 - z1) * (z3 - z1))
  return h - (z1 + z2 + z3) / 3 + ((z3 - h) * (z3 - h) * (z3 - h)) / (3 * (z3 - z2) * (z3 - z1))
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

/**
 * Goes once over the triangles: sorts the heights of each that is not upright, adds it to the
 * sums of the levels, and notes the levels of its three vertices.
 */
function addTriangles(
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

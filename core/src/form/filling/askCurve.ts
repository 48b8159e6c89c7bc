import { levelOf, levels, stride, type FillCurve } from './levels.ts'
import { integral, share } from './triangle.ts'

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

import type { WallDepths } from './wallDepths.ts'

/**
 * What lies within `depth` of the walls, m, and above what is solid up to `from`, m from the lowest
 * point, m³. What is solid is lined too.
 * Source: the definition; for a convex piece Steiner's formula at small depths.
 *
 * @example shellVolume(depthsOfBlock, 0.003).toFixed(6) // '0.000022'
 */
export function shellVolume(
  { row, bin, rows, bins, volumes }: WallDepths,
  depth: number,
  from = 0,
): number {
  let sum = 0
  /** Of a row, what lies below a height. */
  const below = (height: number, r: number) => Math.min(1, Math.max(0, height / row - r))
  for (let r = 0; r < rows; r++) {
    const solid = below(from, r)
    if (solid === 1) continue
    const onSolid = from > 0 ? below(from + depth, r) - solid : 0
    const whole = Math.min(bins, Math.floor(depth / bin))
    let inRow = 0
    for (let i = 0; i < whole; i++) inRow += volumes[r * bins + i]
    if (whole < bins) inRow += volumes[r * bins + whole] * (depth / bin - whole)
    let all = 0
    if (onSolid > 0) for (let i = 0; i < bins; i++) all += volumes[r * bins + i]
    sum += onSolid * all + (1 - solid - onSolid) * inRow
  }
  return sum
}

/**
 * How far a volume reaches from the walls, m: what was poured, as the wall that it made. All there
 * is when it holds no more.
 *
 * @example wallOf(depthsOfBlock, shellVolume(depthsOfBlock, 0.003)).toFixed(6) // '0.003000'
 */
export function wallOf(depths: WallDepths, volume: number, from = 0): number {
  let [low, high] = [0, depths.deepest]
  if (volume >= shellVolume(depths, high, from)) return high
  // Bisection: the volume rises with the depth.
  for (let i = 0; i < 48; i++) {
    const middle = (low + high) / 2
    if (shellVolume(depths, middle, from) < volume) low = middle
    else high = middle
  }
  return (low + high) / 2
}

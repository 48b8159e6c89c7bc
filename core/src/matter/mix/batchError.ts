/**
 * How far the ratio of a batch may be off, as a share, when each part is weighed to ± `step`:
 * √((δ/mA)² + (δ/mB)²) (propagation of independent errors).
 *
 * @example batchError(0.01, 0.01, 0.0001) // 0.01414
 */
export function batchError(massA: number, massB: number, step: number): number {
  return Math.hypot(step / massA, step / massB)
}

/**
 * The smallest batch, kg, whose ratio holds `tolerance` on a scale with `step`: the inverse
 * of `batchError` for the weight shares of its parts.
 *
 * @example smallestBatch({ a: 0.5, b: 0.5 }, 0.0001, 0.02) // 0.01414
 */
export function smallestBatch(
  shares: { a: number; b: number },
  step: number,
  tolerance: number,
): number {
  return (step / tolerance) * Math.hypot(1 / shares.a, 1 / shares.b)
}

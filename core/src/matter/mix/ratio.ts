import type { Ratio } from '../material/index.ts'

interface Densities {
  densityA: number
  densityB: number
}

/**
 * Part A's weight for one of part B's. A ratio by volume is converted by the densities:
 * weight ratio = volume ratio × ρA/ρB (by definition of density).
 *
 * @example weightRatio({ by: 'volume', a: 2, b: 1 }, { densityA: 1150, densityB: 1000 }) // 2.3
 */
export function weightRatio({ by, a, b }: Ratio, { densityA, densityB }: Densities): number {
  return by === 'weight' ? a / b : ((a / b) * densityA) / densityB
}

/**
 * Part A's volume for one of part B's: the other way to measure a ratio.
 *
 * @example volumeRatio({ by: 'weight', a: 2.3, b: 1 }, { densityA: 1150, densityB: 1000 }) // 2
 */
export const volumeRatio = (ratio: Ratio, densities: Densities): number =>
  (weightRatio(ratio, densities) * densities.densityB) / densities.densityA

/** The shares of parts A and B in the weight of the mix; they sum to 1. */
export function weightShares(ratio: Ratio, densities: Densities): { a: number; b: number } {
  const r = weightRatio(ratio, densities)
  return { a: r / (1 + r), b: 1 / (1 + r) }
}

/**
 * Density of the mix, kg/m³, volumes adding (no shrinkage).
 *
 * @example mixDensity({ by: 'volume', a: 1, b: 1 }, { densityA: 1200, densityB: 1000 }) // 1100
 */
export function mixDensity(ratio: Ratio, densities: Densities): number {
  const { a, b } = weightShares(ratio, densities)
  return 1 / (a / densities.densityA + b / densities.densityB)
}

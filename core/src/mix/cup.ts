/** Cups that are easily had, m³ to the brim (common practice, no source). */
export const cupSizes = [30, 60, 100, 150, 250, 400, 650, 1000, 2500, 5000].map((ml) => ml * 1e-6)

/** A cup is stirred without spilling up to two thirds (common practice, no source). */
export const stirringFill = 2 / 3

export interface CupChoice {
  /** Brim volume of each, m³. */
  size: number
  cups: number
}

/**
 * The smallest cup that stirs `volume`; several of the largest where one is too small.
 *
 * @example cupFor(90e-6) // { size: 150e-6, cups: 1 }
 */
export function cupFor(volume: number): CupChoice {
  const largest = cupSizes[cupSizes.length - 1]
  const cups = Math.max(1, Math.ceil(volume / (largest * stirringFill)))
  const each = volume / cups
  return { size: cupSizes.find((size) => each <= size * stirringFill) ?? largest, cups }
}

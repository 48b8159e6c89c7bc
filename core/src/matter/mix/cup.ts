import type { UnitChoice } from '../../base/units/index.ts'

const ml = 1e-6
const fluidOunce = 29.5735295625e-6

/** Cups that are easily had, m³ to the brim (common practice, no source). */
export const cupSizes = [30, 60, 100, 150, 250, 400, 650, 1000, 2500, 5000].map((n) => n * ml)

/** The same where cups are sold by the fluid ounce (common practice, no source). */
export const ounceCups = [1, 2, 3, 5, 9, 12, 16, 32, 80, 160].map((n) => n * fluidOunce)

/** Cups that exist where a person buys them. @example cupsSoldIn(metric)[3] // 0.00015 */
export const cupsSoldIn = ({ volume }: Pick<UnitChoice, 'volume'>): readonly number[] =>
  volume === 'ml' ? cupSizes : ounceCups

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
export function cupFor(volume: number, sizes: readonly number[] = cupSizes): CupChoice {
  const largest = sizes[sizes.length - 1]
  const cups = Math.max(1, Math.ceil(volume / (largest * stirringFill)))
  const each = volume / cups
  return { size: sizes.find((size) => each <= size * stirringFill) ?? largest, cups }
}

import type { DoseUnit } from '@mivro/core/colour'

/** What doses are counted in. */
export const doseUnitWords: Record<DoseUnit, string> = {
  share: 'Share',
  weight: 'Weight',
  drops: 'Drops',
  tips: 'Toothpick tips',
}

export const doseUnitHeads: Record<DoseUnit, string> = {
  share: "Tints, share of the resin's weight",
  weight: 'Tints, weight in this mix',
  drops: 'Tints, drops in this mix',
  tips: 'Tints, toothpick tips in this mix',
}

/** From this CIEDE2000 on a difference is seen side by side, plainly seen, and another colour (from memory). */
const [seen, plain, other] = [1, 3, 10]

/**
 * How near a recipe comes to the colour that was wished.
 *
 * @example sayNearness(0.4) // 'Nobody can tell it from the colour you wished.'
 */
export function sayNearness(off: number): string {
  if (off < seen) return 'Nobody can tell it from the colour you wished.'
  if (off < plain) return 'Close: side by side a small difference is seen.'
  if (off < other) return `Near, but plainly another shade (ΔE ${Math.round(off)}).`
  return `The tints on hand do not reach this colour; this is the nearest (ΔE ${Math.round(off)}).`
}

import type { DoseUnit } from '@mivro/core/matter/colour'
import { unseen, type Floating } from '@mivro/core/matter/inclusion'
import { metric, show, showDuration, type UnitChoice } from '@mivro/core/base/units'

/**
 * A dose that is too little for the scale, thinned: what of that is weighed, and how often.
 *
 * @example sayThinned({ use: 0.0024, times: 3 }, (kg) => `${kg * 1000} g`) // '2.4 g of it thinned 1 to 10, 3 times'
 */
export const sayThinned = (
  { use, times }: { use: number; times: number },
  mass: (kg: number) => string,
): string => `${mass(use)} of it thinned 1 to 10${times > 1 ? `, ${times} times` : ''}`

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

/**
 * What becomes of a tint's flakes in a layer that is poured then, in the person's units.
 *
 * @example sayFloating({ drift: -0.0001, holdsFrom: 0 }, { mixAt: 0, pourAt: 300, cupUntil: 1800 }) // 'Its flakes stay afloat.'
 */
export function sayFloating(
  { drift, holdsFrom }: Floating,
  { mixAt, pourAt, cupUntil }: { mixAt: number; pourAt: number; cupUntil: number },
  choice: UnitChoice = metric,
): string {
  if (Math.abs(drift) < unseen) return 'Its flakes stay afloat.'
  const way = drift < 0 ? 'sink' : 'rise'
  const far = `Its flakes ${way} ${show(Math.abs(drift), 'length', choice)} before the gel`
  const pours = cupUntil - mixAt
  const wait = showDuration(holdsFrom)
  return pourAt - mixAt < holdsFrom && holdsFrom <= pours
    ? `${far}; poured ${wait} after mixing they stay.`
    : `${far}; they would stay only ${wait} after mixing, when it no longer pours: pour thinner layers, or a resin that gels sooner.`
}

/** A tint that is over what was asked for and under its limit. @example sayDeeper({ name: 'Violet', times: 1.3 }) // 'Violet is 1.3 times what was asked for: a deeper colour, and within its limit. Nothing is added for it.' */
export const sayDeeper = ({ name, times }: { name: string; times: number }): string =>
  `${name} is ${times < 10 ? Number(times.toPrecision(2)) : Math.round(times)} times what was asked for: a deeper colour, and within its limit. Nothing is added for it.`

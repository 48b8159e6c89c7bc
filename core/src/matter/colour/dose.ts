/** A dose is dragged over this many powers of ten below its limit: half and double are as far apart everywhere. */
const decades = 2.5

/** A slider runs from 0 to this. */
export const sliderEnd = 100

/**
 * The dose at a place of its slider; none at its beginning.
 *
 * @example doseAt(100, 0.005) // 0.005
 */
export const doseAt = (place: number, limit: number): number =>
  place <= 0 ? 0 : Number((limit * 10 ** (decades * (place / sliderEnd - 1))).toPrecision(2))

/**
 * Where a dose stands on its slider; over the limit at its end.
 *
 * @example placeOf(0.005, 0.005) // 100
 */
export function placeOf(dose: number, limit: number): number {
  if (dose <= 0) return 0
  const place = sliderEnd * (1 + Math.log10(dose / limit) / decades)
  return Math.round(Math.min(sliderEnd, Math.max(1, place)))
}

/**
 * How many mixes like this an order takes.
 *
 * @example mixesFor(24, 5) // 5
 */
export const mixesFor = (wanted: number, copiesOfOne: number): number =>
  Math.ceil(wanted / copiesOfOne)

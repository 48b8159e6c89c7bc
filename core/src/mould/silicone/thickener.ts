import type { Silicone } from '../../matter/material/index.ts'

/** For brushing, by weight of the mix, where the sheet is silent (common practice, no source). */
const usualShare = 0.01

/** Of its dose in the first coat, so that it wets and slumps slowly (common practice: a third to half). */
const firstCoatShare = 0.4

/**
 * Thickener for each brushed coat, kg, when `mass` of silicone goes on in `coats` equal ones.
 *
 * @example thickenerOf(0.4, 4, {}).map((kg) => +(1e3 * kg).toFixed(1)) // [0.4, 1, 1, 1]
 */
export const thickenerOf = (
  mass: number,
  coats: number,
  { thickener = usualShare }: Pick<Silicone, 'thickener'>,
): number[] =>
  Array.from(
    { length: coats },
    (_, coat) => (mass / coats) * thickener * (coat === 0 ? firstCoatShare : 1),
  )

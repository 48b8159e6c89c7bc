/** Of packed grains no more of the volume (Krieger and Dougherty 1959, from memory). */
const closestPacking = 0.6
/** What is thicker no longer pours from a cup (common practice, no source), Pa·s. */
export const stillPours = 8
/** Dust that clings to a wall: 15 mg/cm² of bronze (common practice, no source), kg/m². */
export const dustPerArea = 0.15

/**
 * Volume share of a powder in its mix. `weight` is powder over resin by weight; densities in kg/m³.
 *
 * @example powderShare(1, 8800, 1100).toFixed(3) // '0.111'
 */
export function powderShare(weight: number, powder: number, resin: number): number {
  const of = weight / powder
  return of / (of + 1 / resin)
}

/**
 * How many times thicker a mix is for its powder; Infinity where the grains are packed.
 * Source: Krieger and Dougherty, Transactions of the Society of Rheology 3, 1959, from memory.
 *
 * @example timesThicker(0.3).toFixed(2) // '2.83'
 */
export const timesThicker = (share: number): number =>
  share < closestPacking ? (1 - share / closestPacking) ** (-2.5 * closestPacking) : Infinity

/**
 * As much powder by weight of resin as still pours, for a resin of `viscosity`, Pa·s; 0 where it pours no more
 * by itself.
 *
 * @example mostPowder(1, 8800, 1100).toFixed(2) // '6.55'
 */
export function mostPowder(viscosity: number, powder: number, resin: number): number {
  const times = stillPours / viscosity
  if (times <= 1) return 0
  // Krieger and Dougherty solved for the share.
  const share = closestPacking * (1 - times ** (-1 / (2.5 * closestPacking)))
  return (share / (1 - share)) * (powder / resin)
}

/**
 * Density of the mix, kg/m³.
 *
 * @example filledDensity(0.111, 8800, 1100).toFixed(0) // '1955'
 */
export const filledDensity = (share: number, powder: number, resin: number): number =>
  share * powder + (1 - share) * resin

/**
 * How fast grains of `diameter`, m, sink in the mix, m/s: Stokes' law, hindered by the others
 * (Richardson and Zaki, Transactions of the Institution of Chemical Engineers 32, 1954, from memory).
 * `viscosity` is the resin's, Pa·s.
 *
 * @example settlingSpeed(0.00004, 0.1, 1, 8800, 1100).toExponential(2) // '4.11e-6'
 */
export function settlingSpeed(
  diameter: number,
  share: number,
  viscosity: number,
  powder: number,
  resin: number,
): number {
  const alone = ((powder - resin) * 9.80665 * diameter ** 2) / (18 * viscosity)
  return alone * (1 - share) ** 4.65
}

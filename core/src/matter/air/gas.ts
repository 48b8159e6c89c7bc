/** Standard air pressure, Pa. */
export const atmosphere = 101_325

/** Surface tension of an uncured resin against air, N/m (from memory). */
export const surfaceTension = 0.03

/**
 * How much smaller a bubble gets by volume at another pressure, both absolute, Pa (Boyle).
 *
 * @example volumeShare(101325 + 413685).toFixed(4) // '0.1967' (60 psi gauge)
 */
export const volumeShare = (pressure: number, before = atmosphere): number => before / pressure

/**
 * The same for its diameter.
 *
 * @example diameterShare(101325 + 413685).toFixed(4) // '0.5816'
 */
export const diameterShare = (pressure: number, before = atmosphere): number =>
  Math.cbrt(before / pressure)

/** What a gas does in a resin (from memory): each figure is known to a factor of ten at best. */
export interface GasInResin {
  /** Diffusivity in a liquid of 1 Pa·s, m²/s; in another it goes as η^−0.4. */
  diffusivity: number
  /** Volumes of gas that a volume of resin holds at equal pressure (Ostwald). */
  solubility: number
}
export const airInEpoxy: GasInResin = { diffusivity: 1e-10, solubility: 0.06 }
export const airInUrethane: GasInResin = { diffusivity: 2e-10, solubility: 0.08 }

/** Diffusivity by viscosity, m²/s. @example diffusivityAt(airInUrethane, 1) // 2e-10 */
export const diffusivityAt = ({ diffusivity }: GasInResin, viscosity: number): number =>
  diffusivity * viscosity ** -0.4

/**
 * How fast a bubble's radius changes, m/s: gas goes into the resin where its pressure is above that
 * of the gas dissolved in it (after Epstein & Plesset 1950). `since` is the time that it lay there,
 * s; left out: long (quasi-static).
 *
 * @example shrinking(1e-4, { pressure: 515010, dissolved: 101325, diffusivity: 2e-10, solubility: 0.08 }) < 0 // true
 */
export function shrinking(
  radius: number,
  {
    pressure,
    dissolved,
    diffusivity,
    solubility,
  }: { pressure: number; dissolved: number; diffusivity: number; solubility: number },
  since = Infinity,
): number {
  const inside = pressure + (2 * surfaceTension) / radius
  const over = (inside - dissolved) / (pressure + (4 * surfaceTension) / (3 * radius))
  return (
    -diffusivity * solubility * over * (1 / radius + 1 / Math.sqrt(Math.PI * diffusivity * since))
  )
}

import { dragged } from '../cure/index.ts'

const gravity = 9.80665

/**
 * How fast a bubble rises, m/s (Stokes 1851; with the drag of Schiller & Naumann 1933).
 *
 * @example riseSpeed(0.0003, 1, 1100).toFixed(8) // '0.00005394'
 */
export const riseSpeed = (diameter: number, viscosity: number, liquid: number): number =>
  dragged(
    (gravity * liquid * diameter * diameter) / (18 * viscosity),
    (liquid * diameter) / viscosity,
  )

/**
 * The smallest bubble that still clears a depth, m, in a liquid with so much fluidity left, ∫dt/η,
 * 1/Pa: √(18·L / (ρ·g·Φ)).
 *
 * @example clearingDiameter(0.025, 1000, 1100).toFixed(6) // '0.000204'
 */
export const clearingDiameter = (depth: number, fluidity: number, liquid: number): number =>
  Math.sqrt((18 * depth) / (liquid * gravity * fluidity))

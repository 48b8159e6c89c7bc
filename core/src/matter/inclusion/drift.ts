import { dragged } from '../cure/index.ts'
import { sizeOf, type Sized } from './thing.ts'

const gravity = 9.80665

/** Leaf and foil thinner than this are carried with the pour whatever they weigh, m (common practice, no source). */
export const carriedBelow = 5e-6

/**
 * How fast a thing moves in a liquid of 1 Pa·s in creeping flow, m/s, upwards where positive. A ball
 * by Stokes with buoyancy, 2/9·Δρ·g·r²; what lies flat as a disc broadside on, Δρ·V·g / 16a (Happel
 * & Brenner 1965).
 *
 * @example speedAtOne({ mass: 4.18879e-6, density: 1000 + 1000, shape: 'ball' }, 1000) // -0.001373
 */
export function speedAtOne(thing: Sized, liquid: number): number {
  const { shape, across, thickness } = sizeOf(thing)
  if (thickness < carriedBelow) return 0
  const lighter = liquid - thing.density
  if (isRound(shape, across, thickness)) {
    const radius = roundRadius(thing)
    return (2 / 9) * lighter * gravity * radius * radius
  }
  return discSpeed(lighter, thing.mass / thing.density, across)
}

/** Of a disc broadside on, for 1 Pa·s: Δρ·V·g / 16a, with a half its width (Happel & Brenner 1965). */
export const discSpeed = (lighter: number, volume: number, across: number): number =>
  (lighter * volume * gravity) / (8 * across)

/** Thicker than this share of its width, an own form falls like a ball. */
const chunky = 0.4
const isRound = (shape: string, across: number, thickness: number): boolean =>
  shape === 'ball' || shape === 'shard' || (shape === 'own' && thickness > chunky * across)

const roundRadius = ({ mass, density }: Sized): number =>
  Math.cbrt((3 * mass) / (4 * Math.PI * density))

/**
 * How fast a thing moves in a liquid by its viscosity, Pa·s, with the drag that its speed brings.
 *
 * @example speedBy({ mass: 4.18879e-6, density: 2000, shape: 'ball' }, 1000)(0.02).toFixed(6) // '-0.049581'
 */
export function speedBy(thing: Sized, liquid: number): (viscosity: number) => number {
  const atOne = speedAtOne(thing, liquid)
  const { shape, across, thickness } = sizeOf(thing)
  const width = isRound(shape, across, thickness) ? 2 * roundRadius(thing) : across
  return (viscosity) => dragged(atOne / viscosity, (liquid * width) / viscosity)
}

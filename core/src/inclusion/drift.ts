import { cureRate, timeTo, viscosityAt, type CureLaw } from '../cure/index.ts'
import { sizeOf, type Sized } from './thing.ts'

const gravity = 9.80665

/** Leaf and foil thinner than this are carried with the pour whatever they weigh, m (common practice, no source). */
export const carriedBelow = 5e-6

/** Panels over which the drift is summed; smooth in √α. */
const panels = 240

/** Below this Reynolds number the drag of creeping flow stands as it is. */
const creeping = 0.1

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

/** Enough for a drag a thousand times that of creeping flow. */
const newtonSteps = 6

/** Thicker than this share of its width, an own form falls like a ball. */
const chunky = 0.4
const isRound = (shape: string, across: number, thickness: number): boolean =>
  shape === 'ball' || shape === 'shard' || (shape === 'own' && thickness > chunky * across)

const roundRadius = ({ mass, density }: Sized): number =>
  Math.cbrt((3 * mass) / (4 * Math.PI * density))

/**
 * How fast a thing moves in a liquid by its viscosity, Pa·s: above a Reynolds number of 0.1 its
 * drag is more than creeping flow's, by 1 + 0.15·Re^0.687 (Schiller & Naumann 1933, as in Clift,
 * Grace & Weber 1978).
 *
 * @example speedBy({ mass: 4.18879e-6, density: 2000, shape: 'ball' }, 1000)(0.02).toFixed(6) // '-0.049581'
 */
export function speedBy(thing: Sized, liquid: number): (viscosity: number) => number {
  const atOne = speedAtOne(thing, liquid)
  const { shape, across, thickness } = sizeOf(thing)
  const width = isRound(shape, across, thickness) ? 2 * roundRadius(thing) : across
  return (viscosity) => {
    const slow = atOne / viscosity
    const reynolds = (speed: number) => (liquid * Math.abs(speed) * width) / viscosity
    if (reynolds(slow) <= creeping) return slow
    // The share s of creeping speed solves s·(1 + c·s^0.687) = 1: Newton's rule from below.
    const c = 0.15 * reynolds(slow) ** 0.687
    let share = 1 / (1 + c)
    for (let i = 0; i < newtonSteps; i++) {
      const drag = c * share ** 0.687
      share -= (share * (1 + drag) - 1) / (1 + 1.687 * drag)
    }
    return share * slow
  }
}

/** How thick a resin is at each moment until it gels. */
export interface Thickening {
  /** s since it was mixed. */
  time: Float64Array
  /** Pa·s, in the middle between a moment and the next. */
  viscosity: Float64Array
}

/**
 * A resin from mixed to gelled at a steady temperature, K, in even steps of √α.
 *
 * @example thickeningOf(law, 296.15).time[0] // 0
 */
export function thickeningOf(
  { kinetics, rheology }: Pick<CureLaw, 'kinetics' | 'rheology'>,
  temperature: number,
): Thickening {
  const step = Math.sqrt(rheology.gel) / panels
  const time = new Float64Array(panels + 1)
  const viscosity = new Float64Array(panels)
  for (let i = 0; i < panels; i++) {
    // The middle of each panel: at the gel itself nothing moves any more.
    const s = (i + 0.5) * step
    time[i + 1] = time[i] + (2 * s * step) / cureRate(kinetics, s * s, temperature)
    viscosity[i] = viscosityAt(rheology, s * s, temperature)
  }
  return { time, viscosity }
}

/** When it gels, s. */
export const gelOf = (law: Pick<CureLaw, 'kinetics' | 'rheology'>, temperature: number): number =>
  timeTo(law.kinetics, law.rheology.gel, temperature)

/** How far a thing still moves at each moment before the gel holds it, m, upwards where positive. */
export interface Drift {
  /** s since mixing. */
  time: Float64Array
  left: Float64Array
}

/**
 * What is left of a thing's way at each moment.
 *
 * @example driftIn({ time: Float64Array.of(0, 60), viscosity: Float64Array.of(2) }, () => -1e-5).left[0].toFixed(5) // '-0.00060'
 */
export function driftIn(
  { time, viscosity }: Thickening,
  speed: (viscosity: number) => number,
): Drift {
  const left = new Float64Array(time.length)
  for (let i = viscosity.length - 1; i >= 0; i--) {
    left[i] = left[i + 1] + speed(viscosity[i]) * (time[i + 1] - time[i])
  }
  return { time, left }
}

/**
 * How far a thing moves from when it is placed until the gel holds it, m, upwards where positive.
 *
 * @example driftFrom({ time: Float64Array.of(0, 60), left: Float64Array.of(-0.001, 0) }, 30) // -0.0005
 */
export function driftFrom({ time, left }: Drift, placed: number): number {
  const last = time.length - 1
  if (placed >= time[last]) return 0
  let i = 1
  while (time[i] < placed) i++
  const share = (placed - time[i - 1]) / (time[i] - time[i - 1])
  return left[i - 1] + share * (left[i] - left[i - 1])
}

/**
 * The earliest that a thing can be placed and then moves no more than `most`, s after mixing.
 *
 * @example waitFor({ time: Float64Array.of(0, 60), left: Float64Array.of(-0.001, 0) }, 0.0005) // 30
 */
export function waitFor({ time, left }: Drift, most: number): number {
  if (!(most < Math.abs(left[0]))) return 0
  let i = 1
  while (Math.abs(left[i]) > most) i++
  const [before, after] = [Math.abs(left[i - 1]), Math.abs(left[i])]
  return time[i - 1] + ((before - most) / (before - after)) * (time[i] - time[i - 1])
}

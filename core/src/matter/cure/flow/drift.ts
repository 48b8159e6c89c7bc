import { cureRate, timeTo, viscosityAt, type CureLaw } from '../kinetics/index.ts'

/** Panels over which the drift is summed; smooth in √α. */
const panels = 240

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

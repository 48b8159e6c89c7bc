import { cureRate, timeTo, viscosityAt, type CureLaw } from '../cure/index.ts'
import type { PlanInclusion } from './inclusion.ts'
import { sizeOf } from './thing.ts'

const gravity = 9.80665

/** Leaf and foil thinner than this are carried with the pour whatever they weigh, m (common practice, no source). */
export const carriedBelow = 5e-6

/** Panels over which the fluidity is summed; smooth in √α. */
const panels = 240

/**
 * How fast a thing moves in a liquid of 1 Pa·s, m/s, upwards where positive. A ball by Stokes with
 * buoyancy, 2/9·Δρ·g·r²; what lies flat as a disc broadside on, Δρ·V·g / 16a (Happel & Brenner
 * 1965).
 *
 * @example speedAtOne({ mass: 4.18879e-6, density: 1000 + 1000, shape: 'ball' }, 1000) // -0.001373
 */
export function speedAtOne(
  thing: Pick<PlanInclusion, 'mass' | 'density' | 'thickness' | 'shape'>,
  liquid: number,
): number {
  const { shape, across, thickness } = sizeOf(thing)
  if (thickness < carriedBelow) return 0
  const lighter = liquid - thing.density
  const half = across / 2
  if (shape === 'ball' || shape === 'shard') {
    const radius = Math.cbrt((3 * thing.mass) / (4 * Math.PI * thing.density))
    return (2 / 9) * lighter * gravity * radius * radius
  }
  return (lighter * (thing.mass / thing.density) * gravity) / (16 * half)
}

/** How much a resin still lets things move, by the time since it was mixed. */
export interface Fluidity {
  /** s */
  time: Float64Array
  /** ∫ dt/η from then to the gel, 1/Pa. */
  left: Float64Array
}

/**
 * What is left of a resin's fluidity until it gels, at a steady temperature, K: ∫ dt/η, with
 * dt = dα/rate, in √α.
 *
 * @example fluidityOf(law, 296.15).left.at(-1) // 0
 */
export function fluidityOf(
  law: Pick<CureLaw, 'kinetics' | 'rheology'>,
  temperature: number,
): Fluidity {
  const { kinetics, rheology } = law
  const end = Math.sqrt(rheology.gel)
  const step = end / panels
  const time = new Float64Array(panels + 1)
  const done = new Float64Array(panels + 1)
  for (let i = 1; i <= panels; i++) {
    // The middle of each panel: at the gel itself nothing moves any more.
    const s = (i - 0.5) * step
    const took = (2 * s * step) / cureRate(kinetics, s * s, temperature)
    time[i] = time[i - 1] + took
    done[i] = done[i - 1] + took / viscosityAt(rheology, s * s, temperature)
  }
  return { time, left: done.map((sum) => done[panels] - sum) }
}

/** When it gels, s. */
export const gelOf = (law: Pick<CureLaw, 'kinetics' | 'rheology'>, temperature: number): number =>
  timeTo(law.kinetics, law.rheology.gel, temperature)

/**
 * How far a thing moves from when it is placed until the gel holds it, m, upwards where positive.
 *
 * @example driftFrom({ time: Float64Array.of(0, 60), left: Float64Array.of(100, 0) }, 0, -1e-5) // -0.001
 */
export function driftFrom({ time, left }: Fluidity, placed: number, speed: number): number {
  const last = time.length - 1
  if (placed >= time[last]) return 0
  let i = 1
  while (time[i] < placed) i++
  const share = (placed - time[i - 1]) / (time[i] - time[i - 1])
  return speed * (left[i - 1] + share * (left[i] - left[i - 1]))
}

/**
 * The earliest that a thing can be placed and then moves no more than `most`, s after mixing.
 *
 * @example waitFor({ time: Float64Array.of(0, 60), left: Float64Array.of(100, 0) }, -1e-5, 0.0005) // 30
 */
export function waitFor({ time, left }: Fluidity, speed: number, most: number): number {
  const enough = most / Math.abs(speed)
  if (!(enough < left[0])) return 0
  let i = 1
  while (left[i] > enough) i++
  const share = (left[i - 1] - enough) / (left[i - 1] - left[i])
  return time[i - 1] + share * (time[i] - time[i - 1])
}

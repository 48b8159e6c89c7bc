import { driftFrom, driftIn, waitFor, type Thickening } from '../cure/index.ts'
import type { Tint, TintForm } from '../material/index.ts'
import { discSpeed } from './drift.ts'
import { unseen } from './settle.ts'

/** A flake, m: how wide and how thick (common practice, no source). */
interface Flake {
  across: number
  thickness: number
}
const usualFlakes: Partial<Record<TintForm, Flake>> = {
  mica: { across: 60e-6, thickness: 1e-6 },
  glitter: { across: 200e-6, thickness: 25e-6 },
  glow: { across: 40e-6, thickness: 30e-6 },
  powder: { across: 40e-6, thickness: 30e-6 },
}

/**
 * The flakes or grains of a tint; none in a dye or a paste. What is wider is thicker in the same
 * measure.
 *
 * @example flakeOf({ form: 'mica', flake: 300e-6 })!.thickness.toFixed(7) // '0.0000050'
 */
export function flakeOf({ form, flake }: Pick<Tint, 'form' | 'flake'>): Flake | undefined {
  const usual = usualFlakes[form]
  if (!usual || flake === undefined) return usual
  return { across: flake, thickness: (usual.thickness * flake) / usual.across }
}

/** What becomes of a tint's flakes in a layer. */
export interface Floating {
  /** How far they move from the pour to the gel, m, upwards where positive. */
  drift: number
  /** Poured from then on they stay within what nobody sees, s after mixing. */
  holdsFrom: number
}

/**
 * How flakes of tints move in a layer that is poured `placed` s after it was mixed, as it thickens
 * until its gel; `density` is the mix's. Undefined for a tint without flakes.
 */
export function floating(
  thickening: Thickening,
  density: number,
  placed: number,
  tints: readonly Pick<Tint, 'form' | 'flake' | 'density'>[],
): (Floating | undefined)[] {
  return tints.map((tint) => {
    const flake = flakeOf(tint)
    if (!flake) return undefined
    const volume = (Math.PI / 4) * flake.across ** 2 * flake.thickness
    const speed = discSpeed(density - tint.density, volume, flake.across)
    const way = driftIn(thickening, (viscosity) => speed / viscosity)
    return { drift: driftFrom(way, placed), holdsFrom: waitFor(way, unseen) }
  })
}

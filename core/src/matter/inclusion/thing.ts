import { areaOfLoop, woundLoops } from '../../form/shape/index.ts'
import { measure, type Mesh } from '../../form/mesh/index.ts'
import type { OwnForm, PlanInclusion, ThingShape, ThingTrait } from './inclusion.ts'

/** The size of a thing, m: across as it lies, and how thick. */
export interface ThingSize {
  shape: ThingShape
  across: number
  thickness: number
  form?: OwnForm
}

/** Of the square of its width: what a star of five points, inner to outer radius 0.45, covers. */
const starArea = (5 / 4) * 0.45 * Math.sin(Math.PI / 5)
/** Hole of a ring, as a share of its width. */
export const ringHole = 0.55
/** A shard is about as wide as it is thick: ellipsoid of these shares of its longest. */
export const shardShares = [1, 0.8, 0.62] as const
/** Without a thickness a flat thing is taken to be so much of its width. */
const usuallyThick = 0.1

/** A thing by what its size comes from. */
export type Sized = Pick<PlanInclusion, 'mass' | 'density' | 'thickness' | 'shape' | 'form'>

/**
 * How large a thing is by its weight, its density and its thickness: nothing else is asked. An own
 * form is as large as its weight makes it.
 *
 * @example sizeOf({ mass: 0.0004, density: 8500, thickness: 0.0005, shape: 'disc' }).across.toFixed(4) // '0.0109'
 */
export function sizeOf({ mass, density, thickness, shape: asked, form }: Sized): ThingSize {
  const shape = shapeOf({ shape: asked, thickness, form })
  const volume = mass / density
  if (shape === 'own' && form && !('loops' in form)) {
    const { volume: unit, high } = measure(ownMesh(form))
    const across = Math.cbrt(volume / unit)
    return { shape, across, thickness: across * high[2], form }
  }
  if (shape === 'ball') {
    const across = Math.cbrt((6 * volume) / Math.PI)
    return { shape, across, thickness: across }
  }
  if (shape === 'shard') {
    const [a, b, c] = shardShares
    const across = Math.cbrt((6 * volume) / (Math.PI * a * b * c))
    return { shape, across, thickness: c * across }
  }
  const covers = coversOf(shape, form)
  const across =
    thickness === undefined
      ? Math.cbrt(volume / (usuallyThick * covers))
      : Math.sqrt(volume / thickness / covers)
  const size = { shape, across, thickness: thickness ?? usuallyThick * across }
  return shape === 'own' ? { ...size, form } : size
}

/** What a thing is drawn as where nobody says: its own form, a disc where it is flat, else a shard. */
export const shapeOf = ({
  shape,
  thickness,
  form,
}: Pick<PlanInclusion, 'shape' | 'thickness' | 'form'>): ThingShape =>
  (shape === 'own' && !form ? undefined : shape) ??
  (form ? 'own' : thickness === undefined ? 'shard' : 'disc')

/** What a flat thing covers, as a share of the square of its width. */
function coversOf(shape: ThingShape, form?: OwnForm): number {
  if (form && shape === 'own' && 'loops' in form) return coveredBy(form.loops)
  if (shape === 'star') return starArea
  return (Math.PI / 4) * (shape === 'ring' ? 1 - ringHole ** 2 : 1)
}

/**
 * What loops cover: a loop within another is taken away from it.
 *
 * @example coveredBy([[0, 0, 2, 0, 2, 2, 0, 2], [0.5, 0.5, 1.5, 0.5, 1.5, 1.5, 0.5, 1.5]]) // 3
 */
export const coveredBy = (loops: readonly (readonly number[])[]): number =>
  woundLoops(loops).reduce((sum, { loop }) => sum + areaOfLoop(loop), 0)

/** An own form's surface, one wide. */
export const ownMesh = ({ corners, faces }: Extract<OwnForm, { corners: unknown }>): Mesh => ({
  positions: Float64Array.from(corners),
  triangles: Uint32Array.from(faces),
})

/**
 * How large the i-th of a layout is beside the first: they grow smaller evenly down to the smallest.
 *
 * @example sizeShare({ count: 3, smallest: 0.5 }, 1) // 0.75
 */
export const sizeShare = (
  { count, smallest = 1 }: Pick<PlanInclusion, 'count' | 'smallest'>,
  i: number,
): number => (count > 1 ? 1 - ((1 - smallest) * i) / (count - 1) : 1)

/**
 * What all of one layout displace, m³; the smaller ones less, by the cube of their size.
 *
 * @example displacedBy({ count: 10, mass: 0.001, density: 1000 }).toFixed(7) // '0.0000100'
 */
export function displacedBy(
  inclusion: Pick<PlanInclusion, 'count' | 'smallest' | 'mass' | 'density'>,
): number {
  const { count, smallest = 1, mass, density } = inclusion
  if (smallest === 1) return (count * mass) / density
  let shares = 0
  for (let i = 0; i < count; i++) shares += sizeShare(inclusion, i) ** 3
  return (shares * mass) / density
}

/** Porous and stringy things drink 5 to 20 % of their volume (common practice, no source). */
const usuallyDrinks = 0.12

export const hasTrait = ({ traits }: Pick<PlanInclusion, 'traits'>, trait: ThingTrait): boolean =>
  traits?.includes(trait) ?? false

/**
 * Resin that all of one layout drink beyond what they displace, m³.
 *
 * @example drunkBy({ count: 10, mass: 0.001, density: 1000, traits: ['porous'] }).toFixed(8) // '0.00000120'
 */
export const drunkBy = (
  one: Pick<PlanInclusion, 'count' | 'smallest' | 'mass' | 'density' | 'traits' | 'drinks'>,
): number => (one.drinks ?? (hasTrait(one, 'porous') ? usuallyDrinks : 0)) * displacedBy(one)

/** Metals are this dense or more, stones less, kg/m³. */
const [metal, stone] = [5000, 1300]
/** Lighter than this, what is set in is taken to be organic, kg/m³ (common practice, no source). */
const organicBelow = 1050

export const isMetal = ({ density }: Pick<PlanInclusion, 'density'>): boolean => density >= metal
/** Wood, petals, paper, wax. */
export const isOrganic = ({ density }: Pick<PlanInclusion, 'density'>): boolean =>
  density < organicBelow

/** What it is drawn in where no colour is given. @example colourOf({ density: 8500 }) // '#c99a3a' */
export const colourOf = ({ colour, density }: Pick<PlanInclusion, 'colour' | 'density'>): string =>
  colour ?? (density >= metal ? '#c99a3a' : density >= stone ? '#5b5f60' : '#b98a5e')

import type { PlanInclusion, ThingShape } from './inclusion.ts'

/** The size of a thing, m: across as it lies, and how thick. */
export interface ThingSize {
  shape: ThingShape
  across: number
  thickness: number
}

/** Of the square of its width: what a star of five points, inner to outer radius 0.45, covers. */
const starArea = (5 / 4) * 0.45 * Math.sin(Math.PI / 5)
/** Hole of a ring, as a share of its width. */
export const ringHole = 0.55
/** A shard is about as wide as it is thick: ellipsoid of these shares of its longest. */
export const shardShares = [1, 0.8, 0.62] as const

/**
 * How large a thing is by its weight, its density and its thickness: nothing else is asked.
 *
 * @example sizeOf({ mass: 0.0004, density: 8500, thickness: 0.0005, shape: 'disc' }).across.toFixed(4) // '0.0109'
 */
export function sizeOf({
  mass,
  density,
  thickness,
  shape = thickness === undefined ? 'shard' : 'disc',
}: Pick<PlanInclusion, 'mass' | 'density' | 'thickness' | 'shape'>): ThingSize {
  const volume = mass / density
  if (shape === 'ball') {
    const across = Math.cbrt((6 * volume) / Math.PI)
    return { shape, across, thickness: across }
  }
  if (shape === 'shard') {
    const [a, b, c] = shardShares
    const across = Math.cbrt((6 * volume) / (Math.PI * a * b * c))
    return { shape, across, thickness: c * across }
  }
  const covers = { disc: Math.PI / 4, star: starArea, ring: (Math.PI / 4) * (1 - ringHole ** 2) }
  // Without a thickness a flat thing is taken to be a tenth of its width.
  const across =
    thickness === undefined
      ? Math.cbrt(volume / (0.1 * covers[shape]))
      : Math.sqrt(volume / thickness / covers[shape])
  return { shape, across, thickness: thickness ?? 0.1 * across }
}

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

import {
  even,
  hexOf,
  linearOf,
  passes,
  seenThrough,
  spectrumOf,
  toLinear,
} from '../../matter/colour/index.ts'
import { areaAt, type FillCurve } from '../../form/filling/index.ts'
import { blendWidth } from '../../matter/light/index.ts'
import type { CompiledLayer } from './compile/compiled.ts'

/** Heights of a layer that its colour is reckoned at. */
const stops = 9

/** What is seen at one height. */
export interface SeenAt {
  /** Above the lowest point, m. */
  height: number
  colour: string
}

/**
 * What an eye sees of a layer from the side, over white, from its floor to its surface: the piece
 * is as deep there as a square of its outline's area is wide. Empty without a resin.
 *
 * @example seenFromSide(compiled.layers[0], curveOf60ml).length // 9
 */
export function seenFromSide(
  { bottom, top, matter }: Pick<CompiledLayer, 'bottom' | 'top' | 'matter'>,
  curve: FillCurve,
): SeenAt[] {
  if (!matter || !(top > bottom)) return []
  return Array.from({ length: stops }, (_, i) => {
    // The very ends of a piece have no outline: a hair inside them has.
    const height = bottom + ((i + 0.02) / (stops - 1 + 0.04)) * (top - bottom)
    const depth = Math.sqrt(Math.max(0, areaAt(curve, height)))
    return { height, colour: seenOver(matter, depth, 1) }
  })
}

/**
 * What is seen of a layer so deep over a ground that reflects that share of the light.
 *
 * @example seenOver(clearMatter, 0.01, 1) // '#ffffff'
 */
export const seenOver = (
  matter: NonNullable<CompiledLayer['matter']>,
  depth: number,
  ground: number,
): string => hexOf(seenThrough([{ matter, depth }], even(ground)))

/**
 * What is seen of a layer so deep on an opaque ground of that colour.
 *
 * @example seenOn(clearMatter, 0.01, '#c98a3d') // '#c98a3d'
 */
export const seenOn = (
  matter: NonNullable<CompiledLayer['matter']>,
  depth: number,
  ground: string,
): string => hexOf(seenThrough([{ matter, depth }], spectrumOf(linearOf(ground))))

/**
 * What is seen of a layer so deep that is held against the light, nothing behind it.
 *
 * @example seenAgainstLight(clearMatter, 0.01) // '#ffffff'
 */
export const seenAgainstLight = (
  matter: NonNullable<CompiledLayer['matter']>,
  depth: number,
): string => hexOf(toLinear(passes([{ matter, depth }])))

/** Where two layers blend, and what is seen at its lower and upper end. */
export interface SeenBlend {
  id: string
  bottom: number
  top: number
  colours: [below: string, above: string]
}

/**
 * The soft and bled joins of a pour as an eye sees them from the side, over white.
 *
 * @example seenBlends(compiled.layers, curveOf60ml) // []
 */
export function seenBlends(layers: readonly CompiledLayer[], curve: FillCurve): SeenBlend[] {
  const filled = layers.filter(({ depth }) => depth > 0)
  const strata = filled.map(({ top, join, clock }) => ({ top, join: clock?.meets ?? join }))
  return filled.slice(1).flatMap((above, k) => {
    const below = filled[k]
    const width = blendWidth(strata, k + 1)
    if (width === 0 || !above.matter || !below.matter) return []
    const [bottom, top] = [below.top - width / 2, below.top + width / 2]
    const at = ({ matter }: CompiledLayer, height: number) =>
      seenOver(matter!, Math.sqrt(Math.max(0, areaAt(curve, height))), 1)
    return { id: above.id, bottom, top, colours: [at(below, bottom), at(above, top)] }
  })
}

/**
 * The longest way through a layer, m: down through it, or across where it is widest.
 *
 * @example thickestOf(compiled.layers[0], curveOf60ml).toFixed(4) // '0.0447'
 */
export const thickestOf = (
  { bottom, top }: Pick<CompiledLayer, 'bottom' | 'top'>,
  curve: FillCurve,
): number =>
  Array.from({ length: stops }, (_, i) => bottom + ((i + 0.5) / stops) * (top - bottom)).reduce(
    (most, height) => Math.max(most, Math.sqrt(Math.max(0, areaAt(curve, height)))),
    top - bottom,
  )

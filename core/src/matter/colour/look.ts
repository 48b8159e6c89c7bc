import { bandCount, even, toLinear, type Rgb, type Spectrum } from './bands.ts'
import { flux, over } from './flux.ts'
import type { Dose } from '../mix/index.ts'
import { hexOf } from './hex.ts'
import { matterOf, mixed, type Matter } from './matter.ts'

/** A layer that is looked through, and how deep it is, m. */
export interface Sheet {
  matter: Matter
  depth: number
}

/**
 * What is seen of a ground through layers, the nearest first, in each band.
 *
 * @example lookThrough([], even(0.5))[0] // 0.5
 */
export function lookThrough(sheets: readonly Sheet[], ground: Spectrum): Spectrum {
  return sheets.reduceRight(
    (below: Spectrum, { matter: { k, s }, depth }) =>
      Float64Array.from({ length: bandCount }, (_, band) =>
        over(flux(k[band], s[band], depth), below[band]),
      ),
    ground,
  )
}

/** The same as linear sRGB. */
export const seenThrough = (sheets: readonly Sheet[], ground: Spectrum): Rgb =>
  toLinear(lookThrough(sheets, ground))

/**
 * The share of light that goes straight through, in each band: of clear layers the product of all.
 *
 * @example passes([{ matter: { k: even(100), s: even(0) }, depth: 0.01 }])[0].toFixed(4) // '0.3679'
 */
export const passes = (sheets: readonly Sheet[]): Spectrum =>
  Float64Array.from({ length: bandCount }, (_, band) =>
    sheets.reduce(
      (share, { matter: { k, s }, depth }) => share * flux(k[band], s[band], depth).through,
      1,
    ),
  )

/**
 * What is seen of resin with tints in it, so deep over white, as `#rrggbb`.
 *
 * @example seenOfDoses(clearMatter, [], 0.01) // '#ffffff'
 */
export const seenOfDoses = (body: Matter, doses: readonly Dose[], depth: number): string => {
  const tints = doses.map(({ material, fraction }) => ({
    matter: matterOf(material),
    dose: fraction,
  }))
  return hexOf(seenThrough([{ matter: mixed(body, tints), depth }], even(1)))
}

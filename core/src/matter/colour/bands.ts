import { bandWeights } from './observer.ts'

/** Light is reckoned in so many bands: three turn deep amber into the wrong hue. */
export const bandCount = 8

const [lowest, highest] = [410, 690]
const edges = Array.from(
  { length: bandCount + 1 },
  (_, i) => lowest + (i * (highest - lowest)) / bandCount,
)

/** What each band adds to linear red, green and blue, three numbers a band. */
export const rgbOfBands = bandWeights(edges)

/** A share of the light for each band. */
export type Spectrum = Float64Array

export type Rgb = [red: number, green: number, blue: number]

/** The same share of every band. @example even(0.5)[7] // 0.5 */
export const even = (share: number): Spectrum => new Float64Array(bandCount).fill(share)

/**
 * Linear sRGB of light that keeps these shares of daylight.
 *
 * @example toLinear(even(1)).map((x) => Math.round(x)) // [1, 1, 1]
 */
export function toLinear(spectrum: ArrayLike<number>): Rgb {
  const rgb: Rgb = [0, 0, 0]
  for (let band = 0; band < bandCount; band++) {
    for (let channel = 0; channel < 3; channel++) {
      rgb[channel] += spectrum[band] * rgbOfBands[3 * band + channel]
    }
  }
  return rgb
}

import {
  differenceCiede2000,
  formatHex,
  modeLab65,
  modeLrgb,
  modeRgb,
  parse,
  useMode,
  type Lab65,
  type Lrgb,
} from 'culori/fn'
import type { Rgb } from './bands.ts'

/* Only the spaces that are used: the rest of the library stays out of the page. */
const screen = useMode(modeRgb)
const linear = useMode(modeLrgb)
const lab = useMode(modeLab65)
const ciede2000 = differenceCiede2000()

const held = (x: number) => Math.min(1, Math.max(0, x))
const asLinear = ([r, g, b]: Rgb): Lrgb => ({ mode: 'lrgb', r, g, b })

/** Linear light of `#rrggbb`. @example linearOf('#ffffff') // [1, 1, 1] */
export function linearOf(hex: string): Rgb {
  const { r, g, b } = linear(screen(parse(hex)))!
  return [r, g, b]
}

/** Linear light as `#rrggbb`; what a screen can't show is held at its edge. @example hexOf([1, 1, 1]) // '#ffffff' */
export const hexOf = (rgb: Rgb): string => formatHex(screen(asLinear(rgb.map(held) as Rgb)))

/** CIE L*a*b* under D65 of linear light. @example labOf([1, 1, 1]).l // 100 */
export const labOf = (rgb: Rgb): Lab65 => lab(asLinear(rgb))

/**
 * How different two linear lights look: CIEDE2000 (ISO/CIE 11664-6). 1 is just seen side by side,
 * 10 is another colour.
 *
 * @example deltaE([1, 1, 1], [1, 1, 1]) // 0
 */
export const deltaE = (one: Rgb, other: Rgb): number => ciede2000(asLinear(one), asLinear(other))

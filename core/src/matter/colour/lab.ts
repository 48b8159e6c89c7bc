import {
  differenceCiede2000,
  modeLab65,
  modeLrgb,
  modeRgb,
  useMode,
  type Lab65,
  type Lrgb,
} from 'culori/fn'
import type { Rgb } from './bands.ts'

/* Only the spaces that are used: the rest of the library stays out of the page. */
const screen = useMode(modeRgb)
useMode(modeLrgb)
const lab = useMode(modeLab65)
const ciede2000 = differenceCiede2000()

const asLinear = ([r, g, b]: Rgb): Lrgb => ({ mode: 'lrgb', r, g, b })

/** CIE L*a*b* under D65 of linear light. @example labOf([1, 1, 1]).l // 100 */
export const labOf = (rgb: Rgb): Lab65 => lab(screen(asLinear(rgb)))

/**
 * How different two linear lights look: CIEDE2000 (ISO/CIE 11664-6). 1 is just seen side by side,
 * 10 is another colour.
 *
 * @example deltaE([1, 1, 1], [1, 1, 1]) // 0
 */
export const deltaE = (one: Rgb, other: Rgb): number => ciede2000(labOf(one), labOf(other))

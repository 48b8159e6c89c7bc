import type { Rgb } from './bands.ts'

/* By hand and not by culori, which would stand in the first screen for these two alone. */

/** Linear light of a byte's share of sRGB, and back (IEC 61966-2-1). */
const toLinearShare = (x: number) => (x <= 0.04045 ? x / 12.92 : ((x + 0.055) / 1.055) ** 2.4)
const toScreenShare = (x: number) => (x <= 0.0031308 ? 12.92 * x : 1.055 * x ** (1 / 2.4) - 0.055)

/** Linear light of `#rrggbb`. @example linearOf('#ffffff') // [1, 1, 1] */
export const linearOf = (hex: string): Rgb =>
  [1, 3, 5].map((at) => toLinearShare(parseInt(hex.slice(at, at + 2), 16) / 255)) as Rgb

/** Linear light as `#rrggbb`; what a screen can't show is held at its edge. @example hexOf([1, 1, 1]) // '#ffffff' */
export const hexOf = (rgb: Rgb): string =>
  `#${rgb
    .map((x) => Math.round(255 * toScreenShare(Math.min(1, Math.max(0, x)))))
    .map((byte) => byte.toString(16).padStart(2, '0'))
    .join('')}`

import { rgb } from 'd3-color'
import { interpolateRgb, piecewise } from 'd3-interpolate'
import type { Quantity } from '@mivro/core/matter/cure'
import { token } from '../theme/token.ts'

/** What is shown by colours: of a field, or how thick a wall is. */
export type Shown = Quantity | 'wall'

/**
 * Stops of the colours. Heat goes from ink through amber to honey: one family, darker is cooler.
 * Cure goes from the pale blue of what pours to the honey of what is set. A wall is red where it is too
 * thin, honey below what is wished, teal above it.
 */
const stops: Record<Shown, string[]> = {
  temperature: ['heat-0', 'heat-1', 'heat-2', 'heat-3', 'heat-4', 'heat-5'],
  wall: ['stop', 'honey', 'cure-0', 'teal-mid', 'teal'],
  alpha: ['cure-0', 'cure-1', 'cure-2', 'cure-3'],
}
const coloursOf = (what: Shown): string[] => stops[what].map(token)

export type Ramp = (share: number) => readonly [number, number, number]

/** A table of 256 colours, since a field asks for one at every point of its picture. */
export function rampOf(what: Shown): Ramp {
  const along = piecewise(interpolateRgb, coloursOf(what))
  const table = Array.from({ length: 256 }, (_, i) => {
    const { r, g, b } = rgb(along(i / 255))
    return [r, g, b] as const
  })
  return (share) => table[Math.max(0, Math.min(255, Math.round(share * 255)))]
}

export const gradientOf = (what: Shown): string =>
  `linear-gradient(to right, ${coloursOf(what).join(', ')})`

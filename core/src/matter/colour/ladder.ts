import type { Tint } from '../material/index.ts'
import { luminance, matterOf, type Matter, mixed } from './matter.ts'
import { hexOf } from './hex.ts'
import { deltaE } from './lab.ts'
import { lookThrough, seenThrough } from './look.ts'
import { even } from './bands.ts'

/** One chip of a ladder: what it is dosed with, and what is expected of it. */
export interface Chip {
  dose: number
  /** Of resin in it, kg. */
  resin: number
  /** Of the tint, kg. */
  tint: number
  expected: string
}

/** One chip to the next (common practice, no source). */
const step = 2

/**
 * A ladder of chips to cast of a tint: doses a factor of 2 apart, the last at its limit.
 *
 * @example tintLadder(violet, clearMatter, { chips: 5, resin: 0.005, depth: 0.005 }).map((c) => c.dose) // [0.0003125, 0.000625, 0.00125, 0.0025, 0.005]
 */
export function tintLadder(
  tint: Tint,
  body: Matter,
  { chips, resin, depth }: { chips: number; resin: number; depth: number },
): Chip[] {
  return Array.from({ length: chips }, (_, i) => {
    const dose = tint.limit / step ** (chips - 1 - i)
    const matter = mixed(body, [{ matter: matterOf(tint), dose }])
    const expected = hexOf(seenThrough([{ matter, depth }], even(1)))
    return { dose, resin, tint: dose * resin, expected }
  })
}

/** From this difference on a tint is plainly seen beside what is untinted (from memory). */
const plainly = 5

/**
 * The lowest dose that is plainly seen where a layer is thinnest, over white, or none within the
 * tint's limit does.
 *
 * @example lowestSeen(violet, clearMatter, 0.002) < violet.limit // true
 */
export function lowestSeen(tint: Tint, body: Matter, thinnest: number): number | undefined {
  const plain = seenThrough([{ matter: body, depth: thinnest }], even(1))
  const seen = (dose: number) => {
    const matter = mixed(body, [{ matter: matterOf(tint), dose }])
    return deltaE(seenThrough([{ matter, depth: thinnest }], even(1)), plain) >= plainly
  }
  if (!seen(tint.limit)) return undefined
  let [low, high] = [0, tint.limit]
  while (high - low > 1e-4 * tint.limit) {
    const middle = (low + high) / 2
    if (seen(middle)) high = middle
    else low = middle
  }
  return high
}

/** A colour that sends back less than this of the light reads as black (from memory). */
const blackBelow = 0.03

/**
 * The highest dose that still reads as a colour where a layer is thickest, over white; none where
 * it does up to the tint's limit.
 *
 * @example highestRead(violet, clearMatter, 0.001) // undefined
 */
export function highestRead(tint: Tint, body: Matter, thickest: number): number | undefined {
  const reads = (dose: number) => {
    const matter = mixed(body, [{ matter: matterOf(tint), dose }])
    return luminance(lookThrough([{ matter, depth: thickest }], even(1))) >= blackBelow
  }
  if (reads(tint.limit)) return undefined
  let [low, high] = [0, tint.limit]
  while (high - low > 1e-4 * tint.limit) {
    const middle = (low + high) / 2
    if (reads(middle)) low = middle
    else high = middle
  }
  return low
}

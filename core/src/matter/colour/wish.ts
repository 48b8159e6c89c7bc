import { even } from './bands.ts'
import { lookThrough } from './look.ts'
import type { Matter } from './matter.ts'
import type { Wish } from './solve.ts'
import type { Rgb } from './bands.ts'

/** What lies behind a cast, by the share of light it sends back (from memory). */
export const grounds = { white: 1, grey: 0.2, black: 0.04 } as const
export type Ground = keyof typeof grounds

/** A brushed coat, m (common practice, no source). */
export const usualCoat = 0.0004

/**
 * A wished colour through so much resin over a ground; with a coat, m, the colour is in that, and
 * the clear cast lies behind it.
 *
 * @example wishThrough([0.5, 0.5, 0.5], clearMatter, { depth: 0.01, ground: 'white' }).depth // 0.01
 */
export function wishThrough(
  colour: Rgb,
  body: Matter,
  { depth, ground, coat }: { depth: number; ground: Ground; coat?: number },
): Wish {
  const behind = even(grounds[ground])
  return coat === undefined
    ? { colour, body, depth, ground: behind }
    : { colour, body, depth: coat, ground: lookThrough([{ matter: body, depth }], behind) }
}

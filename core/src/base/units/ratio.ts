import { Problem } from '../problem/index.ts'
import { parseNumber } from './number.ts'

/**
 * A mix ratio as a sheet writes it: `2:1`, `100:82`, `10 to 1`, `3/1`.
 * Throws `Problem`: not-a-ratio, ratio-zero.
 *
 * @example parseRatio('100:82') // { a: 100, b: 82 }
 */
export function parseRatio(text: string): { a: number; b: number } {
  const match = /^\s*([\d.,]+)\s*(?::|\/|to|zu|\s)\s*([\d.,]+)\s*$/i.exec(text)
  if (!match) throw new Problem('not-a-ratio', { text })
  const a = parseNumber(match[1], text)
  const b = parseNumber(match[2], text)
  if (a === 0 || b === 0) throw new Problem('ratio-zero', { text })
  return { a, b }
}

/** @example showRatio({ a: 100, b: 82 }) // '100:82' */
export const showRatio = ({ a, b }: { a: number; b: number }): string => `${a}:${b}`

import { Problem } from '../problem/index.ts'
import type { Kind } from './kinds.ts'

const glyphs: Record<string, number> = {
  '½': 1 / 2,
  '¼': 1 / 4,
  '¾': 3 / 4,
  '⅛': 1 / 8,
  '⅜': 3 / 8,
  '⅝': 5 / 8,
  '⅞': 7 / 8,
}

/**
 * A number as typed: decimal point or comma, `1/8`, `1 1/2`, `1½`.
 * `1,000` can be a thousand or one: it is refused (`ambiguous-comma`), never guessed.
 *
 * @example parseNumber('1 1/2') // 1.5
 */
export function parseNumber(
  number: string,
  text = number,
  kind: Kind | 'number' = 'number',
): number {
  const trimmed = number.trim()
  const sign = trimmed.startsWith('-') ? -1 : 1
  const unsigned = trimmed.replace(/^[+-]\s*/, '')
  return sign * readUnsigned(unsigned, text, kind)
}

function readUnsigned(unsigned: string, text: string, kind: string): number {
  const glyph = glyphs[unsigned.slice(-1)]
  if (glyph !== undefined) {
    const whole = unsigned.slice(0, -1).trim()
    return glyph + (whole ? readDecimal(whole, text, kind) : 0)
  }
  const fraction = /^(?:(\d+)\s+)?(\d+)\/(\d+)$/.exec(unsigned)
  if (!fraction) return readDecimal(unsigned, text, kind)
  const [, whole, over, under] = fraction
  if (Number(under) === 0) throw new Problem('zero-denominator', { text })
  return Number(whole ?? 0) + Number(over) / Number(under)
}

function readDecimal(decimal: string, text: string, kind: string): number {
  if (/^[1-9]\d{0,2},\d{3}$/.test(decimal)) throw new Problem('ambiguous-comma', { text })
  const plain = decimal.replace(',', '.')
  if (!/^(\d+\.?\d*|\.\d+)$/.test(plain)) throw new Problem('not-a-number', { text, kind })
  return Number(plain)
}

import { Problem } from '../problem/index.ts'
import { chosenUnit, metric, type UnitChoice } from './choice.ts'
import { findUnit, toSI, type Kind, type Unit } from './kinds.ts'
import { parseNumber } from './number.ts'

/** A number (with fractions and either decimal mark) and the letters that follow it. */
const term =
  /^\s*([+-]?(?:\d+\s+\d+\/\d+|\d+\/\d+|\d[\d.,]*|[.,]\d+)(?:\s*[½¼¾⅛⅜⅝⅞])?|[+-]?[½¼¾⅛⅜⅝⅞])\s*((?:[^\d+-]|(?<=m)3)*)/

interface Term {
  value: number
  number: string
  unit?: Unit
}

/**
 * What a person typed, as a number in SI units.
 * Reads `8`, `8 mm`, `1/8 in`, `1 1/2"`, `4 oz` (mass) and `4 fl oz` (volume), `60 psi`,
 * `-29 inHg`, `90F`, `2h30`, `1 lb 4 oz`, `1,5 ml`. A bare number takes the unit of `choice`, or
 * `bare` where a field means another (weeks since something was made).
 *
 * Throws `Problem`: nothing-typed, not-a-number, ambiguous-comma, zero-denominator,
 * unknown-unit, other-kind, bare-ounce, colon-duration.
 *
 * @example parseQuantity('1/8 in', 'length') // 0.003175
 * @example parseQuantity('2h30', 'duration') // 9000
 * @example parseQuantity('30', 'duration', metric, { bare: 'days' }) // 2592000
 */
export function parseQuantity(
  text: string,
  kind: Kind,
  choice: UnitChoice = metric,
  { bare }: { bare?: string } = {},
): number {
  const typed = text.trim().replace(/[−–]/g, '-')
  if (typed === '') throw new Problem('nothing-typed', { kind })
  if (kind === 'duration' && /\d:\d/.test(typed)) throw new Problem('colon-duration', { text })

  const terms = readTerms(typed, kind, text)
  const usual = bare === undefined ? chosenUnit(kind, choice) : findUnit(bare)!
  const first = terms[0].unit ?? usual
  const compound = terms.length > 1
  const readable =
    terms[0].unit && !first.offset && terms.slice(1).every((t) => /^\d/.test(t.number))
  if (compound && !readable) throwUnread(text, kind)
  const sign = terms[0].number.startsWith('-') ? -1 : 1
  let total = toSI(terms[0].value, first)
  let unit = first
  for (const next of terms.slice(1)) {
    unit = next.unit ?? smallerUnit(unit) ?? throwUnread(text, kind)
    total += sign * toSI(next.value, unit)
  }
  return total
}

function readTerms(typed: string, kind: Kind, text: string): Term[] {
  const terms: Term[] = []
  let rest = typed
  while (rest.trim() !== '') {
    const match = term.exec(rest)
    if (!match) throwUnread(text, kind)
    const [whole, number, letters] = match!
    terms.push({
      value: parseNumber(number, text, kind),
      number,
      unit: readUnit(letters, number, kind, text),
    })
    rest = rest.slice(whole.length)
  }
  return terms
}

function readUnit(letters: string, number: string, kind: Kind, text: string): Unit | undefined {
  const spelling = letters.trim()
  if (spelling === '') return undefined
  const unit = findUnit(spelling)
  if (!unit) throw new Problem('unknown-unit', { text, unit: spelling, kind })
  if (unit.kind === kind) return unit
  // An ounce of weight where a volume is wanted is the classic slip: say how to write it.
  if (unit.symbol === 'oz' && kind === 'volume')
    throw new Problem('bare-ounce', { text, number: number.trim() })
  throw new Problem('other-kind', { text, unit: spelling, isA: unit.kind, kind })
}

/** `2h30`: a number after hours is minutes, after minutes seconds, after feet inches. */
function smallerUnit(unit: Unit): Unit | undefined {
  const below: Record<string, string> = { h: 'min', min: 's', d: 'h', ft: 'in', lb: 'oz' }
  return findUnit(below[unit.symbol] ?? '')
}

function throwUnread(text: string, kind: Kind): never {
  throw new Problem('not-a-number', { text, kind })
}

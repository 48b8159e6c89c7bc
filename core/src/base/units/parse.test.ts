import fc from 'fast-check'
import { sayProblem } from '@mivro/words/problem'
import { describe, expect, it } from 'vitest'
import { Problem } from '../problem/index.ts'
import { imperial, metric, type UnitChoice } from './choice.ts'
import type { Kind } from './kinds.ts'
import { parseQuantity } from './parse.ts'
import {
  figure,
  scaleUnits,
  show,
  showArea,
  showCup,
  showDuration,
  showTimeOfDay,
} from './display.ts'
import { parseRatio } from './ratio.ts'

/** Conversion factors: NIST SP 811 (2008), appendix B.8; the inch and the pound are exact. */
const table: [text: string, kind: Kind, si: number][] = [
  ['8', 'length', 0.008],
  ['8 mm', 'length', 0.008],
  ['8mm', 'length', 0.008],
  ['1/8 in', 'length', 0.003175],
  ['1 1/2"', 'length', 0.0381],
  ['1½ in', 'length', 0.0381],
  ['½"', 'length', 0.0127],
  ['1 ft 3 in', 'length', 0.381],
  ['1\' 3"', 'length', 0.381],
  ['2,5 cm', 'length', 0.025],
  ['.5 in', 'length', 0.0127],
  ['1/2 in.', 'length', 0.0127],
  ['4 oz', 'mass', 0.11339809],
  ['1 lb 4 oz', 'mass', 0.56699046],
  ['250 mg', 'mass', 0.00025],
  ['4 fl oz', 'volume', 118.29412e-6],
  ['4 fl. oz.', 'volume', 118.29412e-6],
  ['30', 'volume', 30e-6],
  ['30 cc', 'volume', 30e-6],
  ['5 cm3', 'volume', 5e-6],
  ['0,5 l', 'volume', 0.5e-3],
  ['60 psi', 'pressure', 413685.44],
  ['-29 inHg', 'pressure', -98205.28],
  ['−29 inHg', 'pressure', -98205.28],
  ['2.8 bar', 'pressure', 280000],
  ['90F', 'temperature', 305.37222],
  ['32 °C', 'temperature', 305.15],
  ['-40 °F', 'temperature', 233.15],
  ['2h30', 'duration', 9000],
  ['2 h 30 min', 'duration', 9000],
  ['2.5 h', 'duration', 9000],
  ['150 s', 'duration', 150],
  ['3 d', 'duration', 259200],
  ['45', 'duration', 2700],
  ['1.1 g/ml', 'density', 1100],
  ['1100 kg/m3', 'density', 1100],
  ['9.2 lb/gal', 'density', 1102.40313],
  ['12 %', 'fraction', 0.12],
  ['0,2%', 'fraction', 0.002],
  ['600 cps', 'viscosity', 0.6],
]

describe('quantities as people type them', () => {
  it.each(table)('%s as %s', (text, kind, si) => {
    const read = parseQuantity(text, kind)
    expect(Math.abs(read - si)).toBeLessThanOrEqual(1e-6 * Math.abs(si))
  })

  it('a bare number takes the chosen unit', () => {
    expect(parseQuantity('1', 'length', imperial)).toBeCloseTo(0.0254, 12)
    expect(parseQuantity('70', 'temperature', imperial)).toBeCloseTo(294.261, 3)
  })

  it('survives being shown and read again, to the precision shown', () => {
    const kinds = ['length', 'mass', 'volume', 'temperature'] as const
    fc.assert(
      fc.property(
        fc.constantFrom(...kinds),
        fc.constantFrom(metric, imperial),
        fc.double({ min: 0.001, max: 1, noNaN: true }),
        (kind, choice, share) => {
          const value = kind === 'temperature' ? 280 + 40 * share : share * 1e-2
          const again = parseQuantity(show(value, kind, choice), kind, choice)
          // Half of what is shown last: whole grams and millilitres from a thousand up.
          const coarsest = { length: 1.3e-4, mass: 5.1e-4, volume: 5.1e-7, temperature: 0.51 }[kind]
          expect(Math.abs(again - value)).toBeLessThanOrEqual(coarsest)
        },
      ),
    )
  })
})

describe('what cannot be read says why and how to write it', () => {
  const refusals: [text: string, kind: Kind, code: string, says: RegExp][] = [
    ['4 oz', 'volume', 'bare-ounce', /Write "4 fl oz" for volume/],
    ['4 fl oz', 'mass', 'other-kind', /"fl oz" is a volume, and a weight is wanted/],
    [
      '8 parsec',
      'length',
      'unknown-unit',
      /"parsec" is not a unit of length known here. Use mm, cm/,
    ],
    ['', 'length', 'nothing-typed', /Write a length, such as 8 mm/],
    ['thick', 'length', 'not-a-number', /"thick" does not read as a length/],
    ['1-2 mm', 'length', 'not-a-number', /does not read as a length/],
    ['1.2.3', 'length', 'not-a-number', /does not read/],
    ['1,000', 'length', 'ambiguous-comma', /Write 1000 or 1.000/],
    ['1/0 in', 'length', 'zero-denominator', /divides by zero/],
    ['2:30', 'duration', 'colon-duration', /2h30/],
    ['3 min', 'length', 'other-kind', /"min" is a time, and a length/],
  ]
  it.each(refusals)('%s as %s', (text, kind, code, says) => {
    const problem = caught(() => parseQuantity(text, kind))
    expect(problem.code).toBe(code)
    expect(sayProblem(problem)).toMatch(says)
  })
})

describe('ratios', () => {
  it.each([
    ['2:1', 2, 1],
    ['100:82', 100, 82],
    ['10 to 1', 10, 1],
    ['3/1', 3, 1],
    ['100:1,5', 100, 1.5],
  ])('%s', (text, a, b) => expect(parseRatio(text)).toEqual({ a, b }))

  it('a zero is refused, for nothing would cure', () => {
    expect(sayProblem(caught(() => parseRatio('2:0')))).toMatch(
      /nothing would cure. Write both parts/,
    )
    expect(caught(() => parseRatio('two to one')).code).toBe('not-a-ratio')
  })
})

describe('quantities as a hand can use them', () => {
  it('shows the scale its own step', () => {
    expect(show(0.0643219, 'mass', metric, { step: 0.0001 })).toBe('64.3 g')
    expect(show(0.00018712, 'mass', metric, { step: 0.00001 })).toBe('0.19 g')
  })

  it('a cup has no tenths of a millilitre, a surface is in squares of the length', () => {
    expect(show(150e-6, 'volume', metric, { step: 1e-6 })).toBe('150 ml')
    expect(show(150e-6, 'volume', imperial, { step: 1e-6 })).toBe('5.07 fl oz')
    // A cup is known by what is printed on it.
    expect(showCup(150e-6)).toBe('150 ml')
    expect(showCup(32 * 29.5735295625e-6, imperial)).toBe('32 fl oz')
    expect(showCup(150e-6, imperial)).toBe('5.07 fl oz')
    expect(showArea(0.0149)).toBe('149.0 cm²')
    expect(showArea(0.00064516, imperial)).toBe('1.0 in²')
  })

  // Amounts to three digits, never finer than the hand.
  it.each<[number, 'length' | 'volume' | 'mass' | 'fraction', UnitChoice, string]>([
    [0.36e-6, 'volume', metric, '0.36'],
    [3.14159e-6, 'volume', metric, '3.14'],
    [31.4159e-6, 'volume', metric, '31.4'],
    [318.02e-6, 'volume', metric, '318.0'],
    [1234.5e-6, 'volume', metric, '1235'],
    [0.36e-6, 'volume', imperial, '0.012'],
    [0.009525, 'length', imperial, '3/8'],
    [0.0381, 'length', imperial, '1 1/2'],
    [0.0254, 'length', imperial, '1.00'],
    [0.01, 'length', imperial, '0.394'],
    [0.00762, 'mass', metric, '7.62'],
    // A dose keeps two digits, however small: what is typed is another value than what stood there.
    [0.00006, 'fraction', metric, '0.006'],
    [0.000114, 'fraction', metric, '0.011'],
    [0.0000063, 'fraction', metric, '0.00063'],
    [0.0155, 'fraction', metric, '1.55'],
    [4.2e-6, 'mass', metric, '0.0042'],
    [2.1e-9, 'mass', metric, '0.00'],
    [0, 'fraction', metric, '0'],
  ])('%d as %s in %o is %s', (value, kind, choice, shown) =>
    expect(figure(value, kind, choice)).toBe(shown),
  )

  it('a scale that reads to a tenth of a gram shows grams, whoever reads it', () => {
    expect(scaleUnits(0.0001, imperial).mass).toBe('g')
    expect(scaleUnits(0.0001, metric).mass).toBe('g')
    expect(scaleUnits(0.005 * 0.028349523125, imperial).mass).toBe('oz')
    expect(scaleUnits(0.005 * 0.028349523125, metric).mass).toBe('oz')
  })

  it('seconds are said where a fast resin needs them, and weeks are read bare where a field means them', () => {
    expect(showDuration(690, 'second')).toBe('11 min 30 s')
    expect(showTimeOfDay(50430, metric, 'second')).toBe('14:00:30')
    expect(showTimeOfDay(50430)).toBe('14:01')
    // Noon is 12 pm and midnight 12 am (common practice).
    const twelve = [0, 9 * 3600, 43200, 50430, 97200].map((s) => showTimeOfDay(s, imperial))
    expect(twelve).toEqual(['12:00 am', '9:00 am', '12:00 pm', '2:01 pm', '3:00 am, day 2'])
    expect(parseQuantity('30', 'duration', metric, { bare: 'days' })).toBe(30 * 86400)
    expect(parseQuantity('2 months', 'duration') / 86400).toBeCloseTo(60.87, 1)
  })

  it('never shows a negative zero', () => expect(figure(-1e-9, 'length')).toBe('0.0'))

  it.each([
    [45, '45 s'],
    [150, '2 min 30 s'],
    [52 * 60, '52 min'],
    [690, '12 min'],
    [9000, '2 h 30 min'],
    [47 * 3600 + 59 * 60, '47 h 59 min'],
    [60.55 * 3600, '2 d 13 h'],
    [7200, '2 h'],
    [3 * 86400 + 4 * 3600, '3 d 4 h'],
  ])('%d s is %s', (seconds, said) => expect(showDuration(seconds)).toBe(said))
})

function caught(run: () => unknown): Problem {
  try {
    run()
  } catch (error) {
    if (error instanceof Problem) return error
    throw error
  }
  throw new Error('nothing was refused')
}

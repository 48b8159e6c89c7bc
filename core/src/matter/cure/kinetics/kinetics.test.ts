import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { resinClassNames } from '../../material/index.ts'
import {
  alphaAfter,
  alphaDoubled,
  arrhenius,
  classLaws,
  cureRate,
  fastestRate,
  timeTo,
  viscosityAt,
  type Kinetics,
} from './index.ts'

/** Slow enough that the cap on the rate stays out of a closed form in seconds at k = 1. */
const scale = 1e-4
const kinetics = (values: Partial<Kinetics>): Kinetics => ({
  k1: 0,
  k2: scale,
  energy: 55e3,
  m: 0,
  n: 2,
  ...values,
})

describe('rates of cure', () => {
  it('n = 2, k = 1: α 0.85 after 5.667 s (closed form: α/(1 − α))', () => {
    expect(timeTo(kinetics({}), 0.85) * scale).toBeCloseTo(0.85 / 0.15, 3)
    expect(0.85 / 0.15).toBeCloseTo(5.667, 3)
  })

  it('m = n = 1, k1 0.01, k2 1: α 0.85 after 6.289 s (closed form by partial fractions)', () => {
    const found = timeTo(kinetics({ k1: 0.01 * scale, m: 1, n: 1 }), 0.85) * scale
    expect(found).toBeCloseTo(6.289, 2)
    expect(Math.log((0.01 + 0.85) / 0.01 / 0.15) / 1.01).toBeCloseTo(6.289, 3)
  })

  it.each([
    [45, 1.817],
    [55, 2.074],
    [65, 2.368],
  ])('10 °C above 23 °C at %d kJ/mol is × %d (Arrhenius, closed form)', (energy, factor) => {
    expect(arrhenius(energy * 1e3, 306.15) / arrhenius(energy * 1e3, 296.15)).toBeCloseTo(factor, 3)
  })

  it('the degree of cure after a time is the inverse of the time to it', () => {
    fc.assert(
      fc.property(
        fc.constantFrom(...resinClassNames),
        fc.double({ min: 0.02, max: 0.9, noNaN: true }),
        fc.double({ min: 283, max: 320, noNaN: true }),
        (name, alpha, temperature) => {
          const found = { ...classLaws[name].kinetics, k1: 1e-5, k2: 1e-4 }
          expect(alphaAfter(found, timeTo(found, alpha, temperature), temperature)).toBeCloseTo(
            alpha,
            5,
          )
        },
      ),
    )
  })

  it('a tail slows the end and not the beginning, warmth puts it off (Chern & Poehlein form)', () => {
    const free = kinetics({ n: 1 })
    const held = { ...free, tail: 0.75 }
    expect(cureRate(held, 0.2, 296.15) / cureRate(free, 0.2, 296.15)).toBeCloseTo(1, 6)
    expect(cureRate(held, 0.75, 296.15) / cureRate(free, 0.75, 296.15)).toBeCloseTo(0.5, 6)
    expect(cureRate(held, 0.75, 321.15) / cureRate(free, 0.75, 321.15)).toBeGreaterThan(0.9)
  })

  it('never outruns its cap, and ends when all is cured', () => {
    expect(cureRate(kinetics({ k2: 100 }), 0.5, 400)).toBe(fastestRate)
    expect(cureRate(kinetics({}), 1, 296.15)).toBe(0)
  })
})

describe('thickening', () => {
  it('α where viscosity doubles, gel 0.58, exponent 1.5 + α: 0.1947 (Castro & Macosko form)', () => {
    expect(alphaDoubled({ viscosity: 1, energy: 60e3, gel: 0.58, a: 1.5, b: 1 })).toBeCloseTo(
      0.1947,
      4,
    )
  })

  it('rises without bound to the gel, and warmth thins', () => {
    const { rheology } = classLaws['coating epoxy']
    expect(viscosityAt(rheology, 0, 296.15)).toBeCloseTo(rheology.viscosity, 12)
    expect(viscosityAt(rheology, 0, 306.15)).toBeLessThan(rheology.viscosity / 2)
    expect(viscosityAt(rheology, rheology.gel - 1e-6, 296.15)).toBeGreaterThan(1e6)
    expect(viscosityAt(rheology, rheology.gel, 296.15)).toBe(Infinity)
  })
})

describe('heat', () => {
  it('a fast urethane left to itself warms by 97.30 K (H/cp, closed form)', () => {
    const { heat, heatCapacity } = classLaws['fast urethane'].thermal
    expect(heat / heatCapacity).toBeCloseTo(97.3, 2)
  })
})

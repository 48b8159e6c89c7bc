import { describe, expect, it } from 'vitest'
import { cases as castCases } from './samples.ts'
import { mouldCases } from './mould.samples.ts'
import { causeNames } from './causes.ts'
import { diagnose } from './diagnose.ts'
import { effectOf, rateOf } from './effect.ts'
import { likelihoods } from './likelihoods.ts'
import { faultNames } from '../../work/pull/index.ts'

const cases = [...castCases, ...mouldCases]

/** Where the cause that a caster would name stands in the ranking, from 1; 0: not in it. */
const rankOf = ({ cause, ...finding }: (typeof cases)[number]) =>
  1 + diagnose(finding).suspects.findIndex((one) => one.cause === cause)

describe('causes of faults', () => {
  it.each(cases.map((one) => [one.tells, one] as const))('%s', (_, one) => {
    const rank = rankOf(one)
    expect(rank).toBeGreaterThan(0)
    expect(rank).toBeLessThanOrEqual(3)
  })

  it('names the right cause first in nine of ten cases', () => {
    expect(cases.length).toBeGreaterThanOrEqual(40)
    const first = cases.filter((one) => rankOf(one) === 1)
    expect(first.length / cases.length).toBeGreaterThanOrEqual(0.9)
  })

  it('still has it among the first three in most when only half of it was told', () => {
    const half = cases.map(({ facts, place, ...rest }) => {
      const every = (value: object | undefined) =>
        Object.fromEntries(Object.entries(value ?? {}).filter((_, i) => i % 2 === 0))
      return { ...rest, facts: every(facts), place: every(place) }
    })
    const found = half.filter((one) => rankOf(one) >= 1 && rankOf(one) <= 3)
    expect(found.length / cases.length).toBeGreaterThanOrEqual(0.8)
  })

  it('knows a cause for every fault, and a case for every cause', () => {
    for (const fault of faultNames) expect(diagnose({ fault }).suspects, fault).not.toEqual([])
    for (const cause of causeNames) {
      expect(
        cases.some((one) => one.cause === cause),
        cause,
      ).toBe(true)
    }
  })

  it('a table of likelihoods holds shares, and never says never', () => {
    for (const { makes, signs } of Object.values(likelihoods)) {
      for (const share of [...Object.values(makes), ...Object.values(signs)]) {
        expect(share).toBeGreaterThan(0)
        expect(share).toBeLessThan(1)
      }
    }
  })

  it('what is not told counts neither way; what is told moves it', () => {
    const plain = diagnose({ fault: 'foam' }).suspects
    expect(plain[0].speaks).toEqual([])
    // Damp 0.7, an old bottle 0.25 of what makes foam: 74 % by hand.
    expect(plain[0].likely).toBeCloseTo(0.7 / 0.95, 6)
    const dry = diagnose({ fault: 'foam', facts: { humidity: 0.3, opened: 5e7 } }).suspects
    expect(dry[0].cause).toBe('old bottle')
    // By hand: 0.7·(0.15/0.75)·(0.15/0.12) = 0.175 against 0.25·(0.8/0.75)·(0.95/0.12) = 2.111.
    expect(dry[0].likely).toBeCloseTo(2.1111 / (2.1111 + 0.175), 4)
    expect(dry[0].speaks.map(({ sign }) => sign)).toEqual(['opened long ago'])
    expect(dry[1].against.map(({ sign }) => sign)).toEqual(['air humid'])
  })

  it('asks for what would tell the first two apart', () => {
    expect(diagnose({ fault: 'foam' }).ask.slice(0, 2)).toEqual(['opened long ago', 'air humid'])
    expect(diagnose({ fault: 'seam step or flash' }).ask[0]).toBe('keyed')
  })
})

describe('the effect of a change', () => {
  it('a share with its width: tables of the beta distribution', () => {
    // Beta(1, 5), closed form 1 − (1 − p)^(1/5): 5 % at 0.0102, 95 % at 0.4507.
    expect(rateOf({ seen: 0, of: 4 }).low).toBeCloseTo(1 - 0.95 ** 0.2, 6)
    expect(rateOf({ seen: 0, of: 4 }).high).toBeCloseTo(1 - 0.05 ** 0.2, 6)
    // Beta(4, 1): p^(1/4).
    expect(rateOf({ seen: 3, of: 3 }).low).toBeCloseTo(0.05 ** 0.25, 6)
    // Symmetric.
    expect(rateOf({ seen: 5, of: 10 }).low + rateOf({ seen: 5, of: 10 }).high).toBeCloseTo(1, 6)
  })

  it('three of three before and none of four since: it helped', () => {
    const { verdict, better } = effectOf({ seen: 3, of: 3 }, { seen: 0, of: 4 })
    expect(verdict).toBe('helped')
    // Beta(1, 5) under Beta(4, 1), by hand: 1 − 5·B(5, 5) = 1 − 5·4!·4!/9!.
    expect(better).toBeCloseTo(1 - (5 * 24 * 24) / 362880, 9)
  })

  it('claims nothing from one pull', () => {
    expect(effectOf({ seen: 3, of: 3 }, { seen: 0, of: 1 }).verdict).toBe('too early')
    expect(effectOf({ seen: 1, of: 1 }, { seen: 0, of: 9 }).verdict).toBe('too early')
  })

  it('the same before and after is no difference, more is worse', () => {
    const same = effectOf({ seen: 4, of: 8 }, { seen: 4, of: 8 })
    expect(same.better).toBeCloseTo(0.5, 9)
    expect(same.verdict).toBe('no difference seen')
    expect(effectOf({ seen: 0, of: 6 }, { seen: 5, of: 6 }).verdict).toBe('worse')
  })
})

import jStat from 'jstat'
import { uniformFloat64 } from 'pure-rand/distribution/uniformFloat64'
import { xoroshiro128plus } from 'pure-rand/generator/xoroshiro128plus'
import { describe, expect, it } from 'vitest'
import { newMould, usualCondition, type Mould } from '../../mould/index.ts'
import { newPlan } from '../../work/plan/index.ts'
import { newRun } from '../../work/run/index.ts'
import { withinPull, type Pin, type Pull } from '../../work/pull/index.ts'
import { causeNames } from './causes.ts'
import { changed } from './change.ts'
import { effectOf, rateOf } from './effect.ts'
import { addedSince, countOf, effectOfChange, repeatedOf, trialsOf } from './history.ts'
import { remedies } from './remedies.ts'

const tip: Pin = {
  id: 'a',
  fault: 'void at a tip',
  at: [0.01, 0, 0.04],
  size: 0.002,
  note: '',
}
const pull = (day: number, more: Partial<Pull> = {}): Pull =>
  ({
    pouredAt: `2026-10-${String(day).padStart(2, '0')}T10:00:00Z`,
    copies: 1,
    faults: [],
    outcome: 'good',
    ...more,
  }) as Pull
const empty = (day: number, more: Partial<Pin> = {}) =>
  pull(day, { pins: [{ ...tip, ...more }], outcome: 'fixable' })
const vented = {
  id: 'c',
  what: 'vent here',
  fault: 'void at a tip',
  cause: 'no way out for air',
  at: tip.at,
  takenAt: '2026-10-10T09:00:00Z',
} as const

describe('what pulls say together', () => {
  const season = [empty(1), empty(3), empty(5), pull(12), pull(14), pull(16), pull(18)]

  it('a tip that was empty three times and since its vent no more', () => {
    const { before, after, verdict } = effectOfChange(vented, season)
    expect([before, after]).toMatchObject([
      { seen: 3, of: 3 },
      { seen: 0, of: 4 },
    ])
    expect(verdict).toBe('helped')
  })

  it('a vent that was put in later was not there yet', () => {
    const changes = [vented]
    const written = [{ ...season[0], changes }, ...season.slice(1)]
    expect(addedSince(written, season[2]).map(({ id }) => id)).toEqual(['c'])
    expect(addedSince(written, season[3])).toEqual([])
  })

  it('from one pull since nothing is claimed', () => {
    expect(effectOfChange(vented, season.slice(0, 4)).verdict).toBe('too early')
  })

  it('another place is not the same place', () => {
    const elsewhere = empty(14, { at: [-0.02, 0, 0.04] })
    expect(countOf([elsewhere], { fault: 'void at a tip', at: tip.at }).seen).toBe(0)
    expect(countOf([elsewhere], { fault: 'void at a tip' }).seen).toBe(1)
  })

  it('counts casts, not pulls, where copies are named', () => {
    const six = pull(2, { copies: 6, pins: [1, 2, 2, 5].map((copy) => ({ ...tip, copy })) })
    expect(countOf([six], tip)).toMatchObject({ seen: 3, of: 6 })
  })

  it('the same again counts pulls before it alone', () => {
    expect(repeatedOf(tip, season[2], season)).toEqual({ seen: 2, of: 2 })
    expect(repeatedOf(tip, season[0], season)).toEqual({ seen: 0, of: 0 })
  })

  it('a paired trial, by casts that did not come out good', () => {
    const arm = (day: number, with_: 'yes' | 'no', results: ('good' | 'lost')[]) =>
      pull(day, {
        copies: results.length,
        trial: { id: 't', difference: 'pressure', with: with_ },
        results: results.map((result, i) => ({ copy: i + 1, result })),
      })
    const [found] = trialsOf([
      arm(1, 'no', ['lost', 'lost', 'good', 'lost']),
      arm(1, 'yes', ['good', 'good', 'good', 'good']),
    ])
    expect(found.without).toEqual({ seen: 3, of: 4 })
    expect(found.with).toEqual({ seen: 0, of: 4 })
    expect(found.effect.verdict).toBe('helped')
  })
})

describe('a change', () => {
  const mould = newMould('m', 'p', [0, 0, 1], 0.05)
  const plan = newPlan('x')

  it('there is one for every cause', () => {
    for (const cause of causeNames) expect(remedies[cause].length, cause).toBeGreaterThan(0)
  })

  it('puts a vent where the fault was pinned', () => {
    const { openings } = changed('vent here', { mould }, 'v', [0, 0, 0.04])!.mould!
    expect(openings).toEqual([
      { id: 'v', what: 'vent', at: [0, 0, 0.04], bore: 0.0015, made: 'cut later' },
    ])
  })

  it('tilts by 12°', () => {
    const { up } = changed('tilt', { plan }, 'v')!.plan!
    expect((Math.acos(up[2] / Math.hypot(...up)) * 180) / Math.PI).toBeCloseTo(12, 6)
  })

  it('fewer moulds a mix, never none', () => {
    const run = { ...newRun('r'), perMix: 2 }
    const once = changed('fewer moulds a mix', { run }, 'v')!.run!
    expect(once.perMix).toBe(1)
    expect(changed('fewer moulds a mix', { run: once }, 'v')!.run!.perMix).toBe(1)
  })

  it('takes powder and release off, and wipes where it is not wiped', () => {
    const powdered = {
      ...mould,
      liking: { ...mould.liking, dust: 'talc', release: 'spray' },
    } as Mould
    expect(changed('no powder', { mould: powdered }, 'c')!.mould!.liking.dust).toBe('none')
    expect(changed('no release', { mould: powdered }, 'c')!.mould!.liking.release).toBe('none')
    expect(changed('wipe it first', { mould }, 'c')).toBeUndefined()
    const unwiped = { ...mould, before: [usualCondition('look over')] }
    const wiped = changed('wipe it first', { mould: unwiped }, 'c')!.mould!
    expect(wiped.before!.map(({ what }) => what)).toEqual(['look over', 'wipe'])
  })

  it('is not offered where there is nothing that it could change', () => {
    expect(changed('vent here', { plan }, 'v', [0, 0, 0])).toBeUndefined()
    expect(changed('vent here', { mould }, 'v')).toBeUndefined()
    expect(changed('by hand', { plan, mould }, 'v')).toBeUndefined()
  })
})

describe('casts of one pull share their luck', () => {
  it('six of them are worth 2.4, two pulls of six 4.8', () => {
    const six = pull(2, { copies: 6 })
    expect(countOf([six, six], tip)).toEqual({ seen: 0, of: 12, worth: 4.8 })
  })

  // Beta-binomial worlds with the correlation that is assumed: the share of each pull is drawn.
  const chance = xoroshiro128plus(5)
  const uniform = () => uniformFloat64(chance)
  const pulled = (share: number): Pull => {
    const sum = 1 / withinPull - 1
    const own = jStat.beta.inv(uniform(), share * sum, (1 - share) * sum)
    const copies = Array.from({ length: 6 }, (_, i) => i + 1)
    const pins = copies.flatMap((copy) => (uniform() < own ? [{ ...tip, copy }] : []))
    return pull(1, { copies: 6, pins })
  }
  const worlds = Array.from({ length: 1500 }, () => {
    const share = 0.02 + 0.96 * uniform()
    const some = () =>
      countOf(
        [1, 2, 3].map(() => pulled(share)),
        tip,
      )
    return { share, before: some(), after: some() }
  })

  it('a change of no effect is said to have helped in at most one world of ten', () => {
    const verdicts = worlds.map(({ before, after }) => effectOf(before, after).verdict)
    const share = (verdict: string) =>
      verdicts.filter((one) => one === verdict).length / verdicts.length
    expect(share('helped')).toBeLessThan(0.1)
    expect(share('worse')).toBeLessThan(0.1)
    expect(share('too early')).toBe(0)
    const counted = worlds.filter(
      ({ before, after }) =>
        effectOf({ ...before, worth: before.of }, { ...after, worth: after.of }).verdict ===
        'helped',
    )
    // Counted as casts of their own it would be claimed far more often than it is true.
    expect(counted.length / worlds.length).toBeGreaterThan(0.15)
  })

  it('nine in ten of the shares lie where it says', () => {
    const held = worlds.filter(({ share, before }) => {
      const { low, high } = rateOf(before)
      return share >= low && share <= high
    })
    expect(held.length / worlds.length).toBeGreaterThan(0.87)
  })
})

import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { brokenIn } from '../../base/procedure/index.ts'
import { newMould, type Mould } from '../mould.ts'
import { bandsFor } from './bands.ts'
import {
  conditioningOf,
  conditionNames,
  conditionRules,
  isDue,
  movedCondition,
  usualCondition,
  type Condition,
} from './conditioning.ts'
import { conditioningTakes, withCondition, withoutCondition } from './edit.ts'

/* What is done to a mould before a pull, and in which order: common practice, no source. */

const mould = (liking: Partial<Mould['liking']> = {}, before?: Condition[]): Mould => {
  const made = newMould('Test', 'p', [0, 0, 1], 0.03)
  return { ...made, before, liking: { ...made.liking, ...liking } }
}
const names = (list: readonly Condition[]) => list.map(({ what }) => what)

describe('the list of a mould', () => {
  it('is looked over and wiped, and what its setup asks for comes after, in the order of the trade', () => {
    expect(names(conditioningOf(mould()))).toEqual(['look over', 'wipe'])
    expect(
      names(conditioningOf(mould({ dust: 'talc', release: 'spray', warmth: 313.15 }))),
    ).toEqual(['look over', 'wipe', 'release', 'warm', 'powder'])
  })

  it('keeps its own lines, how often and how long; what the setup does without is left out', () => {
    const own = [
      { ...usualCondition('powder'), every: 0, hands: 45 },
      { ...usualCondition('other'), name: 'Insert for the hollow back' },
    ]
    expect(conditioningOf(mould({ dust: 'starch' }, own))).toEqual(own)
    expect(names(conditioningOf(mould({ dust: 'none' }, own)))).toEqual(['other'])
  })

  it('what is added is asked of the setup too, and gone from both when it is taken out', () => {
    const powdered = { ...mould(), ...withCondition(mould(), 'powder') }
    expect(powdered.liking.dust).toBe('starch')
    // A new mould is powdered once: before its first pull.
    expect(conditioningOf(powdered).at(-1)).toMatchObject({ what: 'powder', every: 0 })
    const without = { ...powdered, ...withoutCondition(powdered, 2) }
    expect(without.liking.dust).toBe('none')
    expect(names(conditioningOf(without))).toEqual(['look over', 'wipe'])
    const bare = { ...without, ...withoutCondition(without, 0) }
    expect(names(conditioningOf(bare))).toEqual(['wipe'])
  })

  it('what would undo what was done before is not moved there; what stands free is', () => {
    const list = ['look over', 'wipe', 'release', 'other'].map((what) =>
      usualCondition(what as Condition['what']),
    )
    expect(movedCondition(list, 1, 2)).toEqual({ breaks: ['wipe', 'release'] })
    const free = movedCondition(list, 3, 0)
    expect('list' in free && names(free.list)).toEqual(['other', 'look over', 'wipe', 'release'])
  })

  it('whatever is added, moved and taken out, no list breaks a rule', () => {
    const step = fc.oneof(
      fc.record({ add: fc.constantFrom(...conditionNames) }),
      fc.record({ remove: fc.nat(8) }),
      fc.record({ from: fc.nat(8), to: fc.nat(8) }),
    )
    fc.assert(
      fc.property(fc.array(step, { maxLength: 12 }), (steps) => {
        let now = mould()
        for (const one of steps) {
          const list = conditioningOf(now)
          if ('add' in one) now = { ...now, ...withCondition(now, one.add) }
          else if ('remove' in one) {
            if (one.remove < list.length) now = { ...now, ...withoutCondition(now, one.remove) }
          } else if (one.from < list.length && one.to < list.length) {
            const moved = movedCondition(list, one.from, one.to)
            if ('list' in moved) now = { ...now, before: moved.list }
          }
          const after = conditioningOf(now).map(({ what }) => ({ does: what }))
          expect(brokenIn(after, conditionRules)).toEqual([])
        }
      }),
      { numRuns: 200 },
    )
  })
})

it('a line is due before the first pull alone, each, or every so many', () => {
  const due = (every: number) =>
    [1, 2, 3, 4, 5, 6, 7].filter((pull) => isDue({ every }, pull)).join('')
  expect([due(0), due(1), due(3)]).toEqual(['1', '1234567', '147'])
  // 15 s to look, 15 s to wipe; 20 s of powder at the first.
  const list = [
    usualCondition('look over'),
    usualCondition('wipe'),
    { ...usualCondition('powder'), every: 0 },
  ]
  expect([conditioningTakes(list, 1), conditioningTakes(list, 2)]).toEqual([50, 30])
})

// One for every 20 to 30 mm of seam, three at least. A parting of a box 60 x 40 mm is 200 mm long and
// eight crossings of four bands hold it; a cut of 90 mm takes four; a small one still takes three.
it('bands are proposed from the seam', () => {
  const block = (width: number, depth: number, height: number, round = false) => ({
    ...{ width, depth, height, round },
  })
  expect(bandsFor('two-part', block(0.06, 0.04, 0.05))).toEqual({ seam: 0.2, bands: 4 })
  expect(bandsFor('cut block', block(0.06, 0.04, 0.09))).toEqual({ seam: 0.09, bands: 4 })
  expect(bandsFor('cut block', block(0.03, 0.03, 0.03))!.bands).toBe(3)
  expect(bandsFor('turning', block(0.1, 0.1, 0.12, true))!.bands).toBe(7)
  expect(bandsFor('open block', block(0.06, 0.04, 0.05))).toBeUndefined()
})

import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { firmPlatinum } from '../../matter/material/samples.ts'
import { compileMould } from '../compile.ts'
import { mouldKindNames, mouldKinds } from '../kind/kinds.ts'
import type { Mould } from '../mould.ts'
import { block60, geometryOfSolid, sampleMould } from '../samples.ts'
import { earlierOpen, handsTime, makingSteps, waitingTime } from './making.ts'
import { changingStages, stageAfter } from './stage.ts'
import { makingStays } from './times.ts'

const geometry = geometryOfSolid(block60)
const hour = 3600
const clean = sampleMould().contact
/** A master of oil clay on its way: little to prepare. */
const making = (values: Partial<Mould>) => {
  const contact = { ...clean, master: { ...clean.master, substance: 'sulphur-free clay' as const } }
  const mould = sampleMould({ contact, ...values })
  return makingSteps(mould, compileMould(mould, geometry, firmPlatinum, 1e-4), firmPlatinum)
}
const at = (steps: ReturnType<typeof making>, does: string, nth = 0) =>
  steps.flatMap((step, i) => (step.does === does ? [i] : []))[nth]

describe('hands and waits', () => {
  // Two-part in one batch a half: smooth 15, dust 2, bed 90, stand 10, walls 20, twice (weigh 4 and stir
  // as the sheet says, pour 5), clear 30, release 15, open 20; waits: smooth 10, two cures, release 5,
  // rest 12 h.
  it('of a two-part mould add up by hand', () => {
    const steps = making({ kind: 'two-part' })
    const stirred = 2 * firmPlatinum.mixTime
    expect(handsTime(steps)).toBe(
      (15 + 2 + 90 + 10 + 20 + 2 * (4 + 5) + 30 + 15 + 20) * 60 + stirred,
    )
    expect(waitingTime(steps)).toBe(10 * 60 + 2 * firmPlatinum.demould + 300 + 12 * hour)
  })

  it('of every kind are those of its advice, to a factor of two', () => {
    for (const kind of mouldKindNames) {
      const hands = handsTime(making({ kind }))
      expect(hands / (mouldKinds[kind].hands * hour || 1), kind).toBeLessThan(2)
      if (kind !== 'bought') {
        expect(hands / (mouldKinds[kind].hands * hour), kind).toBeGreaterThan(0.4)
      }
    }
  })
})

describe('the days of a making', () => {
  const open = { from: 8 * hour, until: 20 * hour }
  const step = (hands: number, wait: number) => ({ hands: hands * hour, wait: wait * hour })

  it('a cure overnight puts the next stay on the next morning, a short wait stays within one', () => {
    const stays = makingStays([step(2, 0.25), step(1, 16), step(0.5, 0)], 9 * hour, open)
    expect(stays).toEqual([
      { from: 9 * hour, until: 12.25 * hour, first: 0, last: 1 },
      // Cured at 4:15 in the night: the bench opens at 8.
      { from: 32 * hour, until: 32.5 * hour, first: 2, last: 2 },
    ])
  })

  it('what no longer fits before the evening is begun the next day', () => {
    const [stay] = makingStays([step(4, 0)], 18 * hour, open)
    expect(stay.from).toBe(32 * hour)
  })

  it('nobody is at the bench at night, and nothing is begun before it is ripe', () => {
    const some = fc.record({
      hands: fc.integer({ min: 0, max: 5 * hour }),
      wait: fc.integer({ min: 0, max: 30 * hour }),
    })
    fc.assert(
      fc.property(fc.array(some, { minLength: 1, maxLength: 12 }), (steps) => {
        const stays = makingStays(steps, 9 * hour, open)
        const hands = stays.reduce((sum, { from, until }) => sum + until - from, 0)
        expect(hands).toBeGreaterThanOrEqual(handsTime(steps))
        for (const [i, { from, until, last }] of stays.entries()) {
          const fits = until - from <= 12 * hour
          if (fits) expect((until % (24 * hour)) - 1).toBeLessThanOrEqual(20 * hour)
          expect(from % (24 * hour)).toBeGreaterThanOrEqual(8 * hour)
          const next = stays[i + 1]
          if (next) expect(next.from).toBeGreaterThanOrEqual(until + steps[last].wait)
        }
      }),
    )
  })
})

describe('what is there at a step', () => {
  it('of a two-part mould: bed, walls, first half, turned without clay, second half, open, at rest', () => {
    const steps = making({ kind: 'two-part' })
    const stage = (does: string, nth = 0) => stageAfter(steps, at(steps, does, nth) + 1)
    expect(stageAfter(steps, 0)).toMatchObject({ master: true, bed: false, first: false })
    expect(stage('bed')).toMatchObject({ bed: true, seated: true, walls: false })
    expect(stage('walls')).toMatchObject({ bed: true, walls: true, first: false })
    expect(stage('pour')).toMatchObject({ bed: true, first: true, second: false })
    expect(stage('clear')).toMatchObject({ bed: false, turned: true, second: false })
    expect(stage('release half')).toMatchObject({ released: true, second: false })
    expect(stage('pour', 1)).toMatchObject({ first: true, second: true, master: true })
    expect(stage('open')).toMatchObject({ open: true, master: false, walls: false })
    expect(stage('rest')).toMatchObject({ open: false, master: false, turned: false })
  })

  it('of a sock: coat over coat, its shell, no box', () => {
    const steps = making({ kind: 'brushed sock', coats: 3 })
    const stage = (does: string, nth = 0) => stageAfter(steps, at(steps, does, nth) + 1)
    expect([0, 1, 2].map((nth) => stage('brush coat', nth).coats)).toEqual([1, 2, 3])
    expect(stage('bandage')).toMatchObject({ shell: true, coats: 3, walls: false })
  })

  it('of a printed shell: bed in its lower half, closed, poured, turned, closed again, poured', () => {
    const steps = making({ kind: 'printed shell' })
    const stage = (does: string, nth = 0) => stageAfter(steps, at(steps, does, nth) + 1)
    expect(stage('bed')).toMatchObject({ bed: true, jacket: 'lower', first: false })
    expect(stage('jacket')).toMatchObject({ bed: true, jacket: 'both', first: false })
    expect(stage('pour')).toMatchObject({ jacket: 'both', first: true, second: false })
    expect(stage('clear')).toMatchObject({ bed: false, jacket: 'upper', turned: true })
    expect(stage('jacket', 1)).toMatchObject({ jacket: 'both', released: true, second: false })
    expect(stage('pour', 1)).toMatchObject({ first: true, second: true, walls: false })
  })

  it('is drawn once for each step that changes it', () => {
    const pictures = (more: Partial<Mould>) => {
      const steps = making(more)
      return changingStages(steps).map(({ step }) => steps[step].does)
    }
    expect(pictures({ kind: 'two-part' })).toEqual([
      ...['bed', 'walls', 'pour', 'clear', 'release half', 'pour', 'open', 'rest'],
    ])
    expect(pictures({ kind: 'brushed sock', coats: 2 })).toEqual([
      ...['seat', 'brush coat', 'brush coat', 'bandage', 'open', 'rest'],
    ])
    expect(pictures({ kind: 'printed shell' })).toEqual([
      ...['shell', 'bed', 'jacket', 'pour', 'clear', 'release half', 'jacket', 'pour'],
      ...['open', 'rest'],
    ])
  })

  it('a step that is ticked ahead says what the rules put before it', () => {
    const steps = making({ kind: 'two-part' })
    const walls = at(steps, 'walls')
    const before = earlierOpen(steps, walls, new Set()).map((i) => steps[i].does)
    expect(before).toEqual(expect.arrayContaining(['bed', 'seat']))
    const all = new Set(Array.from({ length: walls }, (_, i) => i))
    expect(earlierOpen(steps, walls, all)).toEqual([])
  })
})

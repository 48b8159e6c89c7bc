import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { newPlan, type Plan } from './plan.ts'
import type { CompiledPlan, LayerClock } from './compile/compiled.ts'
import { movePour, pourMoment } from './moments.ts'

const below: LayerClock = {
  mixAt: 0,
  pourAt: 240,
  lastPourAt: 240,
  cupUntil: 2400,
  bleedsUntil: 4000,
  gelAt: 6000,
  joinUntil: 10_000,
  trimAt: 40_000,
  demouldAt: 80_000,
  basis: { pourable: 'model', gel: 'model', join: 'model', demould: 'model' },
}

describe('moving a pour moment', () => {
  it.each([
    [7100, 'crisp', 7000],
    [5040, 'soft', 5000],
    [400, 'bled', 480],
    [-9000, 'bled', 480],
  ])('%d s snaps to %s', (at, join, snapped) => {
    expect(pourMoment(below, 240, at, 200)).toEqual({ at: snapped, meets: join, snapped: join })
  })

  it('apart from those it stays where it is put, and says what it meets', () => {
    expect(pourMoment(below, 240, 9000, 200)).toEqual({ at: 9000, meets: 'crisp' })
    expect(pourMoment(below, 240, 20_000, 200)).toEqual({ at: 20_000, meets: 'late' })
    expect(pourMoment(below, 240, 3000, 200)).toEqual({ at: 3000, meets: 'bled' })
  })

  it('never before the hands are free', () => {
    fc.assert(
      fc.property(fc.double({ min: -1e5, max: 1e5, noNaN: true }), (at) => {
        expect(pourMoment(below, 600, at, 50).at).toBeGreaterThanOrEqual(840)
      }),
    )
  })

  const layer = (id: string) => ({
    id,
    name: id,
    fill: { by: 'height' as const, top: 0.01 },
    tints: [],
    inclusions: [],
    join: 'crisp' as const,
  })
  const plan: Plan = { ...newPlan('x'), layers: [layer('a'), { ...layer('b'), wait: 99 }] }
  const compiled = { layers: [{ clock: below }, {}] } as unknown as CompiledPlan

  it('a snapped one is a join and no wait; another is a wait from the pour below', () => {
    const snapped = movePour(plan, compiled, 1, { at: 5000, meets: 'soft', snapped: 'soft' })
    expect(snapped.layers[1]).toMatchObject({ join: 'soft', wait: undefined })
    const free = movePour(plan, compiled, 1, { at: 9000, meets: 'crisp' })
    expect(free.layers[1]).toMatchObject({ join: 'crisp', wait: 8760 })
    expect(movePour(plan, compiled, 1, { at: 20_000, meets: 'late' }).layers[1].join).toBe('crisp')
  })
})

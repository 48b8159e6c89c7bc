import { beforeEach, describe, expect, it, vi } from 'vitest'
import { sheetCure, type Batch } from '@mivro/core/cure'
import { cureTimes } from '../work/laws.ts'
import { slowEpoxy } from '../../../core/src/material/samples.ts'
import { useTimes } from './useTimes.ts'

const asked: Batch[][] = []
let broken = false
vi.mock('../work/pool.ts', () => ({
  askTimes: async (batches: Batch[]) => {
    asked.push(batches)
    if (broken) throw new Error('no worker')
    return cureTimes(batches)
  },
}))
beforeEach(() => {
  asked.length = 0
  broken = false
})

const batch = (values: Partial<Batch> = {}): Batch => ({
  resin: slowEpoxy,
  room: 296.15,
  mass: 0.1,
  depth: 0.005,
  of: 'a',
  ...values,
})

describe('times by the model', () => {
  it('are the sheet’s until the worker has answered, then the model’s, and asked once', async () => {
    const clock = useTimes()
    expect(clock.cure(batch())).toEqual(sheetCure(batch()))
    await clock.catchUp()
    expect(clock.version.value).toBe(1)
    expect(clock.cure(batch()).basis.gel).toBe('model')
    await clock.catchUp()
    expect(asked).toHaveLength(1)
    expect(clock.waiting.value).toBe(false)
  })

  it('a layer that changes keeps what it had until it is answered anew', async () => {
    const clock = useTimes()
    clock.cure(batch())
    await clock.catchUp()
    const had = clock.cure(batch())
    expect(clock.cure(batch({ depth: 0.006 }))).toEqual(had)
    expect(clock.cure(batch({ depth: 0.006, of: 'b' })).basis.gel).toBe('sheet')
  })

  it('what a drag passed through while the worker was busy is not asked', async () => {
    const clock = useTimes()
    clock.cure(batch())
    const first = clock.catchUp()
    for (let i = 0; i < 20; i++) clock.cure(batch({ depth: 0.006 + i * 1e-4 }))
    await first
    clock.cure(batch({ depth: 0.008 }))
    await clock.catchUp()
    expect(asked.map((list) => list.length)).toEqual([1, 1])
  })

  it('whose it is makes no new question', async () => {
    const clock = useTimes()
    clock.cure(batch({ of: 'a' }))
    clock.cure(batch({ of: 'b' }))
    await clock.catchUp()
    expect(asked[0]).toHaveLength(1)
  })

  it('without a worker the sheet stands, and is not asked for ever', async () => {
    broken = true
    const clock = useTimes()
    clock.cure(batch())
    await clock.catchUp()
    expect(clock.cure(batch())).toEqual(sheetCure(batch()))
    await clock.catchUp()
    expect(asked).toHaveLength(1)
  })

  it('a look at another room leaves what is shown alone', async () => {
    const clock = useTimes()
    clock.cure(batch())
    await clock.catchUp()
    const had = clock.cure(batch())
    expect(clock.peek(batch({ room: 301.15 }))).toEqual(sheetCure(batch({ room: 301.15 })))
    await clock.times([batch({ room: 301.15 })])
    expect(clock.peek(batch({ room: 301.15 })).basis.gel).toBe('model')
    expect(clock.cure(batch({ depth: 0.007 }))).toEqual(had)
  })

  it('answers apart from a plan share what is known', async () => {
    const clock = useTimes()
    const rooms = [291.15, 301.15].map((room) => batch({ room }))
    const [cold, warm] = await clock.times(rooms)
    expect(cold.gel).toBeGreaterThan(warm.gel)
    await clock.times(rooms)
    expect(asked).toHaveLength(1)
  })
})

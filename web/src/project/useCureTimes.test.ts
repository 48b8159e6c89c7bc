import { beforeEach, describe, expect, it, vi } from 'vitest'
import { flushPromises } from '@vue/test-utils'
import { batchKey, sheetCure, type Batch } from '@mivro/core/matter/cure'
import type { CompiledLayer } from '@mivro/core/work/plan'
import { cureTimes } from '../work/laws.ts'
import { slowEpoxy } from '../../../core/src/matter/material/samples.ts'
import { useCureTimes } from './useCureTimes.ts'

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
/** What compiling would say of layers with these batches. */
const shown = (known: ReturnType<typeof useCureTimes>, ...batches: Batch[]) => ({
  layers: batches.map((one) => ({ id: one.of, batch: one }) as CompiledLayer),
  wanted: batches.filter((one) => !known.times.value.has(batchKey(one))),
})

describe('times by the model', () => {
  it('are asked once, of one worker, and known then', async () => {
    const known = useCureTimes()
    known.follow(shown(known, batch(), batch({ of: 'b' })))
    expect(known.waiting.value).toBe(true)
    await flushPromises()
    expect(known.times.value.get(batchKey(batch()))!.basis.gel).toBe('model')
    known.follow(shown(known, batch()))
    await flushPromises()
    // Whose it is makes no new question.
    expect(asked.map((list) => list.length)).toEqual([1])
    expect(known.waiting.value).toBe(false)
  })

  it('a layer that changes keeps in mind what it had until it is answered anew', async () => {
    const known = useCureTimes()
    known.follow(shown(known, batch()))
    await flushPromises()
    known.follow(shown(known, batch()))
    expect(known.before.get('a')).toEqual(known.times.value.get(batchKey(batch())))
    known.follow(shown(known, batch({ depth: 0.006 })))
    expect(known.before.get('a')).toEqual(known.times.value.get(batchKey(batch())))
  })

  it('what a drag passed through while the worker was busy is not asked', async () => {
    const known = useCureTimes()
    for (let i = 0; i < 20; i++) known.follow(shown(known, batch({ depth: 0.006 + i * 1e-4 })))
    await flushPromises()
    expect(asked.map((list) => list[0].depth)).toEqual([0.006, 0.006 + 19e-4])
  })

  it('without a worker the sheet stands, and is not asked for ever', async () => {
    broken = true
    const known = useCureTimes()
    known.follow(shown(known, batch()))
    await flushPromises()
    expect(known.times.value.get(batchKey(batch()))).toEqual(sheetCure(batch()))
    known.follow(shown(known, batch()))
    await flushPromises()
    expect(asked).toHaveLength(1)
  })

  it('answers apart from a plan share what is known, and leave what is shown alone', async () => {
    const known = useCureTimes()
    const rooms = [291.15, 301.15].map((room) => batch({ room }))
    const times = await known.answer(rooms)
    const [cold, warm] = rooms.map((one) => times.get(batchKey(one))!)
    expect(cold.gel).toBeGreaterThan(warm.gel)
    await known.answer(rooms)
    expect(asked).toHaveLength(1)
    expect(known.before.size).toBe(0)
  })
})

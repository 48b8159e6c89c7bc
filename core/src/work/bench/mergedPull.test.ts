import { describe, expect, it } from 'vitest'
import { mergedPull } from './mergedPull.ts'
import { pullsOf } from './record.ts'
import { after, bench, done } from './samples.ts'
import { progressOf, startOf } from './progress.ts'

/** A bench whose run is out, and its first pull. */
const carried = (...more: Parameters<typeof after>[1][]) => {
  let now = after(bench(), ...more)
  for (let i = 0; i < 300; i++) {
    const { task } = progressOf(now)
    if (!task) break
    const at = 100 + 10 * i
    const met = task.what === 'mix' ? [done(startOf(task.id), at - 9)] : []
    const weighed = task.what === 'weigh' ? task.mass : undefined
    now = { ...now, events: [...now.events, ...met, done(task.id, at, weighed)] }
  }
  return pullsOf(now, { id: 'b', iso: (at) => new Date(at * 1000).toISOString() })[0]
}
const noted = (text: string, picture?: string) =>
  ({ what: 'noted', at: 50, text, picture }) as const
const picture = 'a'.repeat(64)

describe('a pull that its bench writes again', () => {
  it('takes what was recorded after the end, and keeps what was typed and judged meanwhile', () => {
    const before = carried(noted('It froths'))
    const kept = {
      ...before,
      note: 'It froths\nSold at the market',
      outcome: 'lost' as const,
      nextTime: 'Warm it',
      results: before.results!.map((one) => ({ ...one, result: 'lost' as const })),
    }
    const now = carried(noted('It froths'), noted('One is bent', picture))
    const merged = mergedPull(kept, now, before)
    expect(merged.note).toBe('It froths\nSold at the market\nOne is bent')
    expect(merged.pictures!.map(({ id }) => id)).toEqual([picture])
    expect(merged).toMatchObject({ outcome: 'lost', nextTime: 'Warm it' })
    expect(merged.results).toEqual(kept.results)
  })

  it('lets go of what was taken back at the bench, and of nothing else', () => {
    const before = carried(noted('It froths', picture))
    const kept = { ...before, note: `${before.note}\nTyped` }
    const merged = mergedPull(kept, carried(), before)
    expect(merged.note).toBe('Typed')
    expect(merged.pictures).toEqual([])
  })

  it('of an earlier visit nothing is known: it only adds', () => {
    const kept = carried(noted('It froths', picture))
    expect(mergedPull(kept, carried(noted('Later')))).toMatchObject({ note: 'It froths\nLater' })
  })
})

import { expect, it } from 'vitest'
import { mouldKindNames } from '../../mould/index.ts'
import { sampleMould } from '../../mould/samples.ts'
import type { Pull } from './pull.ts'
import { wearOf } from './wear.ts'

const pulls = (...copies: number[]) =>
  copies.map((count, i) => ({ copies: count, mould: i === 1 ? 'other' : undefined }) as Pull)
const twos = sampleMould({ cavities: 2, count: 3 })

it('a mould wears by casts over its cavities and the moulds on hand, not by records', () => {
  // 12 + 18 casts, six of them at once: each mould was pulled 5 times. Those of another do not count.
  expect(wearOf(twos, 'mine', pulls(12, 600, 18), 40)).toEqual({
    casts: 30,
    pulls: 5,
    life: 40,
    band: [10, 100],
    state: 'fresh',
  })
  // A half-filled pull wears as much as a full one.
  expect(wearOf(twos, 'mine', pulls(13), 40).pulls).toBe(3)
})

it('says when the expected life is near, and when it is over', () => {
  const one = sampleMould({ cavities: 1, count: 1 })
  const state = (copies: number) => wearOf(one, 'mine', pulls(copies), 20).state
  // Four fifths of twenty pulls.
  expect([15, 16, 20, 21].map(state)).toEqual([
    'fresh',
    'near its end',
    'near its end',
    'past its life',
  ])
})

// 10 to 100 for a cut block, 6 for two brushed coats, each one more about as many again (common
// practice, no source).
it('a life is a band of its kind, the usual one within it; a sock’s moves with its coats', () => {
  for (const kind of mouldKindNames) {
    for (const detail of ['plain', 'fine grooves'] as const) {
      const one = sampleMould({ kind, coats: 2 })
      const { life, band } = wearOf({ ...one, wish: { ...one.wish, detail } }, 'mine', [])
      expect(band[0], kind).toBeLessThanOrEqual(life)
      expect(band[1], kind).toBeGreaterThanOrEqual(life)
    }
  }
  const coats = (count: number) =>
    wearOf(sampleMould({ kind: 'brushed sock', coats: count }), 'mine', []).band
  expect(coats(3)).toEqual([8, 18])
})

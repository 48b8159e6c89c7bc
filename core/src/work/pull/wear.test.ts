import { expect, it } from 'vitest'
import { mouldKindNames, type Life, type WearMark } from '../../mould/index.ts'
import { sampleMould } from '../../mould/samples.ts'
import type { Pull } from './pull.ts'
import { wearOf } from './wear.ts'

const pulls = (...copies: number[]) =>
  copies.map((count, i) => ({ copies: count, mould: i === 1 ? 'other' : undefined }) as Pull)
const usual: Life = { life: 40, band: [10, 100] }
const twos = sampleMould({ cavities: 2, count: 3 })

it('a mould wears by casts over its cavities and the moulds on hand, not by records', () => {
  // 12 + 18 casts, six of them at once: each mould was pulled 5 times. Those of another do not count.
  expect(wearOf(twos, 'mine', pulls(12, 600, 18), usual)).toEqual({
    casts: 30,
    pulls: 5,
    life: 40,
    band: [10, 100],
    state: 'fresh',
  })
  // A half-filled pull wears as much as a full one.
  expect(wearOf(twos, 'mine', pulls(13), usual).pulls).toBe(3)
})

it('says when the expected life is near, and when it is over', () => {
  const one = sampleMould({ cavities: 1, count: 1 })
  const state = (copies: number) =>
    wearOf(one, 'mine', pulls(copies), { life: 20, band: [10, 30] }).state
  // Four fifths of twenty pulls.
  expect([15, 16, 20, 21].map(state)).toEqual([
    'fresh',
    'near its end',
    'near its end',
    'past its life',
  ])
})

it('a tear counts until it is patched, and an end whatever its pulls', () => {
  const state = (...whats: WearMark['what'][]) => {
    const marks = whats.map((what) => ({ what, on: '2026-11-03', pulls: 4, where: '' }))
    return wearOf(sampleMould({ marks }), 'mine', pulls(4), usual).state
  }
  expect(state()).toBe('fresh')
  expect(state('torn')).toBe('torn')
  expect(state('torn', 'patched')).toBe('fresh')
  expect(state('torn', 'patched', 'frayed')).toBe('torn')
  expect(state('torn', 'patched', 'ended')).toBe('ended')
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

import { expect, it } from 'vitest'
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

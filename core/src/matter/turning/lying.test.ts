import { expect, it } from 'vitest'
import { lieAt, lies, turnTakes, type Lie } from './lying.ts'

const opposite: Record<Lie, Lie> = {
  face: 'back',
  back: 'face',
  left: 'right',
  right: 'left',
  head: 'foot',
  foot: 'head',
}

it('all sides in turn, each a neighbour of the one before: nothing is skipped, nothing turned over at once', () => {
  const turns = 6
  const said = Array.from({ length: 13 }, (_, i) => lieAt(turns, i * turnTakes(turns)).now)
  expect(new Set(said.slice(0, lies.length)).size).toBe(6)
  expect(said[6]).toBe(said[0])
  for (const [i, now] of said.slice(1).entries()) {
    expect(now).not.toBe(said[i])
    expect(now).not.toBe(opposite[said[i]])
  }
})

it('it lies so for a whole turn, and the next is known before', () => {
  expect(lieAt(6, 9.5)).toMatchObject({ now: 'face', next: 'left', left: 0.5 })
  expect(lieAt(4, 9.5).left).toBeCloseTo(5.5)
})

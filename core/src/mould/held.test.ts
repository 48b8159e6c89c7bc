import { expect, it } from 'vitest'
import { heldAs, pullWay } from './held.ts'

const degree = Math.PI / 180
const leaning = (degrees: number) =>
  [Math.sin(degrees * degree), 0, Math.cos(degrees * degree)] as const

it('says how a mould is held: what shows as no degree is none', () => {
  const as = (degrees: number) => heldAs(leaning(degrees), [0, 0, 1]).as
  expect([0, 0.4, 1, 90, 179, 179.6, 180].map(as)).toEqual([
    'as it stood',
    'as it stood',
    'tilted',
    'tilted',
    'tilted',
    'turned over',
    'turned over',
  ])
  expect(heldAs(leaning(12), [0, 0, 1]).angle / degree).toBeCloseTo(12, 9)
})

it('a pull is the same whichever end is up', () => {
  expect(pullWay([0, 0, -1], [0, 0, 1])).toMatchObject({ straight: true, axis: 'z' })
  expect(pullWay(leaning(150), [0, 0, 1]).angle / degree).toBeCloseTo(30, 9)
  expect(pullWay([0, 1, 0], [0, 0, 1])).toMatchObject({ straight: false, axis: 'y' })
  expect(pullWay(leaning(40), [0, 0, 1]).axis).toBeUndefined()
})

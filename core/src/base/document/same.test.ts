import fc from 'fast-check'
import { expect, it } from 'vitest'
import { sameDocument } from './same.ts'

it('the order of fields does not matter, their values do', () => {
  expect(sameDocument({ a: 1, b: { c: [2, 3], d: 'x' } }, { b: { d: 'x', c: [2, 3] }, a: 1 })).toBe(
    true,
  )
  expect(sameDocument({ a: [1, 2] }, { a: [2, 1] })).toBe(false)
  expect(sameDocument({ a: 1, b: undefined }, { a: 1 })).toBe(true)
  expect(sameDocument({ a: 1 }, { a: '1' })).toBe(false)
  expect(sameDocument(null, {})).toBe(false)
})

it('what goes over the wire and back is the same', () => {
  fc.assert(
    fc.property(fc.jsonValue(), (value) => {
      expect(sameDocument(value, JSON.parse(JSON.stringify(value)))).toBe(true)
    }),
  )
})

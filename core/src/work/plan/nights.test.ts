import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { nightsOf } from './nights.ts'

const hour = 3600
const bench = { from: 7 * hour, until: 23 * hour }

describe('the nights of a pour', () => {
  it('begun at ten in the evening, the first closes after an hour and lasts eight', () => {
    expect(nightsOf(22 * hour, bench, 14 * hour)).toEqual([{ from: hour, until: 9 * hour }])
  })

  it('two days hold two, one over before the bench opens holds none', () => {
    expect(nightsOf(9 * hour, bench, 48 * hour)).toHaveLength(2)
    expect(nightsOf(9 * hour, bench, 6 * hour)).toEqual([])
  })

  it('begun in the night, it begins with what is left of it', () => {
    expect(nightsOf(3 * hour, bench, 10 * hour)).toEqual([{ from: 0, until: 4 * hour }])
  })

  it('for any begin: in order, apart, within the pour, and no longer than a night', () => {
    const night = 8 * hour
    fc.assert(
      fc.property(
        fc.integer({ min: 0, max: 86400 }),
        fc.integer({ min: 1, max: 900000 }),
        (b, end) => {
          let last = -1
          for (const { from, until } of nightsOf(b, bench, end)) {
            expect(from).toBeGreaterThan(last)
            expect(until - from).toBeLessThanOrEqual(night)
            expect(until).toBeLessThanOrEqual(end)
            last = until
          }
        },
      ),
    )
  })
})

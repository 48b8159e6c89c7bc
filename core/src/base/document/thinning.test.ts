import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { thinned, type KeptVersion } from './thinning.ts'

const hour = 3600_000
const day = 24 * hour
const now = Date.parse('2026-11-26T12:00:00Z')
const versions = (...ages: number[]): KeptVersion[] =>
  ages.map((age, i) => ({
    revision: i + 1,
    change: i === 0 ? 'made' : 'edited',
    at: new Date(now - age).toISOString(),
  }))

describe('thinning old versions', () => {
  it('every gesture of a week stays', () => {
    const week = Array.from({ length: 50 }, (_, i) => 6.9 * day - i * 60_000)
    expect(thinned(versions(...week), now)).toEqual([])
  })

  it('then the last of each hour, then the last of each day', () => {
    // 30 days old, at 12:00, 12:10, 12:50 and 13:10: the last of the hour stays.
    const old = 30 * day
    expect(
      thinned(versions(90 * day, old, old - 600_000, old - 3000_000, old - 4200_000, 0), now),
    ).toEqual([2, 3])
    // 100 days old, at 1, 5 and 30 hours of the same and the next day.
    const older = 100 * day
    expect(
      thinned(versions(200 * day, older, older - 4 * hour, older - 30 * hour, 0), now),
    ).toEqual([2])
  })

  it('a name, a deletion and a restoring keep theirs', () => {
    const list = versions(100 * day, 90 * day, 90 * day - 1, 90 * day - 2, 90 * day - 3, 0)
    list[1].name = 'Sold'
    list[2].change = 'deleted'
    list[3].change = 'restored'
    expect(thinned(list, now)).toEqual([])
  })

  it('the first and the newest always stay, and thinning again takes nothing more', () => {
    fc.assert(
      fc.property(fc.array(fc.integer({ min: 0, max: 200 * day }), { minLength: 1 }), (ages) => {
        const list = versions(...ages.sort((a, b) => b - a))
        const going = new Set(thinned(list, now))
        expect(going.has(1)).toBe(false)
        expect(going.has(list.length)).toBe(false)
        const left = list.filter(({ revision }) => !going.has(revision))
        expect(thinned(left, now)).toEqual([])
      }),
    )
  })
})

import { describe, expect, it } from 'vitest'
import { operations, runKillPoints } from '../../tools/killPoints.ts'

// Two moments here; fifty of each by hand, docs/promises.md.
describe('killed in the middle the store is as before or as after, whole, and nothing else is left', () => {
  it.each(Object.keys(operations))(
    '%s',
    async (name) => {
      expect(await runKillPoints(name, 2)).toMatchObject({ points: 2, wrong: [] })
    },
    120_000,
  )
})

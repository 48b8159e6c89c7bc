import { expect, it } from 'vitest'
import { runHostile } from '../../tools/hostile.ts'

// A tenth of what is sent by hand, docs/promises.md.
it('what nobody should ask is refused in words, and a backup with a flipped bit changes nothing', async () => {
  expect(await runHostile(700, 8)).toMatchObject({ faults: [], told: [], flipped: 8, altered: 0 })
}, 120_000)

import { dirname } from 'node:path'
import type { Logger } from 'pino'
import type { Store } from '../db/store.ts'
import { removeOldCopies } from './kept.ts'
import { removeUnnamedFiles } from './files.ts'
import { thinVersions } from './thin.ts'

const minute = 60_000
const soon = minute
const everySixHours = 360 * minute
const everyFiveMinutes = 5 * minute

/** What a store needs now and then: its log written in, old versions thinned, leftovers removed. */
export function startUpkeep(store: Store, log: Logger, after = soon): () => void {
  const quietly = (work: () => Promise<unknown>) => () => {
    work().catch((err: unknown) => log.warn({ err }, 'upkeep'))
  }
  const tidy = quietly(async () => {
    const now = Date.now()
    await thinVersions(store, now)
    await removeUnnamedFiles(store, now)
    removeOldCopies(dirname(store.file), now)
  })
  const timers = [
    setTimeout(tidy, after),
    setInterval(tidy, everySixHours),
    setInterval(
      quietly(() => store.checkpoint()),
      everyFiveMinutes,
    ),
  ]
  for (const timer of timers) timer.unref()
  return () => timers.forEach((timer) => clearTimeout(timer))
}

import { createRequire } from 'node:module'
import { Problem } from '@mivro/core/base/problem'
import { isLocked } from './faults.ts'

const require = createRequire(import.meta.url)

interface Raw {
  exec(sql: string): void
  prepare(sql: string): { get(): unknown; run(...values: unknown[]): unknown }
  close(): void
}

/**
 * Keeps a second server out of a store: a small database beside it, in which this process holds
 * an open write for as long as it lives. The operating system lets go of it however the process
 * ends, so that no left-over file ever locks anybody out.
 *
 * Throws `Problem('store-in-use')` with the process that holds it.
 */
export function holdStore(file: string): () => void {
  const place = `${file}.lock`
  const Raw = require('libsql') as new (place: string) => Raw
  const lock = new Raw(place)
  try {
    lock.exec('PRAGMA busy_timeout = 0')
    lock.exec('PRAGMA journal_mode = WAL')
    lock.exec('CREATE TABLE IF NOT EXISTS holder (process INTEGER)')
    lock.exec('DELETE FROM holder')
    lock.prepare('INSERT INTO holder VALUES (?)').run(process.pid)
    lock.exec('BEGIN IMMEDIATE')
  } catch (error) {
    const holder = isLocked(error) ? holderOf(lock) : undefined
    lock.close()
    if (!isLocked(error)) throw error
    throw new Problem('store-in-use', { file, process: holder ?? 0 })
  }
  return () => {
    lock.exec('ROLLBACK')
    lock.close()
  }
}

function holderOf(lock: Raw): number | undefined {
  try {
    const row = lock.prepare('SELECT process FROM holder').get() as { process: number } | undefined
    return row?.process
  } catch {
    return undefined
  }
}

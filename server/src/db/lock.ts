import { createRequire } from 'node:module'
import { rmSync, statSync } from 'node:fs'
import { setTimeout as delay } from 'node:timers/promises'
import { Problem } from '@mivro/core/base/problem'
import { isDamage, isLocked } from './faults.ts'

const require = createRequire(import.meta.url)

interface Raw {
  exec(sql: string): void
  prepare(sql: string): { get(): unknown; run(...values: unknown[]): unknown }
  close(): void
}

/** A server whose lock was deleted takes it anew within this, ms. */
const takenAnewWithin = 1500

/** A store that is held against other servers. */
export interface Hold {
  /** Takes it anew where its file was deleted. Throws `Problem('store-in-use')` where another has it by now. */
  keep(): void
  release(): void
}

/**
 * Keeps a second server out of a store: a small database beside it, in which this process holds
 * an open write for as long as it lives. The operating system lets go of it however the process
 * ends, so that no left-over file ever locks anybody out.
 *
 * Throws `Problem('store-in-use')` with the process that holds it.
 */
export async function holdStore(file: string): Promise<Hold> {
  const place = `${file}.lock`
  let lock: Raw
  try {
    lock = take(file, place)
  } catch (error) {
    if (!isDamage(error)) throw error
    // Its file was deleted and what lies beside it was not: whoever still holds it takes it anew.
    await delay(takenAnewWithin)
    try {
      lock = take(file, place)
    } catch (again) {
      if (!isDamage(again)) throw again
      removeLock(place)
      lock = take(file, place)
    }
  }
  let inode = statSync(place).ino
  return {
    keep() {
      const there = statSync(place, { throwIfNoEntry: false })?.ino
      if (there === inode) return
      lock.close()
      if (there === undefined) removeLock(place)
      lock = take(file, place)
      inode = statSync(place).ino
    },
    release() {
      lock.exec('ROLLBACK')
      lock.close()
    },
  }
}

function removeLock(place: string): void {
  for (const ending of ['', '-wal', '-shm']) rmSync(place + ending, { force: true })
}

function take(file: string, place: string): Raw {
  const Raw = require('libsql') as new (place: string) => Raw
  const lock = new Raw(place)
  try {
    lock.exec('PRAGMA busy_timeout = 0')
    lock.exec('PRAGMA journal_mode = WAL')
    lock.exec('CREATE TABLE IF NOT EXISTS holder (process INTEGER)')
    lock.exec('DELETE FROM holder')
    lock.prepare('INSERT INTO holder VALUES (?)').run(process.pid)
    lock.exec('BEGIN IMMEDIATE')
    return lock
  } catch (error) {
    const holder = isLocked(error) ? holderOf(lock) : undefined
    lock.close()
    if (!isLocked(error)) throw error
    throw new Problem('store-in-use', { file, process: holder ?? 0 })
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

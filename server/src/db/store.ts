import {
  closeSync,
  copyFileSync,
  existsSync,
  fsyncSync,
  linkSync,
  openSync,
  renameSync,
  rmSync,
  statSync,
} from 'node:fs'
import { setImmediate as nextTurn, setTimeout as delay } from 'node:timers/promises'
import { Problem } from '@mivro/core/base/problem'
import { connect, type Database, type Transaction } from './connect.ts'
import { storeProblem } from './faults.ts'
import { sweep } from './leftovers.ts'
import { holdStore, type Hold } from './lock.ts'
import { StoreStates, type StoreState } from './states.ts'

/** Another program's lock is waited for so long, ms, before the person is told. */
const patience = 4000
const between = 60

/** How often to look whether the file is still the one that was opened, ms. */
const lookEvery = 500

/** A store that is being made, and its copy that takes its place. */
const making = '.making'
const copying = '.copy'

/**
 * The one store that a server keeps: a database, held against other servers, that can be replaced
 * as a whole while requests wait. Every transaction goes through it, so that a lock by another
 * program passes or is said, and never sticks.
 */
export class Store {
  private gate: Promise<unknown> = Promise.resolve()
  /**
   * SQLite answers within the call, so that one transaction after the other would run before a single
   * request is read: each begins in a turn of its own.
   */
  private turn: Promise<unknown> = Promise.resolve()
  /** The file that was opened, by its inode, and when that was last looked at. */
  private inode: number
  private looked = 0
  private readonly looking: NodeJS.Timeout

  private constructor(
    readonly file: string,
    private db: Database,
    private readonly hold: Hold | undefined,
    private known: string,
    private readonly states: StoreStates,
  ) {
    this.inode = inodeOf(file)
    // A transaction that comes too late says what is wrong.
    this.looking = setInterval(() => {
      try {
        this.hold?.keep()
      } catch {}
    }, lookEvery).unref()
  }

  /**
   * Opens the store at `file`, or begins one there. `heard` is told each state that it comes to.
   *
   * Throws `Problem`: store-in-use, store-damaged, store-read-only, store-locked, database-newer.
   */
  static async open(file: string, heard?: (state: StoreState) => void): Promise<Store> {
    const states = new StoreStates(heard)
    let hold: Hold | undefined
    try {
      if (file !== ':memory:') {
        hold = await holdStore(file)
        sweep(file)
        if (isNew(file)) {
          states.become('making')
          await make(file)
        }
      }
      states.become('migrating')
      const db = await connect(file)
      const store = new Store(file, db, hold, await epochOf(db), states)
      states.become('open')
      return store
    } catch (error) {
      hold?.release()
      throw storeProblem(error, file) ?? error
    }
  }

  /** Changes when a backup takes the place of everything: a write that names another is stale. */
  get epoch(): string {
    return this.known
  }

  /** Throws `Problem` for what ails the store, and what `work` throws. */
  async transaction<T>(work: (tx: Transaction) => Promise<T>): Promise<T> {
    const until = Date.now() + patience
    for (;;) {
      await (this.turn = this.turn.then(() => nextTurn()))
      await this.gate
      this.lookAfter()
      // SQLite ends a transaction by itself on a full disk, and Knex then stumbles over its own
      // rollback: what the work ran into is what counts.
      let met: unknown
      const keepWord = (tx: Transaction) =>
        work(tx).catch((error: unknown) => {
          met = error
          throw error
        })
      try {
        return await this.db.transaction(keepWord)
      } catch (error) {
        const problem = storeProblem(met ?? error, this.file)
        if (problem?.code !== 'store-locked' || Date.now() > until) throw problem ?? met ?? error
        await delay(between)
      }
    }
  }

  /** What is written into a file that was deleted or replaced is lost: then nothing is. */
  private lookAfter(): void {
    if (this.file === ':memory:' || Date.now() - this.looked < lookEvery) return
    if (inodeOf(this.file) !== this.inode) throw new Problem('store-gone', { file: this.file })
    this.hold?.keep()
    this.looked = Date.now()
  }

  /** Writes the log into the store itself, so that the file alone holds everything. */
  async checkpoint(): Promise<void> {
    await this.gate
    if (this.file !== ':memory:') await this.db.raw('PRAGMA wal_checkpoint(TRUNCATE)')
  }

  /**
   * Puts the checked database at `next` in the place of this one; what was here is kept as `aside`.
   * Requests wait meanwhile. A kill at any moment leaves one or the other, whole.
   */
  replaceWith(next: string, aside: string): Promise<void> {
    const swap = async () => {
      await this.emptyLog()
      this.states.become('swapping')
      await this.db.destroy()
      try {
        keepAs(this.file, aside)
        renameSync(next, this.file)
      } finally {
        for (const ending of ['-wal', '-shm']) rmSync(this.file + ending, { force: true })
        this.states.become('migrating')
        this.db = await connect(this.file)
        this.inode = inodeOf(this.file)
        this.known = await epochOf(this.db)
        this.states.become('open')
      }
    }
    const swapped = this.gate.then(swap)
    this.gate = swapped.catch(() => {})
    return swapped
  }

  /** All of the log is in the file, so that the file can be kept without it. */
  private async emptyLog(): Promise<void> {
    const until = Date.now() + patience
    for (;;) {
      const [{ busy }] = (await this.db.raw('PRAGMA wal_checkpoint(TRUNCATE)')) as [
        { busy: number },
      ]
      if (busy === 0) return
      // Somebody still reads an older state of it: a backup that is being taken.
      if (Date.now() > until) throw new Problem('store-locked', {})
      await delay(between)
    }
  }

  async close(): Promise<void> {
    await this.gate
    await this.checkpoint().catch(() => {})
    await this.db.destroy()
    this.states.become('closed')
    clearInterval(this.looking)
    if (this.hold) sweep(this.file)
    this.hold?.release()
  }
}

const inodeOf = (file: string): number => statSync(file, { throwIfNoEntry: false })?.ino ?? 0

/** The same file under a second name; a copy where the disk knows no second names. */
function keepAs(file: string, aside: string): void {
  try {
    linkSync(file, aside)
  } catch {
    copyFileSync(file, aside)
  }
}

/** Throws `Problem('store-damaged')` for a file that holds nothing. */
function isNew(file: string): boolean {
  if (!existsSync(file)) return true
  if (statSync(file).size > 0) return false
  throw new Problem('store-damaged', { file, reason: 'empty' })
}

/**
 * A new store is made beside its place and put there whole, so that an empty file is no store. It is
 * put there as a copy: the driver lets a connection go only when its memory is collected, and until
 * then one file under two names would have one set of locks for us and another for everybody else.
 */
async function make(file: string): Promise<void> {
  const made = file + making
  const db = await connect(made)
  await db.raw('PRAGMA wal_checkpoint(TRUNCATE)')
  await db.destroy()
  const copied = made + copying
  copyFileSync(made, copied)
  const written = openSync(copied, 'r+')
  fsyncSync(written)
  closeSync(written)
  renameSync(copied, file)
  rmSync(made)
  for (const ending of ['-wal', '-shm']) rmSync(made + ending, { force: true })
}

async function epochOf(db: Database): Promise<string> {
  const row = await db<{ key: string; value: string }>('about').where({ key: 'epoch' }).first()
  return row!.value
}

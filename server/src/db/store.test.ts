import { spawn } from 'node:child_process'
import {
  copyFileSync,
  existsSync,
  readdirSync,
  readFileSync,
  renameSync,
  rmSync,
  statSync,
  writeFileSync,
} from 'node:fs'
import { createRequire } from 'node:module'
import { dirname, join } from 'node:path'
import { createInterface } from 'node:readline'
import { describe, expect, it, vi } from 'vitest'
import type { Problem } from '@mivro/core/base/problem'
import { sayProblem } from '@mivro/words/problem'
import { temporaryFolder } from '../testServer.ts'
import { storeProblem } from './faults.ts'
import { holdStore } from './lock.ts'
import { Store } from './store.ts'

const require = createRequire(import.meta.url)
const Raw = require('libsql') as new (file: string) => {
  exec(sql: string): void
  prepare(sql: string): { all(): { id: string }[] }
  close(): void
}
const place = () => join(temporaryFolder(), 'store.sqlite')
const refusal = (work: Promise<unknown>) =>
  work.then(
    () => 'taken',
    (error: Problem) => sayProblem(error),
  )
const row = (id: string) => ({
  id,
  kind: 'piece',
  revision: 1,
  body: '{}',
  created_at: '2026',
  updated_at: '2026',
})
const add = (store: Store, id: string) => store.transaction((tx) => tx('documents').insert(row(id)))
const ids = (store: Store) =>
  store.transaction(async (tx) => (await tx('documents').orderBy('id')).map(({ id }) => id))

/** Another process with the store open, which does what it is told and answers. */
function outside(file: string) {
  const script = `
    const Raw = require(${JSON.stringify(require.resolve('libsql'))})
    const db = new Raw(${JSON.stringify(file)})
    require('node:readline').createInterface({ input: process.stdin }).on('line', (sql) => {
      let said
      try {
        said = /^SELECT|^PRAGMA/.test(sql) ? JSON.stringify(db.prepare(sql).all()) : db.exec(sql) ?? 'done'
      } catch (error) {
        said = error.message
      }
      console.log(said)
    })
    console.log('open')`
  const child = spawn(process.execPath, ['-e', script], { stdio: ['pipe', 'pipe', 'inherit'] })
  const lines: string[] = []
  const waiting: ((line: string) => void)[] = []
  createInterface({ input: child.stdout }).on('line', (line) => {
    const next = waiting.shift()
    if (next) next(line)
    else lines.push(line)
  })
  const answer = () =>
    lines.length > 0
      ? Promise.resolve(lines.shift()!)
      : new Promise<string>((done) => void waiting.push(done))
  return {
    opened: answer,
    ask: (sql: string) => {
      child.stdin.write(`${sql}\n`)
      return answer()
    },
    end: () => child.kill(),
  }
}

describe('a store in its first run', () => {
  it('is whole for other processes, and their locks are its own', async () => {
    const store = await Store.open(place())
    await add(store, 'a')
    const other = outside(store.file)
    await other.opened()
    expect(await other.ask('PRAGMA integrity_check')).toContain('"ok"')
    expect(await other.ask('SELECT id FROM documents')).toBe('[{"id":"a"}]')
    expect(await other.ask('BEGIN IMMEDIATE')).toBe('done')
    const order: string[] = []
    const written = add(store, 'b').then(() => order.push('written'))
    // Its own connection is asked one thing after the other: the write was tried before this.
    await ids(store)
    order.push('let go')
    await other.ask('COMMIT')
    await written
    expect(order).toEqual(['let go', 'written'])
    expect(await other.ask('SELECT id FROM documents ORDER BY id')).toBe('[{"id":"a"},{"id":"b"}]')
    // Nothing of its making is left beside it.
    expect(readdirSync(dirname(store.file)).filter((name) => /making/.test(name))).toEqual([])
    other.end()
    await store.close()
  })
})

it('a lock by another program that stays is said, uses up no files, and is got over when it is gone', async () => {
  const store = await Store.open(place())
  const other = outside(store.file)
  await other.opened()
  await other.ask('BEGIN IMMEDIATE')
  const open = () => readdirSync('/proc/self/fd').length
  const before = open()
  // Four seconds of tries, for each of three.
  const said = await Promise.all(['a', 'b', 'c'].map((id) => refusal(add(store, id))))
  for (const one of said) expect(one).toMatch(/Another program is using the store/)
  expect(open() - before).toBeLessThan(6)
  // What only reads is not in its way.
  expect(await ids(store)).toEqual([])
  await other.ask('COMMIT')
  await add(store, 'd')
  expect(await ids(store)).toEqual(['d'])
  other.end()
  await store.close()
})

it('what a kill left of the making of a store is gone when it is opened', async () => {
  const file = place()
  await (await Store.open(file)).close()
  for (const ending of ['.making', '.making-wal', '.making.copy']) writeFileSync(file + ending, 'x')
  await (await Store.open(file)).close()
  expect(readdirSync(dirname(file)).filter((name) => /making/.test(name))).toEqual([])
})

describe('a store', () => {
  it('a lock by another program for a while is waited for', async () => {
    const store = await Store.open(place())
    const other = new Raw(store.file)
    other.exec('BEGIN IMMEDIATE')
    setTimeout(() => other.exec('COMMIT'), 600)
    await add(store, 'a')
    expect(await ids(store)).toEqual(['a'])
    other.close()
    await store.close()
  })

  it('a second server on it is refused with who has it, until the first is gone', async () => {
    const file = place()
    const store = await Store.open(file)
    expect(await refusal(Store.open(file))).toBe(
      `Another Mivro (process ${process.pid}) has this store open: ${file}. Close it first, or choose another store with --database.`,
    )
    await add(store, 'a')
    await store.close()
    const again = await Store.open(file)
    expect(await ids(again)).toEqual(['a'])
    await again.close()
  })

  it('a server that was killed locks nobody out', async () => {
    const file = place()
    await (await Store.open(file)).close()
    const holder = spawn(process.execPath, [
      '-e',
      `const D = require(${JSON.stringify(require.resolve('libsql'))}); const d = new D(${JSON.stringify(`${file}.lock`)}); d.exec('BEGIN IMMEDIATE'); console.log('held'); setInterval(() => d, 1000)`,
    ])
    await new Promise((held) => holder.stdout.once('data', held))
    expect(await refusal(Store.open(file))).toMatch(/has this store open/)
    holder.kill('SIGKILL')
    await new Promise((gone) => holder.once('close', gone))
    await (await Store.open(file)).close()
  })

  it('whose lock is deleted is held all the same; one that nobody holds is opened', async () => {
    const file = place()
    const store = await Store.open(file)
    rmSync(`${file}.lock`)
    await vi.waitFor(() => expect(existsSync(`${file}.lock`)).toBe(true), 3000)
    expect(await refusal(Store.open(file))).toMatch(/has this store open/)
    await add(store, 'a')
    // All of it deleted, and another server quicker: then nothing is written any more.
    for (const ending of ['', '-wal', '-shm']) rmSync(`${file}.lock${ending}`, { force: true })
    const other = await holdStore(file)
    await vi.waitFor(async () =>
      expect(await refusal(add(store, 'b'))).toMatch(/has this store open/),
    )
    other.release()
    await vi.waitFor(async () => expect(await refusal(add(store, 'c'))).toBe('taken'))
    await store.close()
    rmSync(`${file}.lock`)
    writeFileSync(`${file}.lock-shm`, Buffer.alloc(32768, 7))
    await (await Store.open(file)).close()
  })

  it('begun anew, it leaves nothing but itself and its lock', async () => {
    const file = place()
    const store = await Store.open(file)
    const beside = readdirSync(dirname(file)).map((name) => name.replace(/-(wal|shm)$/, ''))
    expect([...new Set(beside)].sort()).toEqual(['store.sqlite', 'store.sqlite.lock'])
    await store.close()
  })

  it('closed, the file alone holds everything', async () => {
    const file = place()
    const store = await Store.open(file)
    await add(store, 'a')
    await store.close()
    expect(existsSync(`${file}-wal`) ? statSync(`${file}-wal`).size : 0).toBe(0)
    const copy = place()
    writeFileSync(copy, readFileSync(file))
    const alone = new Raw(copy)
    expect(alone.prepare('SELECT id FROM documents').all()).toMatchObject([{ id: 'a' }])
    alone.close()
  })

  it('is written into its file now and then', async () => {
    const store = await Store.open(place())
    await add(store, 'a')
    expect(statSync(`${store.file}-wal`).size).toBeGreaterThan(0)
    await store.checkpoint()
    expect(statSync(`${store.file}-wal`).size).toBe(0)
    await store.close()
  })

  it('full or not to be written, it says so, loses nothing, and goes on when it can', async () => {
    const store = await Store.open(place())
    await add(store, 'a')
    const pragma = (text: string) => store.transaction((tx) => tx.raw(`PRAGMA ${text}`))
    const large = (id: string) => ({ ...row(id), body: 'x'.repeat(500_000) })
    // SQLite's own limits stand in for the disk's.
    const [{ page_count: pages }] = (await pragma('page_count')) as [{ page_count: number }]
    await pragma(`max_page_count = ${pages}`)
    const addLarge = (id: string) => store.transaction((tx) => tx('documents').insert(large(id)))
    expect(await refusal(addLarge('b'))).toMatch(/The disk is full/)
    await pragma('max_page_count = 1000000')
    await addLarge('b')
    await pragma('query_only = ON')
    expect(await refusal(add(store, 'c'))).toMatch(/can be read but not written/)
    expect(await ids(store)).toEqual(['a', 'b'])
    await pragma('query_only = OFF')
    await add(store, 'c')
    expect(await ids(store)).toEqual(['a', 'b', 'c'])
    await store.close()
  })

  it('an empty file and a file of something else are said, and left as they are', async () => {
    const empty = place()
    writeFileSync(empty, '')
    expect(await refusal(Store.open(empty))).toMatch(/The store is damaged: its file is empty/)
    expect(statSync(empty).size).toBe(0)
    const other = place()
    writeFileSync(other, 'a letter to somebody '.repeat(100))
    expect(await refusal(Store.open(other))).toMatch(
      /The store is damaged: its file is no store of Mivro/,
    )
    expect(readFileSync(other, 'utf8')).toMatch(/^a letter/)
  })

  it('one that was torn in the middle is said when it is met', async () => {
    const file = place()
    const store = await Store.open(file)
    for (let i = 0; i < 300; i++) await add(store, `p${i}`)
    await store.close()
    const bytes = readFileSync(file)
    bytes.fill(0xff, 8192, bytes.length - 4096)
    writeFileSync(file, bytes)
    expect(await refusal(Store.open(file).then(ids))).toMatch(/The store is damaged/)
  })

  it('replaced, it is another one with another epoch, and requests meanwhile wait', async () => {
    const store = await Store.open(place())
    await add(store, 'old')
    const next = await Store.open(place())
    await add(next, 'new')
    await next.close()
    const before = store.epoch
    const aside = `${store.file}.aside`
    const [, meanwhile] = await Promise.all([store.replaceWith(next.file, aside), ids(store)])
    expect(meanwhile).toEqual(['new'])
    expect(store.epoch).not.toBe(before)
    await store.close()
    const kept = await Store.open(aside)
    expect([await ids(kept), kept.epoch]).toEqual([['old'], before])
    await kept.close()
  })
})

describe('a store that is replaced while it is read', () => {
  it('loses nothing of what was in its log: the reader is waited for, or it is refused', async () => {
    const store = await Store.open(place())
    await add(store, 'old')
    const next = await Store.open(place())
    await next.close()
    const reader = new Raw(store.file)
    reader.exec('BEGIN')
    reader.prepare('SELECT id FROM documents').all()
    await add(store, 'newer')
    const aside = `${store.file}.aside`
    expect(await refusal(store.replaceWith(next.file, aside))).toMatch(/Another program is using/)
    expect(await ids(store)).toEqual(['newer', 'old'])
    reader.exec('COMMIT')
    await store.replaceWith(next.file, aside)
    expect(await ids(store)).toEqual([])
    await store.close()
    const kept = await Store.open(aside)
    expect(await ids(kept)).toEqual(['newer', 'old'])
    await kept.close()
    reader.close()
  })
})

describe('what ails a store is said in a sentence', () => {
  const fault = (code: string) => Object.assign(new Error('words of SQLite'), { code })
  it.each([
    ['SQLITE_FULL', /The disk is full/],
    ['ENOSPC', /The disk is full/],
    ['SQLITE_READONLY', /can be read but not written: \/s\/m.sqlite/],
    ['EACCES', /can be read but not written/],
    ['SQLITE_CORRUPT', /damaged: parts of its file can’t be read any more \(\/s\/m.sqlite\)/],
    ['SQLITE_BUSY_SNAPSHOT', /Another program is using the store/],
    ['SQLITE_IOERR_WRITE', /damaged: its disk does not give it back/],
  ])('%s', (code, says) => {
    expect(sayProblem(storeProblem(fault(code), '/s/m.sqlite')!)).toMatch(says)
  })

  it('anything else is no fault of the store', () => {
    expect(storeProblem(new Error('a slip of ours'), 'x')).toBeUndefined()
    expect(storeProblem(fault('SQLITE_CONSTRAINT'), 'x')).toBeUndefined()
  })
})

describe('a store whose file is taken away while it is open', () => {
  it('takes no writes until it is back: what would be lost is refused in words', async () => {
    const file = place()
    const store = await Store.open(file)
    await add(store, 'a')
    const noticed = async () => {
      for (let i = 0; i < 20; i++) {
        const said = await refusal(add(store, `lost-${i}`))
        if (said !== 'taken') return said
        await new Promise((done) => setTimeout(done, 100))
      }
      return 'taken'
    }
    renameSync(file, `${file}.moved`)
    expect(await noticed()).toMatch(/was deleted, moved or replaced while Mivro was open/)
    // Another file in its place is not it.
    copyFileSync(`${file}.moved`, file)
    expect(await noticed()).toMatch(/was deleted, moved or replaced/)
    renameSync(`${file}.moved`, file)
    await add(store, 'b')
    expect(await ids(store)).toEqual(expect.arrayContaining(['a', 'b']))
    await store.close()
  })
})

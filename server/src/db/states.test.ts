import { spawnSync } from 'node:child_process'
import { readdirSync, writeFileSync } from 'node:fs'
import { createRequire } from 'node:module'
import { dirname, join } from 'node:path'
import { describe, expect, it } from 'vitest'
import { temporaryFolder } from '../testServer.ts'
import { Store } from './store.ts'
import { StoreStates, type StoreState } from './states.ts'

const require = createRequire(import.meta.url)
const libsql = JSON.stringify(require.resolve('libsql'))
const bundled = join(import.meta.dirname, '../../dist/backup/child.js')

/** The course of a store that is begun, has another take its place, and is closed. */
const course: StoreState[] = [
  'making',
  'migrating',
  'open',
  'swapping',
  'migrating',
  'open',
  'closed',
]

/** Another process looks: is the file whole, can it be locked against all others, be backed up? */
const looking = (file: string) => `
  const { existsSync } = require('node:fs')
  const { execFileSync } = require('node:child_process')
  if (!existsSync(${JSON.stringify(file)})) { console.log('no file'); process.exit() }
  const db = new (require(${libsql}))(${JSON.stringify(file)})
  const [{ integrity_check }] = db.prepare('PRAGMA integrity_check').all()
  db.exec('BEGIN EXCLUSIVE')
  const { n } = db.prepare('SELECT count(*) AS n FROM documents').get()
  db.exec('ROLLBACK')
  execFileSync(process.execPath, [${JSON.stringify(bundled)}, 'write', ${JSON.stringify(file)}, ${JSON.stringify(`${file}.zip`)}])
  console.log(integrity_check + ', ' + n + ' documents, backed up')`

/** In a process of its own: goes the course, and kills itself at one arrow, or looks at each. */
const going = (file: string, other: string, at: number | 'look') => `
  import { spawnSync } from 'node:child_process'
  import { copyFileSync } from 'node:fs'
  import { Store } from ${JSON.stringify(join(import.meta.dirname, 'store.ts'))}
  let n = 0
  const heard = (state) => {
    if (${JSON.stringify(at)} === 'look') {
      const seen = spawnSync(process.execPath, ['-e', ${JSON.stringify(looking(file))}])
      console.log(state + ': ' + String(seen.stdout).trim() + String(seen.stderr).slice(0, 300))
    } else if (n++ === ${JSON.stringify(at)}) process.kill(process.pid, 'SIGKILL')
  }
  const store = await Store.open(${JSON.stringify(file)}, heard)
  await store.transaction((tx) => tx('documents').insert({
    id: 'old', kind: 'piece', revision: 1, body: '{}', created_at: '2026', updated_at: '2026',
  }))
  // What lay there before the store was opened was swept away.
  const next = ${JSON.stringify(`${file}.x.incoming`)}
  copyFileSync(${JSON.stringify(other)}, next)
  await store.replaceWith(next, ${JSON.stringify(join(dirname(file), 'before-restore-x.sqlite'))})
  await store.close()`

/** A store to be in, and another with two documents that is to take its place. */
async function places() {
  const folder = temporaryFolder()
  const file = join(folder, 'store.sqlite')
  const other = join(temporaryFolder(), 'store.sqlite')
  const store = await Store.open(other)
  await store.transaction((tx) =>
    tx('documents').insert(
      ['new1', 'new2'].map((id) => ({
        ...{ id, kind: 'piece', revision: 1, body: '{}', created_at: '2026', updated_at: '2026' },
      })),
    ),
  )
  await store.close()
  return { folder, file, other }
}

function goes(folder: string, script: string): string {
  const place = join(folder, 'course.mts')
  writeFileSync(place, script)
  // From here, so that its loader is found.
  const done = spawnSync(process.execPath, ['--import', 'tsx', place], {
    cwd: import.meta.dirname,
    encoding: 'utf8',
  })
  return done.signal ?? done.stdout + done.stderr
}

describe('the file of a store', () => {
  it('goes by the arrows and no other way', () => {
    const states = new StoreStates()
    expect(() => states.become('open')).toThrow('from closed to open')
    for (const state of course) states.become(state)
    expect(states.current).toBe('closed')
  })

  it('is whole, free to be locked and to be backed up by another process in each state', async () => {
    const { folder, file, other } = await places()
    const script = going(file, other, 'look')
    expect(goes(folder, script).trim().split('\n')).toEqual([
      'making: no file',
      'migrating: ok, 0 documents, backed up',
      'open: ok, 0 documents, backed up',
      'swapping: ok, 1 documents, backed up',
      'migrating: ok, 2 documents, backed up',
      'open: ok, 2 documents, backed up',
      'closed: ok, 2 documents, backed up',
    ])
  }, 60_000)

  it.each(course.map((state, i) => [i, state] as const))(
    'killed on arrow %d, as it comes to be %s, it is old or new and whole',
    async (i) => {
      const { folder, file, other } = await places()
      const script = going(file, other, i)
      expect(goes(folder, script)).toBe('SIGKILL')
      const store = await Store.open(file)
      const ids = await store.transaction(async (tx) => {
        const [{ integrity_check: whole }] = (await tx.raw('PRAGMA integrity_check')) as [
          { integrity_check: string },
        ]
        expect(whole).toBe('ok')
        return (await tx('documents').orderBy('id')).map(({ id }) => id as string)
      })
      await store.close()
      const begun = [[], [], [], ['old'], ['new1', 'new2'], ['new1', 'new2'], ['new1', 'new2']]
      expect(ids).toEqual(begun[i])
      const lying = readdirSync(folder).filter(
        (name) =>
          !/^(store\.sqlite(\.lock)?(-wal|-shm)?|before-restore-x\.sqlite|course\.mts)$/.test(name),
      )
      expect(lying).toEqual([])
    },
    60_000,
  )
})

import { createHash } from 'node:crypto'
import { cpSync, existsSync, mkdirSync, mkdtempSync, readdirSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { fileURLToPath } from 'node:url'
import { connect } from '../server/src/db/connect.ts'
import { migrate, migrations } from '../server/src/db/migrate.ts'
import { Store } from '../server/src/db/store.ts'
import { packBackup, putBackup, takeBackup } from './backupClient.ts'
import { KilledServer, pause } from './killStore.ts'
import { bundled } from './ready.mjs'

/*
 * Kills the server at moments spread evenly over each thing that it does with a whole store: its first
 * run, a migration, filling the demo, a restore, thinning, a backup. Afterwards the store has to be as
 * it was before or as it is after, whole, with nothing else left lying about.
 * By hand: npx tsx tools/killPoints.ts 50 [first-run ...]
 */

const storeIn = (folder: string) => join(folder, 'store.sqlite')

/** What a store holds, in a few letters. */
async function contentOf(folder: string): Promise<Content> {
  const store = await Store.open(storeIn(folder))
  const found = await store.transaction(async (tx) => {
    const [{ integrity_check: whole }] = (await tx.raw('PRAGMA integrity_check')) as [
      { integrity_check: string },
    ]
    const documents = await tx('documents').orderBy('id').select('id', 'revision', 'kind')
    const [{ n }] = await tx('revisions').count({ n: '*' })
    const bodies = await tx('documents').orderBy('id').select('body')
    return {
      whole,
      documents: JSON.stringify(documents),
      bodies: createHash('sha256').update(JSON.stringify(bodies)).digest('hex'),
      versions: Number(n),
    }
  })
  await store.close()
  return found
}
interface Content {
  whole: string
  documents: string
  bodies: string
  versions: number
}

interface Operation {
  /** Lays what it begins with into a folder. */
  prepare(folder: string): Promise<void>
  /** Options that the server is started with, and its environment. */
  options?: string[]
  env?: Record<string, string>
  /** What is done once it serves, if it is not its start that is looked at. */
  work?: (server: KilledServer) => Promise<unknown>
  /** Whether what is there now is neither what was before nor what comes of it. */
  odd(now: Content, before: Content, after: Content): boolean
  /** Whether it leaves other content than it found. */
  changes?: true
  /** Files that may stay beside the store. */
  leaves?: RegExp
}

const equal = (a: Content, b: Content) => same(a, b) && a.versions === b.versions
const same = (a: Content, b: Content) => a.documents === b.documents && a.bodies === b.bodies

/** A store of pieces with versions of each, the older ones a hundred days old. */
async function studio(folder: string, pieces: number, versions: number): Promise<void> {
  const store = await Store.open(storeIn(folder))
  const body = JSON.stringify({
    name: 'Coaster',
    form: { from: 'sizes', solid: { solid: 'slab', diameter: 0.1, thickness: 0.008, bevel: 0 } },
    note: 'x'.repeat(2000),
  })
  // All in one day, at noon.
  const day = 24 * 3600_000
  const old = (Math.floor(Date.now() / day) - 100 + 0.5) * day
  await store.transaction(async (tx) => {
    for (let p = 0; p < pieces; p++) {
      const id = `p${p}`
      const common = { body, created_at: '2026-01-01', updated_at: '2026-01-01' }
      await tx('documents').insert({ id, kind: 'piece', revision: versions, ...common })
      const rows = Array.from({ length: versions }, (_, i) => ({
        document: id,
        revision: i + 1,
        change: i === 0 ? 'made' : 'edited',
        body,
        at: new Date(old + i * 1000).toISOString(),
      }))
      for (let i = 0; i < rows.length; i += 50) await tx('revisions').insert(rows.slice(i, i + 50))
    }
  })
  await store.close()
}

let zip: Uint8Array | undefined
/** A backup of a studio larger than the one that it is restored over. */
async function backupOfAnother(): Promise<Uint8Array> {
  if (zip) return zip
  const folder = mkdtempSync(join(tmpdir(), 'mivro-points-'))
  await studio(folder, 60, 20)
  const server = new KilledServer(storeIn(folder))
  await server.start()
  zip = await takeBackup(server)
  await server.kill()
  return zip
}

export const operations: Record<string, Operation> = {
  'first-run': {
    prepare: async () => {},
    odd: (now) => now.documents !== '[]',
  },
  migration: {
    prepare: async (folder) => {
      const db = await connect(storeIn(folder), { schema: 'as it is' })
      await db.raw('PRAGMA journal_mode = WAL')
      await migrate(db, migrations.slice(0, 1))
      const common = { body: '{"name":"old"}', created_at: '2026', updated_at: '2026' }
      for (let i = 0; i < 500; i++)
        await db('documents').insert({ id: `p${i}`, kind: 'piece', revision: 1, ...common })
      await db.raw('PRAGMA wal_checkpoint(TRUNCATE)')
      await db.destroy()
    },
    odd: (now, _before, after) => !same(now, after),
  },
  'demo-fill': {
    prepare: async () => {},
    options: ['--demo'],
    changes: true,
    // Shapes and plans have the moment in them at which they were made.
    odd: (now, _before, after) => now.documents !== '[]' && now.documents !== after.documents,
  },
  restore: {
    prepare: (folder) => studio(folder, 10, 5),
    changes: true,
    work: async (server) => putBackup(server, await backupOfAnother()),
    odd: (now, before, after) => !same(now, before) && !same(now, after),
    leaves: /^before-restore-.*\.sqlite$/,
  },
  upkeep: {
    prepare: (folder) => studio(folder, 200, 40),
    env: { MIVRO_UPKEEP_AFTER: '0' },
    changes: true,
    work: async (server) => {
      // The last of them by its id; the first and the newest version stay.
      const left = async () => (await server.historyOf('/pieces/p99')).size
      while ((await left()) > 2) await pause(20)
    },
    odd: (now, before, after) =>
      !same(now, before) || now.versions > before.versions || now.versions < after.versions,
  },
  backup: {
    prepare: (folder) => studio(folder, 200, 40),
    work: (server) => packBackup(server),
    odd: (now, before) => !same(now, before) || now.versions !== before.versions,
  },
}

interface Report {
  points: number
  /** After how many of them it was as before. */
  asBefore: number
  /** What a kill left wrong, and where. */
  wrong: string[]
}

/** Kills an operation at so many moments, spread evenly over it. */
export async function runKillPoints(name: string, points: number): Promise<Report> {
  const operation = operations[name]
  const root = mkdtempSync(join(tmpdir(), 'mivro-points-'))
  const fresh = join(root, 'before')
  mkdirSync(fresh)
  await operation.prepare(fresh)
  const copy = (to: string) => {
    const folder = join(root, to)
    cpSync(fresh, folder, { recursive: true })
    return folder
  }
  const before = await contentOf(copy('untouched'))
  const whole = copy('after')
  const taken = await carryOut(operation, whole)
  const after = await contentOf(whole)
  if (operation.changes && equal(before, after)) throw new Error(`${name} changed nothing`)
  const report: Report = { points, asBefore: 0, wrong: [] }
  for (let k = 0; k < points; k++) {
    const folder = copy(`point-${k}`)
    const share = (k + 0.5) / points
    await carryOut(operation, folder, share * taken)
    const now = await contentOf(folder)
    const say = (what: string) =>
      report.wrong.push(`${name} at ${(100 * share).toFixed(0)} %: ${what}`)
    if (equal(now, before)) report.asBefore++
    if (now.whole !== 'ok') say(now.whole)
    if (operation.odd(now, before, after)) say(`neither old nor new: ${now.documents.slice(0, 80)}`)
    const left = () =>
      readdirSync(folder).filter(
        (file) =>
          !/^store\.sqlite(\.lock)?(-wal|-shm)?$/.test(file) && !operation.leaves?.test(file),
      )
    // What the server had started ends when it notices that it is alone.
    for (let i = 0; left().length > 0 && i < 150; i++) await pause(20)
    const lying = left()
    if (lying.length > 0) say(`left behind: ${lying.join(', ')}`)
    rmSync(folder, { recursive: true })
  }
  rmSync(root, { recursive: true })
  return report
}

/** Runs an operation over a folder, killed after some ms; answers how long the whole takes, ms. */
async function carryOut(operation: Operation, folder: string, killAfter?: number): Promise<number> {
  const server = new KilledServer(storeIn(folder), operation.env)
  const starting = server.start(...(operation.options ?? []))
  starting.catch(() => {})
  // Its first deed is to hold the store.
  const held = `${storeIn(folder)}.lock`
  if (operation.work) await starting
  else while (!existsSync(held)) await pause(1)
  const start = performance.now()
  const work = operation.work ? operation.work(server) : starting
  work.catch(() => {})
  await (killAfter === undefined ? work : pause(killAfter))
  const taken = performance.now() - start
  await server.kill()
  await work.catch(() => {})
  return taken
}

if (process.argv[1] === fileURLToPath(import.meta.url)) {
  await bundled()
  const points = Number(process.argv[2] ?? 50)
  const asked = process.argv.slice(3)
  let wrong = 0
  for (const name of asked.length > 0 ? asked : Object.keys(operations)) {
    const report = await runKillPoints(name, points)
    process.stdout.write(
      `${name}: ${points} kill points, ${report.asBefore} as before, ${report.wrong.length} wrong\n`,
    )
    for (const line of report.wrong.slice(0, 20)) process.stdout.write(`  ${line}\n`)
    wrong += report.wrong.length
  }
  process.exit(wrong === 0 ? 0 : 1)
}

import { spawn } from 'node:child_process'
import { createHash, randomBytes } from 'node:crypto'
import { mkdtempSync, openAsBlob, readFileSync, rmSync, statSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { dirname, join } from 'node:path'
import { newPlan } from '../core/src/work/plan/index.ts'
import { Store } from '../server/src/db/store.ts'
import { packBackup, putBackup } from '../tools/backupClient.ts'
import { ServerProcess } from '../tools/serverProcess.ts'
import { compare, within } from './timing.ts'

const at = (i: number) => new Date(Date.UTC(2026, 0, 1) + i * 1000).toISOString()

const piece = (i: number) => ({
  name: `Piece ${i}`,
  form: {
    from: 'sizes',
    solid: { solid: 'slab', diameter: 0.05 + (i % 50) / 1000, thickness: 0.008, bevel: 0 },
  },
  note: '',
})
const plan = (i: number) => ({
  ...newPlan(`Pour ${i}`),
  layers: Array.from({ length: 3 }, (_, k) => ({
    id: `l${k}`,
    name: `Layer ${k + 1}`,
    fill: { by: 'height' as const, top: 0.002 * (k + 1) },
    tints: [],
    inclusions: [],
    join: 'crisp' as const,
  })),
})
const pull = (i: number) => ({
  plan: 'x',
  planRevision: 1,
  pouredAt: at(i),
  copies: 1,
  room: 294.15,
  layers: [],
  outcome: 'good',
  faults: [],
  note: 'as planned',
  nextTime: '',
})

/** A store of so many things, each with one version. */
export async function studioOf(counts: {
  pieces: number
  plans: number
  pulls: number
}): Promise<string> {
  const file = join(mkdtempSync(join(tmpdir(), 'mivro-bench-')), 'store.sqlite')
  const store = await Store.open(file)
  await store.transaction(async (tx) => {
    let order = 0
    const add = async (kind: string, id: string, parent: string | null, document: object) => {
      const body = JSON.stringify(document)
      const now = at(order++)
      await tx('documents').insert({
        id,
        kind,
        parent,
        revision: 1,
        body,
        created_at: now,
        updated_at: now,
      })
      await tx('revisions').insert({ document: id, revision: 1, change: 'made', body, at: now })
    }
    for (let i = 0; i < counts.pieces; i++) await add('piece', `p${i}`, null, piece(i))
    for (let i = 0; i < counts.plans; i++)
      await add('plan', `l${i}`, `p${i % counts.pieces}`, plan(i))
    for (let i = 0; i < counts.pulls; i++)
      await add('pull', `u${i}`, `p${i % counts.pieces}`, pull(i))
  })
  await store.close()
  return file
}

/** The real server over a store. */
export class Running {
  private constructor(
    private readonly process: ServerProcess,
    readonly epoch: string,
  ) {}

  get address(): string {
    return this.process.address
  }

  static over(file: string, ...more: string[]): Promise<Running> {
    return Running.with(file, {}, ...more)
  }

  static async with(
    file: string,
    env: Record<string, string>,
    ...more: string[]
  ): Promise<Running> {
    const server = await ServerProcess.serving(['--port', '0', '--database', file, ...more], env)
    const asked = await fetch(`${server.address}/api/studios?limit=1`)
    return new Running(server, asked.headers.get('Mivro-Epoch')!)
  }

  /** Milliseconds and bytes of some requests made together. */
  async ask(...paths: string[]): Promise<{ taken: number; bytes: number }> {
    const start = performance.now()
    const all = await Promise.all(
      paths.map(
        async (path) =>
          (await (await fetch(`${this.address}/api/${path}`)).arrayBuffer()).byteLength,
      ),
    )
    return { taken: performance.now() - start, bytes: all.reduce((sum, n) => sum + n, 0) }
  }

  /** The largest memory of the server and of what it started, MB, while some work goes on. */
  async memoryOf(
    work: Promise<unknown>,
  ): Promise<{ server: number; child: number; slowest: number; taken: number }> {
    let [server, child, slowest] = [0, 0, 0]
    let going = true
    const start = performance.now()
    const over = work.finally(() => (going = false))
    over.catch(() => {})
    while (going) {
      server = Math.max(server, residentOf(this.process.pid))
      for (const pid of childrenOf(this.process.pid)) child = Math.max(child, residentOf(pid))
      slowest = Math.max(slowest, (await this.ask('overview')).taken)
      await new Promise((done) => setTimeout(done, 50))
    }
    await over
    return { server, child, slowest, taken: performance.now() - start }
  }

  async stop(): Promise<void> {
    await this.process.end('SIGTERM')
  }
}

function residentOf(pid: number): number {
  try {
    return (
      Number(/VmRSS:\s+(\d+)/.exec(readFileSync(`/proc/${pid}/status`, 'utf8'))?.[1] ?? 0) / 1024
    )
  } catch {
    return 0
  }
}
function childrenOf(pid: number): number[] {
  try {
    return readFileSync(`/proc/${pid}/task/${pid}/children`, 'utf8').trim().split(' ').map(Number)
  } catch {
    return []
  }
}

/** A store of a year and of a lifetime, and a gigabyte out and in again. */
export async function benchStore(gigabyte = 1): Promise<void> {
  console.log('\nA studio of 1000 pieces, 3000 plans, 10 000 pulls')
  const studio = await Running.over(await studioOf({ pieces: 1000, plans: 3000, pulls: 10_000 }))
  const screen = ['overview', 'materials', 'studios/studio', 'studios/studio/history?limit=50']
  await studio.ask(...screen)
  const { taken, bytes } = await studio.ask(...screen)
  within("the first screen's data", taken, 300)
  console.log(`the first screen's data: ${(bytes / 1000).toFixed(0)} kB   wanted: under 300 kB`)
  await studio.stop()

  console.log('\nA plan of 20 000 versions, opened like one of 20')
  const versions = await Running.over(await planOf([20, 20_000]))
  const open = async (id: string) => {
    const times: number[] = []
    for (let i = 0; i < 9; i++) {
      times.push((await versions.ask(`plans/${id}`, `plans/${id}/history?limit=50`)).taken)
    }
    return times.sort((a, b) => a - b)[4]
  }
  const [short, long] = [await open('l20'), await open('l20000')]
  compare('20 000 versions', long, '20 versions', short, 3)
  within('the difference', Math.max(0, long - short), 300)
  await versions.stop()

  console.log(`\nA store of ${gigabyte} GB out and in again`)
  const file = await storeOfShapes(gigabyte)
  const big = await Running.over(file)
  // The first answer of a process takes longer, whatever else goes on.
  for (let i = 0; i < 5; i++) await big.ask('overview')
  const zip = join(dirname(file), 'backup.zip')
  const asked = { base: `${big.address}/api`, epoch: big.epoch }
  const report = (what: string, found: Awaited<ReturnType<Running['memoryOf']>>) =>
    console.log(
      `${what}: ${(found.taken / 1000).toFixed(0)} s, memory ${found.child.toFixed(0)} MB beside a server of ${found.server.toFixed(0)} MB (wanted: under 300 each), others answered within ${found.slowest.toFixed(0)} ms (wanted: 200)`,
    )
  // Fetched by a process of its own, so that the others that are timed here do not wait for us.
  const fetching = `const { pipeline } = await import('node:stream/promises')
    const { createWriteStream } = await import('node:fs')
    const { body } = await fetch(process.argv[1])
    await pipeline(body, createWriteStream(process.argv[2]))`
  const take = async () => {
    const flags = ['--input-type=module', '-e', fetching, await packBackup(asked), zip]
    const child = spawn(process.execPath, flags, { stdio: 'inherit' })
    await new Promise((done) => child.once('exit', done))
  }
  report('backup', await big.memoryOf(take()))
  console.log(
    `the store ${(statSync(file).size / 1e6).toFixed(0)} MB, the backup ${(statSync(zip).size / 1e6).toFixed(0)} MB`,
  )
  const restore = async () => {
    const job = await putBackup(asked, await openAsBlob(zip))
    if (job.state !== 'done') throw new Error(JSON.stringify(job))
  }
  report('restore', await big.memoryOf(restore()))
  await big.stop()
  rmSync(dirname(file), { recursive: true })
}

async function planOf(counts: number[]): Promise<string> {
  const file = await studioOf({ pieces: 1, plans: 0, pulls: 0 })
  const store = await Store.open(file)
  await store.transaction(async (tx) => {
    for (const count of counts) {
      const id = `l${count}`
      const body = JSON.stringify(plan(count))
      await tx('documents').insert({
        id,
        kind: 'plan',
        parent: 'p0',
        revision: count,
        body,
        created_at: at(0),
        updated_at: at(0),
      })
      for (let from = 1; from <= count; from += 100) {
        const rows = Array.from({ length: Math.min(100, count - from + 1) }, (_, i) => ({
          document: id,
          revision: from + i,
          change: from + i === 1 ? 'made' : 'edited',
          body,
          at: new Date().toISOString(),
        }))
        await tx('revisions').insert(rows)
      }
    }
  })
  await store.close()
  return file
}

/** Shapes of 20 MB that do not pack, each named by a piece. */
async function storeOfShapes(gigabytes: number): Promise<string> {
  const file = await studioOf({ pieces: 1, plans: 0, pulls: 0 })
  const store = await Store.open(file)
  const size = 20e6
  for (let i = 0; i < (gigabytes * 1e9) / size; i++) {
    const body = randomBytes(size)
    const id = createHash('sha256').update(body).digest('hex')
    await store.transaction(async (tx) => {
      await tx('meshes').insert({ id, bytes: size, body, created_at: at(0) })
      const form = { from: 'file', mesh: id, fileName: 'a.stl', unit: 'mm' }
      const document = JSON.stringify({ name: `Scan ${i}`, form, note: '' })
      await tx('documents').insert({
        id: `s${i}`,
        kind: 'piece',
        parent: null,
        revision: 1,
        body: document,
        created_at: at(i),
        updated_at: at(i),
      })
      await tx('revisions').insert({
        document: `s${i}`,
        revision: 1,
        change: 'made',
        body: document,
        at: at(i),
      })
    })
  }
  await store.close()
  return file
}

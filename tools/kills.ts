import { mkdtempSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { fileURLToPath } from 'node:url'
import { bundled } from './ready.mjs'
import { ServerProcess } from './serverProcess.ts'

/*
 * Kills the server at random moments while several clients write, starts it again on the same
 * store, and holds what it has against every write that it acknowledged.
 * By hand: npx tsx tools/kills.ts 500
 */

export interface KillReport {
  kills: number
  acknowledged: number
  /** Acknowledged writes that were not there afterwards. */
  lost: string[]
}

interface Options {
  kills: number
  writers?: number
  /** Same seed, same moments. */
  seed?: number
  onKill?: (done: number, report: KillReport) => void
}

class Server {
  private process: ServerProcess | undefined
  address = ''
  epoch = ''
  constructor(readonly store: string) {}

  async start(): Promise<void> {
    this.process = await ServerProcess.serving(['--port', '0', '--database', this.store])
    this.address = `${this.process.address}/api`
    const found = await fetch(`${this.address}/studios?limit=1`)
    this.epoch = found.headers.get('Mivro-Epoch')!
  }

  async kill(): Promise<void> {
    await this.process!.end()
  }

  async call(
    method: string,
    path: string,
    value?: unknown,
  ): Promise<{ status: number; body: Answer }> {
    const response = await fetch(this.address + path, {
      method,
      headers: { 'content-type': 'application/json', 'Mivro-Epoch': this.epoch },
      body: value === undefined ? undefined : JSON.stringify(value),
    })
    return { status: response.status, body: (await response.json()) as Answer }
  }
}

interface Answer {
  revision: number
  document: { name: string }
  items: { revision: number; document: { name: string } }[]
  next?: string
  current?: { revision: number }
}

const piece = (name: string) => ({
  name,
  form: { from: 'sizes', solid: { solid: 'block', width: 0.01, depth: 0.01, height: 0.01 } },
  note: '',
})

/** Answers what was acknowledged and what of it is missing. */
export async function runKills({
  kills,
  writers = 4,
  seed = 1,
  onKill = () => {},
}: Options): Promise<KillReport> {
  const server = new Server(join(mkdtempSync(join(tmpdir(), 'mivro-kills-')), 'store.sqlite'))
  const random = randomFrom(seed)
  const acknowledged = Array.from({ length: writers }, () => new Map<number, string>())
  const report: KillReport = { kills: 0, acknowledged: 0, lost: [] }
  await server.start()
  for (let w = 0; w < writers; w++)
    await server.call('POST', '/pieces', { id: `w${w}`, document: piece('0') })
  let over = false
  const write = async (w: number) => {
    let basedOn = 1
    for (let n = 1; !over; n++) {
      const name = `${w}-${n}`
      try {
        const { status, body } = await server.call('PUT', `/pieces/w${w}`, {
          basedOn,
          document: piece(name),
        })
        if (status === 200) {
          basedOn = body.revision
          acknowledged[w].set(basedOn, name)
          report.acknowledged++
        } else if (body.current) basedOn = body.current.revision
        else await pause(20)
      } catch {
        // Killed in the middle: what was written without an answer is found by the next refusal.
        await pause(20)
      }
    }
  }
  const writing = Array.from({ length: writers }, (_, w) => write(w))
  while (report.kills < kills) {
    await pause(10 + random() * 250)
    await server.kill()
    report.kills++
    await server.start()
    onKill(report.kills, report)
  }
  over = true
  await Promise.all(writing)
  for (let w = 0; w < writers; w++) {
    const kept = await historyOf(server, `w${w}`)
    for (const [revision, name] of acknowledged[w]) {
      if (kept.get(revision) !== name) report.lost.push(`w${w} version ${revision}: ${name}`)
    }
  }
  await server.kill()
  return report
}

async function historyOf(server: Server, id: string): Promise<Map<number, string>> {
  const kept = new Map<number, string>()
  let before = ''
  do {
    const { body } = await server.call('GET', `/pieces/${id}/history?limit=500${before}`)
    for (const { revision, document } of body.items) kept.set(revision, document.name)
    before = body.next === undefined ? '' : `&before=${body.next}`
  } while (before !== '')
  return kept
}

const pause = (ms: number) => new Promise((done) => setTimeout(done, ms))

/** Park and Miller, 1988: enough for choosing moments. */
function randomFrom(seed: number): () => number {
  let state = seed
  return () => (state = (state * 16807) % 2147483647) / 2147483647
}

if (process.argv[1] === fileURLToPath(import.meta.url)) {
  await bundled()
  const kills = Number(process.argv[2] ?? 500)
  const report = await runKills({
    kills,
    onKill: (done, { acknowledged }) => {
      if (done % 25 === 0)
        process.stdout.write(`${done} kills, ${acknowledged} writes acknowledged\n`)
    },
  })
  process.stdout.write(
    `${report.kills} kills, ${report.acknowledged} acknowledged, ${report.lost.length} lost\n`,
  )
  for (const line of report.lost.slice(0, 20)) process.stdout.write(`lost: ${line}\n`)
  process.exit(report.lost.length === 0 ? 0 : 1)
}

import { fileURLToPath } from 'node:url'
import { strFromU8 } from 'fflate'
import { png } from '../core/src/base/picture/samples.ts'
import { writeStl } from '../core/src/form/mesh/index.ts'
import { buildSolid } from '../core/src/form/shape/index.ts'
import { KilledServer, pause, randomFrom } from './killStore.ts'
import { bundled } from './ready.mjs'

/*
 * Kills the server at random moments while clients write documents, events of a bench, shapes and
 * pictures, while backups are taken and old versions thinned; starts it again on the same store, and
 * holds what it has against all that it acknowledged.
 * By hand: npx tsx tools/kills.ts 1000
 */

export interface KillReport {
  kills: number
  acknowledged: number
  /** Backups that came whole, each with all that was acknowledged before it was asked for. */
  backups: number
  /** What was acknowledged and was not there afterwards. */
  lost: string[]
}

interface Options {
  kills: number
  writers?: number
  /** Same seed, same moments. */
  seed?: number
  onKill?: (done: number, report: KillReport) => void
}

const piece = (name: string) => ({
  name,
  form: { from: 'sizes', solid: { solid: 'block', width: 0.01, depth: 0.01, height: 0.01 } },
  note: '',
})
const bench = (events: number, name: string) => ({
  name,
  of: { what: 'run', id: 'r1', revision: 1 },
  way: 'none',
  room: 294,
  pours: [],
  tasks: [{ id: 't1', load: 0, hazards: [], what: 'lay out', items: [] }],
  events: Array.from({ length: events }, (_, i) => ({
    at: i,
    what: 'noted',
    text: `${name}, ${i}`,
  })),
})
/** A bench keeps no more events than this here, so that a version stays small. */
const mostEvents = 200

/** Answers what was acknowledged and what of it is missing. */
export async function runKills({
  kills,
  writers = 4,
  seed = 1,
  onKill = () => {},
}: Options): Promise<KillReport> {
  // Old versions are looked for at once after each start.
  const server = new KilledServer(undefined, { MIVRO_UPKEEP_AFTER: '50' })
  const random = randomFrom(seed)
  const report: KillReport = { kills: 0, acknowledged: 0, backups: 0, lost: [] }
  const documents = new Map<string, Map<number, string>>()
  const files = new Map<string, Uint8Array>()
  let over = false

  /** Until all is over; a kill in the middle of it is waited for. */
  const going = async (work: () => Promise<unknown>) => {
    while (!over) {
      const before = report.kills
      try {
        await work()
      } catch (error) {
        if (before === report.kills && !over && !(error instanceof TypeError)) throw error
        await pause(20)
      }
    }
  }

  async function writer(path: string, content: (n: number) => object): Promise<void> {
    const own = new Map<number, string>()
    documents.set(path, own)
    let [basedOn, n] = [1, 0]
    await going(async () => {
      const document = content(++n) as { name: string }
      const { status, body } = await server.call('PUT', path, { basedOn, document })
      if (status === 200) {
        basedOn = body.revision
        own.set(basedOn, document.name)
        report.acknowledged++
      } else if (body.current) basedOn = body.current.revision
      else await pause(20)
    })
  }

  let sent = 0
  const sendFiles = () =>
    going(async () => {
      const n = ++sent
      const size = 0.001 + n * 1e-6
      const [path, bytes] =
        n % 2 === 0
          ? [
              '/meshes',
              writeStl(buildSolid({ solid: 'block', width: 0.01, depth: 0.01, height: size })),
            ]
          : (['/pictures', png(8, 8, `picture ${n}`)] as const)
      const { status, body } = await server.call('POST', path, bytes)
      if (status !== 201) return
      files.set(`${path}/${body.id}`, await server.fileOf(`${path}/${body.id}`))
      report.acknowledged++
      await pause(30)
    })

  /** What was acknowledged before a backup was asked for is in it. */
  const takeBackups = () =>
    going(async () => {
      const before = [...documents].flatMap(([path, own]) =>
        [...own].map(([revision, name]) => ({ id: path.split('/')[2], revision, name })),
      )
      const filesBefore = [...files.keys()]
      const entries = await server.backup()
      const rows = strFromU8(entries['revisions.ndjson']).trim().split('\n')
      const kept = new Map(
        rows.map((line) => {
          const { document, revision, body } = JSON.parse(line) as Row
          return [`${document} ${revision}`, body.name]
        }),
      )
      for (const { id, revision, name } of before)
        if (kept.get(`${id} ${revision}`) !== name)
          report.lost.push(`of a backup: ${id} version ${revision}`)
      for (const file of filesBefore)
        if (!(file.slice(1) in entries)) report.lost.push(`of a backup: ${file}`)
      report.backups++
      await pause(200)
    })

  await server.start()
  for (let w = 0; w < writers; w++)
    await server.call('POST', '/pieces', { id: `w${w}`, document: piece('0') })
  const made = await server.call('POST', '/benches', { id: 'b1', document: bench(0, '0') })
  if (made.status !== 201) throw new Error(JSON.stringify(made.body))
  const work = [
    ...Array.from({ length: writers }, (_, w) =>
      writer(`/pieces/w${w}`, (n) => piece(`${w}-${n}`)),
    ),
    writer('/benches/b1', (n) => bench(n % mostEvents, `b-${n}`)),
    sendFiles(),
    takeBackups(),
  ]
  while (report.kills < kills) {
    await pause(10 + random() * 250)
    // Now and then a backup comes to its end.
    const { backups } = report
    for (let i = 0; report.kills % 25 === 0 && report.backups === backups && i < 300; i++)
      await pause(100)
    await server.kill()
    report.kills++
    await server.start()
    onKill(report.kills, report)
  }
  over = true
  await Promise.all(work)
  for (const [path, own] of documents) {
    const kept = await server.historyOf(path)
    for (const [revision, name] of own)
      if (kept.get(revision)?.name !== name)
        report.lost.push(`${path} version ${revision}: ${name}`)
  }
  for (const [path, bytes] of files)
    if (Buffer.compare(await server.fileOf(path), bytes) !== 0) report.lost.push(path)
  await server.kill()
  return report
}

interface Row {
  document: string
  revision: number
  body: { name: string }
}

if (process.argv[1] === fileURLToPath(import.meta.url)) {
  await bundled()
  const kills = Number(process.argv[2] ?? 1000)
  const say = (text: string) => process.stdout.write(`${text}\n`)
  const report = await runKills({
    kills,
    onKill: (done, { acknowledged, backups }) => {
      if (done % 25 === 0) say(`${done} kills, ${acknowledged} acknowledged, ${backups} backups`)
    },
  })
  const { acknowledged, backups, lost } = report
  say(
    `${report.kills} kills, ${acknowledged} acknowledged, ${backups} backups, ${lost.length} lost`,
  )
  for (const line of lost.slice(0, 20)) say(`lost: ${line}`)
  process.exit(lost.length === 0 ? 0 : 1)
}

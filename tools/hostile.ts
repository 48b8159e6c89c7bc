import { fileURLToPath } from 'node:url'
import { request } from 'node:http'
import { documentTypeNames, documentTypes } from '../core/src/studio/index.ts'
import { putBackup, takeBackup } from './backupClient.ts'
import { KilledServer, randomFrom } from './killStore.ts'
import { bundled } from './ready.mjs'

/*
 * Asks the server what nobody should: every address with every method, broken and wrong bodies, ids
 * that are none, heads that lie; and restores backups of which one bit is flipped.
 * By hand: npx tsx tools/hostile.ts 200
 */

export interface HostileReport {
  requests: number
  /** Answers of 500 and more, by what was asked. */
  faults: string[]
  /** Answers that tell of the machine or of the program within. */
  told: string[]
  flipped: number
  /** Flipped backups that were taken with other content than the whole one has. */
  altered: number
}

const ids = [
  'x',
  'demo-coaster',
  '..%2f..%2fetc%2fpasswd',
  '%00',
  '%',
  'constructor',
  '__proto__',
  'a'.repeat(5000),
  "' OR 1=1 --",
  '0'.repeat(64),
  '%F0%9F%92%8E',
]
const bodies: [type: string, body: string][] = [
  ['application/json', ''],
  ['application/json', '{'],
  ['application/json', 'null'],
  ['application/json', '[]'],
  ['application/json', '{"__proto__":{"admin":true},"document":{}}'],
  ['application/json', '{"id":"../x","document":{"name":1}}'],
  ['application/json', '{"basedOn":-1,"change":"edited","document":null}'],
  ['application/json', `{"kind":"backup","leaveOut":"yes"}`],
  ['application/json', `{"kind":"restore","bytes":1e30}`],
  ['application/json', '['.repeat(20_000)],
  ['application/octet-stream', '\u0000\u0001\u0002'],
  ['image/png', '\u0089PNG\r\n\u001a\n'],
  ['text/plain; charset=nonsense', 'x'],
  ['application/x-www-form-urlencoded', 'passphrase=' + 'x'.repeat(3000)],
]
const heads: Record<string, string>[] = [
  {},
  { 'mivro-epoch': 'other' },
  { 'content-encoding': 'gzip' },
  { 'content-encoding': 'nonsense' },
  { range: 'bytes=5-1' },
  { origin: 'http://elsewhere.example' },
  { host: 'elsewhere.example' },
  { 'if-modified-since': 'never' },
]
const methods = ['GET', 'HEAD', 'POST', 'PUT', 'DELETE', 'PATCH', 'OPTIONS']

/** Words that stand in an error of the program and in nothing that it says. */
const telling = /node_modules|\/work\/|\/tmp\/|at [\w.<>]+ \(|SQLITE_|SELECT |file:\/\//

function paths(): string[] {
  const kinds = documentTypeNames.map((name) => documentTypes[name].path)
  const under = ['', '/deleted', '/ID', '/ID/history', '/ID/history/1', '/ID/restore']
  return [
    ...kinds.flatMap((kind) => under.map((end) => `/api/${kind}${end}`)),
    ...['overview?after=ID&limit=-1', 'overview?limit=x', 'log', 'projects/ID', 'demo/ID'],
    ...['meshes', 'meshes/ID', 'pictures', 'pictures/ID?size=small', 'pictures/ID/small'],
    ...['backup/jobs', 'backup/jobs/ID', 'backup/jobs/ID/part?at=-1', 'backup/jobs/ID/ID.zip'],
    ...['lan', 'lan/here', 'lan/devices/ID', 'instruments', 'instruments/act', 'instruments/speed'],
  ].map((path) => (path.startsWith('/') ? path : `/api/${path}`))
}

/** Sends about so many requests, chosen by a seed, and flips so many bits. */
export async function runHostile(
  requests: number,
  flips: number,
  seed = 1,
): Promise<HostileReport> {
  const random = randomFrom(seed)
  const pick = <T>(list: readonly T[]): T => list[Math.floor(random() * list.length)]
  const server = new KilledServer()
  await server.start('--demo')
  const { port } = new URL(server.base)
  const report: HostileReport = { requests: 0, faults: [], told: [], flipped: 0, altered: 0 }
  const all = paths()
  const one = async () => {
    const method = pick(methods)
    const path = pick(all).replaceAll('ID', pick(ids)).replaceAll(' ', '+')
    const [type, body] = pick(bodies)
    const own = { 'content-type': type, 'mivro-epoch': server.epoch, ...pick(heads) }
    const { status, text } = await ask(Number(port), method, path, own, body)
    report.requests++
    const asked = `${method} ${path.slice(0, 60)} ${type}`
    // No answer at all is no better.
    if (status >= 500 || status === 0) report.faults.push(`${status} ${asked}`)
    if (telling.test(text)) report.told.push(`${asked}: ${telling.exec(text)![0]}`)
  }
  while (report.requests < requests) await Promise.all(Array.from({ length: 8 }, one))
  const zip = await takeBackup(server)
  const content = async () =>
    JSON.stringify((await server.call('GET', '/overview?limit=100')).body.items)
  // As it is once it was restored whole: its parts may stand in another order then.
  const restored = await putBackup(server, zip)
  if (restored.state !== 'done') throw new Error(JSON.stringify(restored))
  await server.meet()
  const before = await content()
  for (; report.flipped < flips; report.flipped++) {
    const broken = zip.slice()
    broken[Math.floor(random() * zip.length)] ^= 1 << Math.floor(random() * 8)
    const job = await putBackup(server, broken)
    await server.meet()
    if (job.state === 'done' && (await content()) !== before) report.altered++
  }
  await server.kill()
  return report
}

function ask(
  port: number,
  method: string,
  path: string,
  headers: Record<string, string>,
  body: string,
): Promise<{ status: number; text: string }> {
  return new Promise((done) => {
    // A connection of its own: one that the server closes after a refusal is no use for the next.
    const to = { host: '127.0.0.1', port, method, path, headers, agent: false as const }
    const asked = request(to, (response) => {
      let text = ''
      response.setEncoding('utf8').on('data', (part: string) => (text += part))
      response.on('end', () => done({ status: response.statusCode!, text }))
      response.on('error', () => done({ status: 0, text: '' }))
    })
    asked.on('error', () => done({ status: 0, text: '' }))
    asked.setTimeout(20_000, () => asked.destroy())
    asked.end(method === 'GET' || method === 'HEAD' ? undefined : body)
  })
}

if (process.argv[1] === fileURLToPath(import.meta.url)) {
  await bundled()
  const flips = Number(process.argv[2] ?? 200)
  const { requests, faults, told, flipped, altered } = await runHostile(7000, flips)
  const say = (text: string) => process.stdout.write(`${text}\n`)
  say(
    `${requests} requests, ${faults.length} faults of the server, ${told.length} that tell too much`,
  )
  say(`${flipped} backups with a flipped bit, ${altered} taken with other content`)
  for (const line of [...new Set([...faults, ...told])].slice(0, 30)) say(`  ${line}`)
  process.exit(faults.length + told.length + altered === 0 ? 0 : 1)
}

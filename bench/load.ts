import { spawn } from 'node:child_process'
import { createHash, randomBytes } from 'node:crypto'
import { networkInterfaces } from 'node:os'
import { request } from 'node:http'
import { packBackup, putBackup, takeBackup } from '../tools/backupClient.ts'
import { png } from '../core/src/base/picture/samples.ts'
import { Store } from '../server/src/db/store.ts'
import { Running, studioOf } from './store.ts'
import { within } from './timing.ts'

const counts = { pieces: 3000, plans: 3000, pulls: 10_000 }
const versions = 20_000
const pictures = 5000
/** Bytes of a picture, about. */
const pictureSize = 20_000

/** A studio of years: many versions of one plan a hundred days old, and pictures that nothing names. */
async function studioOfYears(): Promise<string> {
  const file = await studioOf(counts)
  const store = await Store.open(file)
  const old = Date.now() - 100 * 24 * 3600_000
  await store.transaction(async (tx) => {
    const { body } = await tx('documents').where({ id: 'l0' }).first()
    await tx('documents').where({ id: 'l0' }).update({ revision: versions })
    for (let from = 2; from <= versions; from += 100) {
      const rows = Array.from({ length: Math.min(100, versions - from + 1) }, (_, i) => ({
        document: 'l0',
        revision: from + i,
        change: 'edited',
        body,
        at: new Date(old + (from + i) * 1000).toISOString(),
      }))
      await tx('revisions').insert(rows)
    }
  })
  for (let i = 0; i < pictures; i += 100) {
    await store.transaction(async (tx) => {
      for (let k = 0; k < 100; k++) {
        const body = Buffer.concat([png(8, 8), randomBytes(pictureSize)])
        const id = createHash('sha256').update(body).digest('hex')
        const row = { id, type: 'image/png', bytes: body.length, body, created_at: '2026-01-01' }
        await tx('pictures').insert(row)
      }
    })
  }
  await store.close()
  return file
}

/** The longest that a small request waited, asked again and again while some work goes on, ms. */
async function longestWait(address: string, work: Promise<unknown>): Promise<number> {
  let going = true
  work.finally(() => (going = false)).catch(() => {})
  let longest = 0
  while (going) {
    const start = performance.now()
    await (await fetch(`${address}/api/pieces/p1`)).arrayBuffer()
    longest = Math.max(longest, performance.now() - start)
    await new Promise((done) => setTimeout(done, 5))
  }
  await work
  return longest
}

const sorted = (times: number[]) => times.toSorted((a, b) => a - b)

/** A studio of years, its upkeep, backup and restore, many clients, and guesses at its passphrase. */
export async function benchLoad(): Promise<void> {
  console.log(
    `\nA studio of ${counts.pieces} pieces, ${counts.pulls} pulls, ${versions} versions of a plan, ${pictures} pictures`,
  )
  const file = await studioOfYears()
  const begun = performance.now()
  const server = await Running.over(file)
  within('from its start to its address', performance.now() - begun, 1000)
  const { address, epoch } = server
  const first: number[] = []
  for (let i = 0; i < 15; i++) first.push((await server.ask('overview')).taken)
  within("the first screen's data", sorted(first)[7], 50)
  within('others wait, while nothing goes on', await longestWait(address, pause(2000)), 100)
  const asked = { base: `${address}/api`, epoch }
  const packing = packBackup(asked)
  within('others wait, while a backup is packed', await longestWait(address, packing), 300)
  const zip = await takeBackup(asked)
  const restoring = putBackup(asked, zip)
  within('others wait, while it is restored', await longestWait(address, restoring), 300)
  if ((await restoring).state !== 'done') throw new Error(JSON.stringify(await restoring))
  await manyClients(address)
  await streams(server)
  await server.stop()

  const tidied = await Running.with(file, { MIVRO_UPKEEP_AFTER: '100' })
  const tidying = async () => {
    const left = async () => {
      const path = `${tidied.address}/api/plans/l0/history?limit=500`
      return ((await (await fetch(path)).json()) as { items: unknown[] }).items.length
    }
    while ((await left()) > 400) await pause(200)
    await pause(3000)
  }
  within('others wait, while it is tidied', await longestWait(tidied.address, tidying()), 100)
  await tidied.stop()
  await guesses(file)
}

const pause = (ms: number) => new Promise<void>((done) => setTimeout(done, ms))

/** Two hundred clients that ask one thing after the other for twenty seconds. */
async function manyClients(address: string): Promise<void> {
  const until = performance.now() + 20_000
  const times: number[] = []
  let failed = 0
  const client = async (n: number) => {
    while (performance.now() < until) {
      const path = ['overview', `pieces/p${n}`, `plans/l${n}`, 'materials'][times.length % 4]
      const start = performance.now()
      try {
        const answer = await fetch(`${address}/api/${path}`)
        await answer.arrayBuffer()
        if (!answer.ok) failed++
      } catch {
        failed++
      }
      times.push(performance.now() - start)
    }
  }
  await Promise.all(Array.from({ length: 200 }, (_, n) => client(n)))
  const p99 = sorted(times)[Math.floor(times.length * 0.99)]
  within(`200 clients for 20 s: 99 of 100 of ${times.length} are answered within`, p99, 2000)
  console.log(`failed: ${failed}`)
}

/** Fifty pages that hear the instruments: what the server holds of memory does not grow with time. */
async function streams(server: Running): Promise<void> {
  const given = new AbortController()
  const { signal } = given
  const heard = Array.from({ length: 50 }, async () => {
    const { body } = await fetch(`${server.address}/api/instruments/stream`, { signal })
    for await (const part of body as AsyncIterable<Uint8Array>) void part
  }).map((stream) => stream.catch(() => {}))
  const memory = async () => (await server.memoryOf(pause(1000))).server
  await pause(5000)
  const before = await memory()
  await pause(15_000)
  const after = await memory()
  given.abort()
  await Promise.all(heard)
  console.log(
    `50 streams for 20 s: the server holds ${before.toFixed(0)} MB, then ${after.toFixed(0)} MB`,
  )
}

/** Guesses from another address, and what a device that is let in waits meanwhile. */
export async function guesses(file: string): Promise<void> {
  const outside =
    Object.values(networkInterfaces())
      .flatMap((list) => list ?? [])
      .find(({ internal, family }) => !internal && family === 'IPv4')?.address ?? '127.0.0.2'
  const secret = 'three warm words'
  const env = { MIVRO_PASSPHRASE: secret }
  const server = await Running.with(file, env, '--host', '--name', outside)
  const port = Number(new URL(server.address).port)
  const enter = (passphrase: string) =>
    new Promise<{ status: number; cookie?: string }>((done, wrong) => {
      const body = new URLSearchParams({ passphrase }).toString()
      const headers = { 'content-type': 'application/x-www-form-urlencoded' }
      request({ host: outside, port, path: '/enter', method: 'POST', headers }, (response) => {
        response.resume()
        const cookie = response.headers['set-cookie']?.[0].split(';')[0]
        done({ status: response.statusCode!, cookie })
      })
        .on('error', wrong)
        .end(body)
    })
  const { cookie } = await enter(secret)
  const page = async () => {
    const start = performance.now()
    const headers = { cookie: cookie! }
    await (await fetch(`http://${outside}:${port}/api/pieces/p1`, { headers })).arrayBuffer()
    return performance.now() - start
  }
  for (let i = 0; i < 10; i++) await page()
  const one = enter('a wrong guess')
  within('a device waits, while one guess is looked at', Math.max(await page(), await page()), 20)
  await one
  await pause(2000)
  // From a process of its own, so that what is timed here does not wait for us.
  const guessing = `const { request } = await import('node:http')
    const [host, port, secret] = process.argv.slice(1)
    const one = (passphrase) => new Promise((done) => {
      const headers = { 'content-type': 'application/x-www-form-urlencoded' }
      request({ host, port, path: '/enter', method: 'POST', headers }, (response) => {
        response.resume()
        done(response.statusCode)
      }).end(new URLSearchParams({ passphrase }).toString())
    })
    const all = Array.from({ length: 300 }, (_, i) => one(i === 150 ? secret : 'wrong ' + i))
    console.log((await Promise.all(all)).filter((status) => status !== 401).length)
    process.exit()`
  const flags = ['--input-type=module', '-e', guessing, outside, String(port), secret]
  const child = spawn(process.execPath, flags, { stdio: ['ignore', 'pipe', 'inherit'] })
  let letIn = ''
  child.stdout.on('data', (part: Buffer) => (letIn += String(part)))
  let going = true
  child.once('exit', () => (going = false))
  let longest = 0
  while (going) longest = Math.max(longest, await page())
  within('a device waits, while 300 guesses come at once', longest, 50)
  console.log(`of 300 guesses with the right one among them, let in: ${letIn.trim()}`)
  await server.stop()
}

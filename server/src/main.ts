import { mkdirSync, rmSync } from 'node:fs'
import { createServer, type RequestListener, type Server } from 'node:http'
import type { AddressInfo } from 'node:net'
import { dirname, resolve } from 'node:path'
import { fileURLToPath } from 'node:url'
import { pino } from 'pino'
import { Problem } from '@mivro/core/problem'
import { sayProblem } from '@mivro/words/problem'
import { createApp } from './app.ts'
import { endChildren } from './backup/process.ts'
import { holdStore } from './db/lock.ts'
import { Store } from './db/store.ts'
import { fillDemo } from './demo/fill.ts'
import { readSettings } from './settings.ts'
import { startUpkeep } from './upkeep/upkeep.ts'

const root = resolve(dirname(fileURLToPath(import.meta.url)), '../..')

/** Requests that are being answered when the server stops are waited for so long, ms. */
const lastWords = 3000

async function main(): Promise<void> {
  const settings = readSettings(root, process.argv.slice(2), process.env)
  // The port first: what is wrong with it is said before a store is touched.
  let answer: RequestListener = (_request, response) => response.writeHead(503).end('Starting')
  const server = createServer((request, response) => answer(request, response))
  await listen(server, settings.port)
  mkdirSync(dirname(settings.database), { recursive: true })
  if (settings.fresh) removeStore(settings.database)
  const store = await Store.open(settings.database)
  if (settings.demo) await store.transaction((tx) => fillDemo(tx))
  const log = pino({ level: process.env.MIVRO_LOG ?? 'warn' })
  const endUpkeep = startUpkeep(store, log)
  answer = createApp(store, { ...settings, log })
  const { port } = server.address() as AddressInfo
  process.stdout.write(`Mivro is at http://127.0.0.1:${port}\n`)

  let stopping = false
  const stop = async () => {
    if (stopping) return
    stopping = true
    endUpkeep()
    endChildren()
    const closed = new Promise((done) => server.close(done))
    server.closeIdleConnections()
    setTimeout(() => server.closeAllConnections(), lastWords).unref()
    await closed
    await store.close()
    process.exit(0)
  }
  for (const signal of ['SIGINT', 'SIGTERM'] as const) process.on(signal, () => void stop())
}

function listen(server: Server, port: number): Promise<void> {
  return new Promise((resolve, reject) => {
    server.once('error', (error: NodeJS.ErrnoException) =>
      reject(
        error.code === 'EADDRINUSE'
          ? new Error(`Port ${port} is taken. Choose another with --port, or 0 for any.`)
          : error,
      ),
    )
    server.listen(port, '127.0.0.1', () => resolve())
  })
}

/** Begins a store anew, unless another server has it open. */
function removeStore(file: string): void {
  holdStore(file)()
  for (const ending of ['', '-wal', '-shm']) rmSync(file + ending, { force: true })
}

main().catch((error: unknown) => {
  const line = error instanceof Problem ? sayProblem(error) : (error as Error).message
  process.stderr.write(`${line}\n`)
  process.exit(1)
})

import { mkdirSync, rmSync } from 'node:fs'
import { createServer, type IncomingMessage, type RequestListener, type Server } from 'node:http'
import { createServer as createSecureServer } from 'node:https'
import type { AddressInfo } from 'node:net'
import { dirname } from 'node:path'
import { pino } from 'pino'
import { openLan } from './access/lan.ts'
import { Sessions } from './access/sessions.ts'
import { createApp } from './app.ts'
import { endChildren } from './backup/process.ts'
import { holdStore } from './db/lock.ts'
import { Store } from './db/store.ts'
import { fillDemo } from './demo/fill.ts'
import { Instruments } from './instruments/instruments.ts'
import type { Settings } from './settings.ts'
import { startUpkeep } from './upkeep/upkeep.ts'

/** Requests that are being answered when the server stops are waited for so long, ms. */
const lastWords = 3000

/** A body of which nothing came for so long is not waited for, ms. */
const stalled = 60_000

/** A server that listens, and how it is stopped. */
export interface Served {
  port: number
  /** Where this machine reaches it, and where other devices do. */
  address: string
  others: string[]
  /** What is being answered is waited for, up to `patience` ms; then the store is whole in its file. */
  stop(patience?: number): Promise<void>
}

/** Opens the store and listens. Throws `Problem`, and in words what is wrong with a setting. */
export async function serve(settings: Settings): Promise<Served> {
  if (settings.host) mkdirSync(dirname(settings.database), { recursive: true })
  const lan = settings.host ? await openLan(settings) : undefined
  // The port first: what is wrong with it is said before a store is touched.
  let answer: RequestListener = (_request, response) => response.writeHead(503).end('Starting')
  const listener: RequestListener = (request, response) => {
    dropStalled(request)
    answer(request, response)
  }
  const server = lan?.certificate
    ? createSecureServer(lan.certificate, listener)
    : createServer(listener)
  // A backup over a slow network takes as long as it takes.
  server.requestTimeout = 0
  await listen(server, settings.port, lan ? undefined : '127.0.0.1')
  mkdirSync(dirname(settings.database), { recursive: true })
  if (settings.fresh) await removeStore(settings.database)
  const store = await Store.open(settings.database)
  if (settings.demo) await store.transaction((tx) => fillDemo(tx))
  const log = pino({ level: process.env.MIVRO_LOG ?? 'warn' })
  const endUpkeep = startUpkeep(store, log, settings.upkeepAfter)
  const instruments = await Instruments.open(store)
  const { port } = server.address() as AddressInfo
  const scheme = lan?.certificate ? 'https' : 'http'
  const others = (lan?.names ?? []).map(
    (name) => `${scheme}://${name.includes(':') ? `[${name}]` : name}:${port}`,
  )
  const sessions = lan && (await Sessions.open(store))
  // A start that is refused changes nothing; devices that knew the old passphrase are let out.
  if (lan?.keepIn) {
    await sessions!.endAll()
    lan.passphrase.keep(lan.keepIn)
  }
  answer = createApp(store, {
    ...settings,
    log,
    instruments,
    lan: lan && {
      passphrase: lan.passphrase,
      sessions: sessions!,
      tls: lan.certificate !== undefined,
      names: lan.names,
      addresses: others,
    },
  })
  const stop = async (patience = lastWords) => {
    endUpkeep()
    // The rest is stopped all the same; what could not be written down is said at the end.
    const ended = await instruments.end().catch((error: unknown) => error)
    endChildren()
    const closed = new Promise((done) => server.close(done))
    server.closeIdleConnections()
    if (patience === 0) server.closeAllConnections()
    else setTimeout(() => server.closeAllConnections(), patience).unref()
    await closed
    await store.close()
    if (ended !== undefined) throw ended
  }
  return { port, address: `${scheme}://127.0.0.1:${port}`, others, stop }
}

/** A body that keeps coming is waited for, however long it is. */
export function dropStalled(request: IncomingMessage, patience = stalled): void {
  request.setTimeout(patience, () => request.destroy())
  request.once('end', () => request.setTimeout(0))
}

function listen(server: Server, port: number, host: string | undefined): Promise<void> {
  return new Promise((resolve, reject) => {
    server.once('error', (error: NodeJS.ErrnoException) =>
      reject(
        error.code === 'EADDRINUSE'
          ? new Error(`Port ${port} is taken. Choose another with --port, or 0 for any.`)
          : error,
      ),
    )
    server.listen(port, host, () => resolve())
  })
}

/** Begins a store anew, unless another server has it open. */
async function removeStore(file: string): Promise<void> {
  const hold = await holdStore(file)
  hold.release()
  for (const ending of ['', '-wal', '-shm']) rmSync(file + ending, { force: true })
}

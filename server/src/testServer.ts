import { mkdtempSync } from 'node:fs'
import { createServer, type Server } from 'node:http'
import type { AddressInfo } from 'node:net'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import type { Asked } from '../../tools/backupClient.ts'
import { createApp } from './app.ts'
import { Store } from './db/store.ts'
import { Instruments } from './instruments/instruments.ts'

/** What a call answered. The tests say what they expect of the body. */
export interface Answer {
  status: number
  type: string | null
  // eslint-disable-next-line @typescript-eslint/no-explicit-any
  body: any
}

export const temporaryFolder = () => mkdtempSync(join(tmpdir(), 'mivro-'))

/** For tests: the whole API over a store in a folder of its own. */
export class TestServer {
  private constructor(
    readonly folder: string,
    readonly store: Store,
    readonly instruments: Instruments,
    private readonly server: Server,
    readonly base: string,
  ) {}

  static async start(folder = temporaryFolder()): Promise<TestServer> {
    const store = await Store.open(join(folder, 'store.sqlite'))
    const instruments = await Instruments.open(store)
    const server = createServer(createApp(store, { instruments })).listen(0, '127.0.0.1')
    await new Promise((resolve) => server.once('listening', resolve))
    const base = `http://127.0.0.1:${(server.address() as AddressInfo).port}/api`
    return new TestServer(folder, store, instruments, server, base)
  }

  fetch(path: string, init: RequestInit = {}, epoch = this.store.epoch): Promise<Response> {
    return fetch(this.base + path, { ...init, headers: { 'Mivro-Epoch': epoch, ...init.headers } })
  }

  async call(method: string, path: string, body?: unknown, epoch?: string): Promise<Answer> {
    const init = {
      method,
      headers: { 'content-type': 'application/json' },
      body: body === undefined ? undefined : JSON.stringify(body),
    }
    const response = await this.fetch(path, init, epoch)
    const type = response.headers.get('content-type')
    return { status: response.status, type, body: await response.json() }
  }

  send(method: string, path: string, bytes: Uint8Array): Promise<Response> {
    return this.fetch(path, { method, body: bytes as RequestInit['body'] })
  }

  /** As the clients of backups know it. */
  get asked(): Asked {
    return { base: this.base, epoch: this.store.epoch }
  }

  async stop(): Promise<void> {
    await this.instruments.end()
    this.server.closeAllConnections()
    this.server.close()
    await this.store.close()
  }
}

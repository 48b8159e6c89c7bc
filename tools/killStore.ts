import { mkdtempSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { unzipSync } from 'fflate'
import { putBackup, takeBackup } from './backupClient.ts'
import { ServerProcess } from './serverProcess.ts'

/** What a call of the server answers, as far as the tools look at it. */
export interface Answer {
  id: string
  revision: number
  document: { name: string; events?: { text: string }[] }
  items: { id: string; revision: number; document: { name: string } }[]
  next?: string
  current?: { revision: number }
}

export const pause = (ms: number) => new Promise((done) => setTimeout(done, ms))

/** A server over one store that is killed and started again. */
export class KilledServer {
  process: ServerProcess | undefined
  base = ''
  epoch = ''

  constructor(
    readonly store = join(mkdtempSync(join(tmpdir(), 'mivro-kills-')), 'store.sqlite'),
    private readonly env: Record<string, string> = {},
  ) {}

  async start(...options: string[]): Promise<void> {
    const args = ['--port', '0', '--database', this.store, ...options]
    this.process = new ServerProcess(args, this.env)
    await this.process.listening()
    if (this.process.address === '') throw new Error(`the server ended: ${this.process.said}`)
    this.base = `${this.process.address}/api`
    await this.meet()
  }

  /** Asks which store is there: after a restore it is another. */
  async meet(): Promise<void> {
    const found = await fetch(`${this.base}/studios?limit=1`)
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
    const bytes = value instanceof Uint8Array
    const response = await fetch(this.base + path, {
      method,
      headers: {
        'content-type': bytes ? 'application/octet-stream' : 'application/json',
        'Mivro-Epoch': this.epoch,
      },
      body: value === undefined ? undefined : bytes ? (value as never) : JSON.stringify(value),
    })
    return { status: response.status, body: (await response.json()) as Answer }
  }

  async fileOf(path: string): Promise<Uint8Array> {
    return new Uint8Array(await (await fetch(this.base + path)).arrayBuffer())
  }

  /** The entries of a backup taken now. */
  async backup(): Promise<Record<string, Uint8Array>> {
    return unzipSync(await takeBackup(this))
  }

  restore(zip: Uint8Array) {
    return putBackup(this, zip)
  }

  /** Every version of a document, by its number. */
  async historyOf(path: string): Promise<Map<number, Answer['document']>> {
    const kept = new Map<number, Answer['document']>()
    let before = ''
    do {
      const { body } = await this.call('GET', `${path}/history?limit=500${before}`)
      for (const { revision, document } of body.items) kept.set(revision, document)
      before = body.next === undefined ? '' : `&before=${body.next}`
    } while (before !== '')
    return kept
  }
}

/** Park and Miller, 1988: enough for choosing moments. */
export function randomFrom(seed: number): () => number {
  let state = seed
  return () => (state = (state * 16807) % 2147483647) / 2147483647
}

/** Where something from the middle of a shape lies in the bytes of a store, whose pages cut it up. */
export function placeInside(store: Buffer, shape: Uint8Array): number {
  const piece = 50
  for (let at = shape.length >> 1; at + piece < shape.length; at += piece) {
    const found = store.indexOf(shape.subarray(at, at + piece))
    if (found > 0) return found
  }
  return -1
}

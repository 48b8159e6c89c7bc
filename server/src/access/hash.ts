import { fileURLToPath } from 'node:url'
import { Worker } from 'node:worker_threads'

export interface Asked {
  secret: string
  salt: Uint8Array
  length: number
  /** Of scrypt (RFC 7914), and the memory it may take, bytes. */
  options: { N: number; r: number; p: number; maxmem: number }
}

/** The thread is the bundle's, also of a server that runs from its sources. */
const place = import.meta.url.endsWith('.ts')
  ? '../../dist/access/hashWorker.js'
  : './access/hashWorker.js'

let worker: Worker | undefined
let last: Promise<unknown> = Promise.resolve()

/** scrypt in a thread of its own, one after the other. */
export function hash(asked: Asked): Promise<Buffer> {
  const mine = last.then(() => once(asked))
  last = mine.catch(() => {})
  return mine
}

function once(asked: Asked): Promise<Buffer> {
  worker ??= new Worker(fileURLToPath(new URL(place, import.meta.url)))
  const own = worker
  return new Promise((done, failed) => {
    const made = (bytes: Uint8Array) => {
      own.off('error', ended).off('exit', ended)
      // It keeps no process alive that has nothing else to do.
      own.unref()
      done(Buffer.from(bytes))
    }
    const ended = (error: unknown) => {
      own.off('message', made).off('error', ended).off('exit', ended)
      worker = undefined
      failed(error instanceof Error ? error : new Error(`the thread ended with ${String(error)}`))
    }
    own.once('message', made).once('error', ended).once('exit', ended)
    own.ref()
    own.postMessage(asked)
  })
}

import { scryptSync } from 'node:crypto'
import { parentPort } from 'node:worker_threads'
import type { Asked } from './hash.ts'

/** A thread of its own: what a guess costs holds up neither requests nor the threads that read files. */
parentPort!.on('message', ({ secret, salt, length, options }: Asked) => {
  parentPort!.postMessage(scryptSync(secret, salt, length, options))
})

import { randomBytes } from 'node:crypto'
import { createWriteStream } from 'node:fs'
import { rm } from 'node:fs/promises'
import { join } from 'node:path'
import { pipeline } from 'node:stream/promises'
import { Router, type Response } from 'express'
import { Problem } from '@mivro/core/base/problem'
import { incoming, type Store } from '../db/store.ts'
import { epochHeader } from '../http/epoch.ts'
import { largestUnpacked } from './format.ts'
import { ended, startChild } from './process.ts'
import type { Restored } from './read.ts'

/**
 * Backup out and in, any size up to `largestUnpacked`, without holding other requests up.
 * `keepIn`: the folder where uploads wait and what a restore replaced is kept.
 */
export function backupRoutes(store: Store, keepIn: string): Router {
  const router = Router()
  const stamp = () => new Date().toISOString().slice(0, 19).replace(/[:T]/g, '-')

  /** One is packed after the other: each asks for a process, its memory and the disk. */
  let packing: Promise<unknown> = Promise.resolve()
  router.get('/', async (_request, response) => {
    const before = packing
    const mine = before.then(() => (response.destroyed ? undefined : pack(response)))
    packing = mine.catch(() => {})
    await mine
  })

  async function pack(response: Response): Promise<void> {
    const child = startChild('write', store.file)
    response.attachment(`mivro-${stamp()}.zip`).type('application/zip')
    const whole = ended(child)
    response.once('close', () => child.kill())
    // The answer ends only when the child ended well: a backup cut short fails to download.
    child.stdout!.pipe(response, { end: false })
    try {
      await whole
      response.end()
    } catch (error) {
      if (!response.headersSent) throw error
      response.destroy()
    }
  }

  router.put('/', async (request, response) => {
    const mark = `${stamp()}-${randomBytes(3).toString('hex')}`
    const upload = join(keepIn, `restore-${mark}.zip.part`)
    const next = `${store.file}.${mark}${incoming}`
    const kept = join(keepIn, `before-restore-${mark}.sqlite`)
    let restored: Restored
    try {
      await pipeline(request, atMost(largestUnpacked), createWriteStream(upload))
      restored = await unpack(upload, next)
      await store.replaceWith(next, kept)
    } finally {
      const left = ['', '-wal', '-shm', '-journal'].map((ending) => next + ending)
      await Promise.all([upload, ...left].map((file) => rm(file, { force: true })))
    }
    response.set(epochHeader, store.epoch).json({ ...restored, kept })
  })

  return router
}

async function unpack(zip: string, file: string): Promise<Restored> {
  const child = startChild('read', zip, file)
  let answer = ''
  child.stdout!.setEncoding('utf8').on('data', (part: string) => (answer += part))
  await ended(child)
  return JSON.parse(answer) as Restored
}

/** Passes bytes on until there are too many. */
const atMost = (limit: number) =>
  async function* (source: AsyncIterable<Buffer>) {
    let held = 0
    for await (const part of source) {
      held += part.length
      if (held > limit) throw new Problem('body-too-large', { limit })
      yield part
    }
  }

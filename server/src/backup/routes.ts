import { mkdirSync, writeFileSync } from 'node:fs'
import { join } from 'node:path'
import { Router } from 'express'
import type { Database } from '../db/connect.ts'
import { readBody } from '../http/readBody.ts'
import { packBackup, unpackBackup } from './archive.ts'
import { putBackup, takeBackup } from './store.ts'

const largestBackup = 1000 * 1000 * 1000

/** `keepIn`: where the state before a restore is put aside; absent for a store in memory. */
export function backupRoutes(db: Database, keepIn?: string): Router {
  const router = Router()
  const stamp = (at: string) => at.slice(0, 19).replace(/[:T]/g, '-')

  router.get('/', async (_request, response) => {
    const at = new Date().toISOString()
    const bytes = packBackup(await db.transaction((tx) => takeBackup(tx, at)))
    response
      .attachment(`mivro-${stamp(at)}.zip`)
      .type('application/zip')
      .send(Buffer.from(bytes))
  })

  router.put('/', async (request, response) => {
    const backup = unpackBackup(await readBody(request, largestBackup, 'body-too-large'))
    const at = new Date().toISOString()
    await db.transaction(async (tx) => {
      if (keepIn !== undefined) {
        mkdirSync(keepIn, { recursive: true })
        const before = packBackup(await takeBackup(tx, at))
        writeFileSync(join(keepIn, `before-restore-${stamp(at)}.zip`), before)
      }
      await putBackup(tx, backup, at)
    })
    response.json({ documents: backup.index.documents.length, meshes: backup.meshes.size })
  })

  return router
}

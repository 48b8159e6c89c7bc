import { Router } from 'express'
import { Problem } from '@mivro/core/problem'
import type { Database } from '../db/connect.ts'
import { DocumentStore } from '../document/store.ts'
import { fillDemo } from './fill.ts'

/** Fills an empty store with the demo studio, when its owner asks for it. */
export function demoRoutes(db: Database): Router {
  const router = Router()
  router.post('/', async (_request, response) => {
    await db.transaction(async (tx) => {
      const here = await new DocumentStore(tx, 'piece', '').list()
      if (here.length > 0) throw new Problem('demo-not-empty', { pieces: here.length })
      await fillDemo(tx)
    })
    response.status(201).json({ filled: true })
  })
  return router
}

import { Router } from 'express'
import { Problem } from '@mivro/core/base/problem'
import type { Store } from '../db/store.ts'
import { DocumentStore } from '../document/store.ts'
import { fillDemo } from './fill.ts'
import { presentDemo, removeDemo } from './remove.ts'

/** Fills an empty store with the demo studio, and takes it out again, when its owner asks for it. */
export function demoRoutes(store: Store): Router {
  const router = Router()
  router.post('/', async (_request, response) => {
    await store.transaction(async (tx) => {
      const { items } = await new DocumentStore(tx, 'piece', '').list()
      if (items.length > 0) throw new Problem('demo-not-empty', { pieces: items.length })
      await fillDemo(tx, { deleted: 'restored' })
    })
    response.status(201).json({ filled: true })
  })
  router.get('/', async (_request, response) => {
    response.json({ present: await store.transaction(presentDemo) })
  })
  router.delete('/', async (_request, response) => {
    response.json(await store.transaction((tx) => removeDemo(tx)))
  })
  return router
}

import { Router } from 'express'
import { z } from '@mivro/core/base/schema'
import { readDocument } from '@mivro/core/base/document'
import type { Store } from '../db/store.ts'
import { overview } from './overview.ts'

const askedSchema = z.object({
  after: z.string().optional(),
  limit: z.coerce.number().int().min(1).max(100).default(24),
})

/** What the first screen shows, page by page. */
export function overviewRoutes(store: Store): Router {
  const router = Router()
  router.get('/', async (request, response) => {
    const asked = readDocument(askedSchema, request.query)
    response.json(await store.transaction((tx) => overview(tx, asked)))
  })
  return router
}

import { Router } from 'express'
import { inspectMeshFile, largestFile } from '@mivro/core/form/mesh'
import type { Store } from '../db/store.ts'
import { readBody } from '../http/readBody.ts'
import { MeshStore } from './store.ts'

/** Files of shapes come in whole and are kept under their hash. */
export function meshRoutes(store: Store): Router {
  const router = Router()

  router.post('/', async (request, response) => {
    const bytes = await readBody(request, largestFile, 'file-too-large')
    inspectMeshFile(bytes)
    const id = await store.transaction((tx) =>
      new MeshStore(tx, new Date().toISOString()).add(bytes),
    )
    response.status(201).json({ id, bytes: bytes.byteLength })
  })

  router.get('/:id', async (request, response) => {
    const bytes = await store.transaction((tx) => new MeshStore(tx, '').get(request.params.id))
    // The name is the hash of the content, so what was fetched once never changes.
    // Packing it on the way would take longer than sending it to the same machine.
    response.set('Cache-Control', 'private, max-age=31536000, immutable, no-transform')
    response.type('application/octet-stream').send(bytes)
  })

  return router
}

import { Router } from 'express'
import { inspectPicture, largestPicture, stripped } from '@mivro/core/base/picture'
import type { Store } from '../db/store.ts'
import { readBody } from '../http/readBody.ts'
import { PictureStore } from './store.ts'

/** A small picture is no larger, bytes. */
const largestSmall = 200_000

/** Pictures come in whole, lose what they tell besides, and are kept under their hash. */
export function pictureRoutes(store: Store): Router {
  const router = Router()

  router.post('/', async (request, response) => {
    const bytes = await readBody(request, largestPicture, 'file-too-large')
    const claims = request.headers['content-type']
    const { type, width, height } = inspectPicture(bytes, { claims })
    const bare = stripped(bytes, type)
    const id = await store.transaction((tx) =>
      new PictureStore(tx, new Date().toISOString()).add(bare, type),
    )
    response.status(201).json({ id, type, width, height, bytes: bare.byteLength })
  })

  router.post('/:id/small', async (request, response) => {
    const bytes = await readBody(request, largestSmall, 'file-too-large')
    const { type } = inspectPicture(bytes, { claims: 'image/jpeg' })
    await store.transaction((tx) =>
      new PictureStore(tx, '').keepSmall(request.params.id, stripped(bytes, type)),
    )
    response.status(204).end()
  })

  router.get('/:id', async (request, response) => {
    const size = request.query.size === 'small' ? 'small' : 'whole'
    const { type, body } = await store.transaction((tx) =>
      new PictureStore(tx, '').get(request.params.id, size),
    )
    // The name is the hash of the content; the small one may still come.
    const lasting = size === 'whole' ? 'private, max-age=31536000, immutable' : 'no-cache'
    response.set('Cache-Control', `${lasting}, no-transform`)
    response.set('Content-Disposition', 'inline').set('X-Content-Type-Options', 'nosniff')
    response.type(type).send(body)
  })

  return router
}

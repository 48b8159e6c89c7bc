import type { RequestHandler } from 'express'
import { Problem } from '@mivro/core/base/problem'
import type { Store } from '../db/store.ts'

/** Names the store in every answer, and in every write the one it was meant for. */
export const epochHeader = 'Mivro-Epoch'

const writes = new Set(['PUT', 'POST', 'DELETE', 'PATCH'])

/** Refuses writes that were meant for the store before a backup took its place. */
export const sameEpoch =
  (store: Store): RequestHandler =>
  (request, response, next) => {
    response.set(epochHeader, store.epoch)
    const meant = request.get(epochHeader)
    if (writes.has(request.method) && meant !== undefined && meant !== store.epoch) {
      throw new Problem('store-replaced', {})
    }
    if (writes.has(request.method) && meant === undefined) {
      throw new Problem('wrong-request', { reason: `it names no ${epochHeader}` })
    }
    next()
  }

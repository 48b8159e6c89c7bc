import { Router } from 'express'
import type { Store } from '../db/store.ts'
import { DocumentStore } from './store.ts'

/** What a piece is shown with, as it stands at one moment; pages as its lists have them. */
export function projectRoutes(store: Store): Router {
  const router = Router()
  router.get('/:piece', async (request, response) => {
    const parent = request.params.piece
    const answer = await store.transaction(async (tx) => {
      const of = (kind: 'piece' | 'plan' | 'pull' | 'mould' | 'material') =>
        new DocumentStore(tx, kind, '')
      return {
        piece: await of('piece').get(parent),
        plans: await of('plan').list({ parent }),
        pulls: await of('pull').list({ parent }),
        moulds: await of('mould').list(),
        materials: await of('material').list(),
      }
    })
    response.json(answer)
  })
  return router
}

/**
 * What the page at an address asks for first; sent with the page itself, so that it is on its way
 * before any script.
 *
 * @example firstRequests('/pieces/p1/pour') // ['/api/studios/studio', '/api/projects/p1']
 */
export function firstRequests(path: string): string[] {
  const [, place, id = '', stage] = path.split('/')
  const own = /^[\w-]{0,64}$/.test(id) ? (ofPlace.get(place)?.(id, stage) ?? []) : []
  return ['studios/studio', ...own].map((wanted) => `/api/${wanted}`)
}
const lists = ['pieces', 'moulds', 'materials']
/** A map: the address is typed by anybody, and an object has names of its own. */
const ofPlace = new Map<string, (id: string, stage?: string) => string[]>([
  ['pieces', (id, stage) => (stage ? [`projects/${id}`] : id ? [] : ['overview', 'materials'])],
  ['runs', (id, stage) => (id && !stage ? [`runs/${id}`, `benches?naming=${id}`, ...lists] : [])],
  ['log', () => ['log']],
])

import { Router } from 'express'
import { z } from '@mivro/core/schema'
import { readDocument } from '@mivro/core/document'
import { Problem } from '@mivro/core/problem'
import type { Database, Transaction } from '../db/connect.ts'
import { MeshStore } from '../mesh/store.ts'
import { kinds, type Kind } from './kinds.ts'
import { DocumentStore } from './store.ts'

const idSchema = z.string().regex(/^[A-Za-z0-9_-]{1,64}$/)
const newSchema = z.object({ id: idSchema, parent: idSchema.optional(), document: z.unknown() })
const changeSchema = z.object({
  basedOn: z.number().int().positive(),
  change: z.enum(['edited', 'undone', 'redone']).default('edited'),
  document: z.unknown(),
})

/** The HTTP face of one kind of document: list, get, add, change, delete, restore, history. */
export function documentRoutes(db: Database, kind: Kind): Router {
  const { schema, parent: parentKind } = kinds[kind]
  const router = Router()
  const inside = <T>(work: (store: DocumentStore, tx: Transaction) => Promise<T>) =>
    db.transaction((tx) => work(new DocumentStore(tx, kind, new Date().toISOString()), tx))

  router.get('/', async (request, response) => {
    const parent = typeof request.query.parent === 'string' ? request.query.parent : undefined
    response.json(await inside((store) => store.list(parent)))
  })

  router.get('/deleted', async (_request, response) => {
    response.json(await inside((store) => store.listDeleted()))
  })

  router.get('/:id', async (request, response) => {
    response.json(await inside((store) => store.get(request.params.id)))
  })

  router.get('/:id/history', async (request, response) => {
    response.json(await inside((store) => store.history(request.params.id)))
  })

  router.post('/', async (request, response) => {
    const { id, parent, document } = readDocument(newSchema, request.body)
    const read = readDocument(schema, document)
    const made = await inside(async (store, tx) => {
      if (parentKind) await requireParent(tx, parentKind, parent)
      await requireMesh(tx, read)
      return store.add(id, parentKind ? parent! : null, read)
    })
    response.status(201).json(made)
  })

  router.put('/:id', async (request, response) => {
    const { basedOn, change, document } = readDocument(changeSchema, request.body)
    const read = readDocument(schema, document)
    const changed = await inside(async (store, tx) => {
      await requireMesh(tx, read)
      return store.change(request.params.id, basedOn, read, change)
    })
    response.json(changed)
  })

  router.delete('/:id', async (request, response) => {
    response.json(await inside((store) => store.remove(request.params.id)))
  })

  router.post('/:id/restore', async (request, response) => {
    response.json(await inside((store) => store.restore(request.params.id)))
  })

  return router
}

async function requireParent(tx: Transaction, kind: Kind, id: string | undefined): Promise<void> {
  if (id === undefined)
    throw new Problem('malformed', { message: `a ${kind} is missing` }, 'parent')
  await new DocumentStore(tx, kind, '').get(id)
}

/** A piece made from a file may only name a mesh that is there. */
async function requireMesh(tx: Transaction, document: unknown): Promise<void> {
  const form = (document as { form?: { from: string; mesh?: string } }).form
  if (form?.from !== 'file' || form.mesh === undefined) return
  if (!(await new MeshStore(tx, '').has(form.mesh))) {
    throw new Problem('mesh-missing', { id: form.mesh }, 'form.mesh')
  }
}

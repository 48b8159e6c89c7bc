import { Router } from 'express'
import { z } from '@mivro/core/base/schema'
import { readDocument } from '@mivro/core/base/document'
import { Problem } from '@mivro/core/base/problem'
import type { Transaction } from '../db/connect.ts'
import type { Store } from '../db/store.ts'
import { missingIn } from '../db/missing.ts'
import { documentTypes, filesOf, type DocumentTypeName } from '@mivro/core/studio'
import { DocumentStore } from './store.ts'

const idSchema = z.string().regex(/^[A-Za-z0-9_-]{1,64}$/)
const newSchema = z.object({ id: idSchema, parent: idSchema.optional(), document: z.unknown() })
const changeSchema = z.object({
  basedOn: z.number().int().positive(),
  change: z.enum(['edited', 'undone', 'redone']).default('edited'),
  document: z.unknown(),
})

const limit = z.coerce.number().int().min(1).max(500).optional()
const wantedSchema = z.object({
  parent: idSchema.optional(),
  ids: z
    .string()
    .transform((text) => text.split(','))
    .pipe(z.array(idSchema).max(500))
    .optional(),
  naming: idSchema.optional(),
  order: z.enum(['oldest', 'newest']).optional(),
  after: idSchema.optional(),
  limit,
})
const historySchema = z.object({ before: z.coerce.number().int().positive().optional(), limit })
const nameSchema = z.object({ name: z.string().trim().min(1).max(80).nullable() })

/** The HTTP face of one kind of document: list, get, add, change, delete, restore, history. */
export function documentRoutes(
  store: Store,
  kind: DocumentTypeName,
  changed: (id: string, revision: number) => void = () => {},
): Router {
  const { schema, parent: parentKind } = documentTypes[kind]
  const router = Router()
  const inside = <T>(work: (documents: DocumentStore, tx: Transaction) => Promise<T>) =>
    store.transaction((tx) => work(new DocumentStore(tx, kind, new Date().toISOString()), tx))

  router.get('/', async (request, response) => {
    const wanted = readDocument(wantedSchema, request.query)
    response.json(await inside((documents) => documents.list(wanted)))
  })

  router.get('/deleted', async (_request, response) => {
    response.json(await inside((documents) => documents.listDeleted()))
  })

  router.get('/:id', async (request, response) => {
    response.json(await inside((documents) => documents.get(request.params.id)))
  })

  router.get('/:id/history', async (request, response) => {
    const asked = readDocument(historySchema, request.query)
    response.json(await inside((documents) => documents.history(request.params.id, asked)))
  })

  router.put('/:id/history/:revision', async (request, response) => {
    const { name } = readDocument(nameSchema, request.body)
    const revision = Number(request.params.revision)
    await inside((documents) => documents.nameVersion(request.params.id, revision, name))
    response.json({ revision, name })
  })

  router.post('/', async (request, response) => {
    const { id, parent, document } = readDocument(newSchema, request.body)
    const read = readDocument(schema, document)
    const made = await inside(async (documents, tx) => {
      if (parentKind) await requireParent(tx, parentKind, parent)
      await requireFiles(tx, kind, read)
      return documents.add(id, parentKind ? parent! : null, read)
    })
    response.status(201).json(made)
  })

  router.put('/:id', async (request, response) => {
    const { basedOn, change, document } = readDocument(changeSchema, request.body)
    const read = readDocument(schema, document)
    const made = await inside(async (documents, tx) => {
      await requireFiles(tx, kind, read, () => documents.get(request.params.id))
      return documents.change(request.params.id, basedOn, read, change)
    })
    changed(made.id, made.revision)
    response.json(made)
  })

  router.delete('/:id', async (request, response) => {
    response.json(await inside((documents) => documents.remove(request.params.id)))
  })

  router.post('/:id/restore', async (request, response) => {
    response.json(await inside((documents) => documents.restore(request.params.id)))
  })

  return router
}

async function requireParent(
  tx: Transaction,
  kind: DocumentTypeName,
  id: string | undefined,
): Promise<void> {
  if (id === undefined)
    throw new Problem('malformed', { message: `a ${kind} is missing` }, 'parent')
  await new DocumentStore(tx, kind, '').get(id)
}

/** Files that a document names have to be there, but for what its version before named and lost. */
async function requireFiles(
  tx: Transaction,
  kind: DocumentTypeName,
  document: unknown,
  before?: () => Promise<{ document: unknown }>,
): Promise<void> {
  const { meshes, pictures } = filesOf(kind, document)
  const lostMeshes = await missingIn(tx, 'meshes', meshes)
  const lostPictures = await missingIn(tx, 'pictures', pictures)
  if (lostMeshes.length + lostPictures.length === 0) return
  const named = before && filesOf(kind, (await before()).document)
  const mesh = lostMeshes.find((id) => !named?.meshes.includes(id))
  if (mesh !== undefined) throw new Problem('mesh-missing', { id: mesh }, 'form.mesh')
  const picture = lostPictures.find((id) => !named?.pictures.includes(id))
  if (picture !== undefined) throw new Problem('picture-missing', { id: picture }, 'pictures')
}

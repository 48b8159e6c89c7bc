import { createHash } from 'node:crypto'
import { Problem } from '@mivro/core/problem'
import type { Transaction } from '../db/connect.ts'
import { MeshStore } from '../mesh/store.ts'
import { backupFormat, type Backup } from './archive.ts'

/** Everything in the store, every version and deleted things too. */
export async function takeBackup(tx: Transaction, madeAt: string): Promise<Backup> {
  const parsed = <T extends { body: string }>(row: T) => ({
    ...row,
    body: JSON.parse(row.body) as unknown,
  })
  const documents = (await tx('documents').orderBy(['created_at', 'id'])).map(parsed)
  const revisions = (await tx('revisions').orderBy(['document', 'revision'])).map(parsed)
  const store = new MeshStore(tx, madeAt)
  const meshes = new Map<string, Uint8Array>()
  for (const id of await store.ids()) meshes.set(id, await store.get(id))
  return { index: { format: backupFormat, madeAt, documents, revisions }, meshes } as Backup
}

/** Puts a backup in the place of everything. Rows are checked against each other first. */
export async function putBackup(
  tx: Transaction,
  { index, meshes }: Backup,
  now: string,
): Promise<void> {
  for (const [id, bytes] of meshes) {
    if (createHash('sha256').update(bytes).digest('hex') !== id)
      unreadable('a shape in it was changed')
  }
  const ids = new Set(index.documents.map((row) => row.id))
  const orphan = index.documents.find((row) => row.parent !== null && !ids.has(row.parent))
  if (orphan || index.revisions.some((row) => !ids.has(row.document))) {
    unreadable('a document in it lost what it belongs to')
  }
  await tx('revisions').delete()
  // Children first, so that the foreign keys hold at every moment.
  await tx('documents').whereNotNull('parent').delete()
  await tx('documents').delete()
  await tx('meshes').delete()
  const store = new MeshStore(tx, now)
  for (const bytes of meshes.values()) await store.add(bytes)
  const text = <T extends { body?: unknown }>(row: T) => ({
    ...row,
    body: JSON.stringify(row.body),
  })
  const parentsFirst = [...index.documents].sort(
    (a, b) => Number(a.parent !== null) - Number(b.parent !== null),
  )
  for (const row of parentsFirst) await tx('documents').insert(text(row))
  for (const row of index.revisions) await tx('revisions').insert(text(row))
}

function unreadable(reason: string): never {
  throw new Problem('backup-unreadable', { reason })
}

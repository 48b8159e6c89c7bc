import { unzipSync, zipSync, strToU8, strFromU8 } from 'fflate'
import { z } from '@mivro/core/schema'
import { readDocument } from '@mivro/core/document'
import { Problem, Problems } from '@mivro/core/problem'
import { largestFile } from '@mivro/core/shape'
import { kindNames, kinds, type Kind } from '../document/kinds.ts'

/** Raised when what is written changes so that an older Mivro could not read it. */
export const backupFormat = 1

/** A backup unpacks to no more than this. */
const largestUnpacked = 4 * 1000 * 1000 * 1000
const largestIndex = 500 * 1000 * 1000

const rowSchema = z.object({
  id: z.string().max(64),
  kind: z.enum(kindNames as [Kind, ...Kind[]]),
  parent: z.string().nullable(),
  revision: z.number().int().positive(),
  body: z.unknown(),
  created_at: z.string(),
  updated_at: z.string(),
  deleted_at: z.string().nullable(),
})
const revisionSchema = z.object({
  document: z.string(),
  revision: z.number().int().positive(),
  change: z.enum(['made', 'edited', 'undone', 'redone', 'deleted', 'restored']),
  body: z.unknown(),
  at: z.string(),
})
const indexSchema = z.object({
  format: z.number(),
  madeAt: z.string(),
  documents: z.array(rowSchema),
  revisions: z.array(revisionSchema),
})

export type BackupIndex = z.infer<typeof indexSchema>

export interface Backup {
  index: BackupIndex
  meshes: Map<string, Uint8Array>
}

const meshName = /^meshes\/([0-9a-f]{64})\.stl$/

/** One zip: `mivro.json` with every document and every version, `meshes/<hash>.stl`. */
export function packBackup({ index, meshes }: Backup): Uint8Array {
  const files: Record<string, Uint8Array> = {
    'mivro.json': strToU8(JSON.stringify(index, null, 1)),
  }
  for (const [id, bytes] of meshes) files[`meshes/${id}.stl`] = bytes
  return zipSync(files, { level: 3 })
}

/**
 * Reads a backup as the hostile file it may be: names and sizes are judged before anything is
 * unpacked, every document is read by its schema.
 *
 * Throws `Problem`: backup-unreadable, backup-newer.
 */
export function unpackBackup(bytes: Uint8Array): Backup {
  const files = unzip(bytes)
  const text = files['mivro.json']
  if (!text) unreadable('mivro.json is missing')
  const index = readIndex(strFromU8(text))
  for (const row of index.documents) row.body = readBody(row.kind, row.body)
  const meshes = new Map<string, Uint8Array>()
  for (const [name, content] of Object.entries(files)) {
    const match = meshName.exec(name)
    if (match) meshes.set(match[1], content)
  }
  return { index, meshes }
}

function unzip(bytes: Uint8Array): Record<string, Uint8Array> {
  let total = 0
  try {
    return unzipSync(bytes, {
      filter: ({ name, originalSize }) => {
        total += originalSize
        const limit = name === 'mivro.json' ? largestIndex : meshName.test(name) ? largestFile : 0
        if (originalSize > limit)
          unreadable(`"${name.slice(0, 40)}" has no place in it or is too large`)
        if (total > largestUnpacked) unreadable('it unpacks to more than 4 GB')
        return true
      },
    })
  } catch (error) {
    if (error instanceof Problem) throw error
    return unreadable('it is not a whole zip file')
  }
}

function readIndex(text: string): BackupIndex {
  let value: unknown
  try {
    value = JSON.parse(text)
  } catch {
    return unreadable('mivro.json is not whole')
  }
  const format = (value as { format?: unknown } | null)?.format
  if (typeof format === 'number' && format > backupFormat) {
    throw new Problem('backup-newer', { version: format, reads: backupFormat })
  }
  const read = indexSchema.safeParse(value)
  return read.success ? read.data : unreadable('mivro.json does not hold what a backup holds')
}

function readBody(kind: Kind, body: unknown): unknown {
  try {
    return readDocument(kinds[kind].schema, body)
  } catch (error) {
    if (error instanceof Problems)
      return unreadable(`a ${kind} in it is damaged at ${error.list[0].path}`)
    throw error
  }
}

function unreadable(reason: string): never {
  throw new Problem('backup-unreadable', { reason })
}

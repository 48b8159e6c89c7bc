import { createHash } from 'node:crypto'
import { z } from '@mivro/core/base/schema'
import { Problem } from '@mivro/core/base/problem'
import { documentTypeNames, type DocumentTypeName } from '@mivro/core/studio'

/**
 * A backup is a zip: `documents.ndjson` and `revisions.ndjson` with a row a line, parents before what
 * belongs to them, `meshes/<SHA-256>`, the files of shapes as they came, `pictures/<SHA-256>`, and
 * `manifest.json`, which counts them, gives their checksums and names what was left out. Format 1
 * held all rows in one `mivro.json`, 2 no pictures, 3 no checksums of rows; all are read.
 */
export const backupFormat = 4

/** A backup unpacks to no more than this, in and out. */
export const largestUnpacked = 20e9

/** One row: a document of the largest body a request may have, twice. */
export const longestLine = 8_000_000

/** Format 1 is read whole. */
export const largestIndex = 64_000_000

const id = z.string().regex(/^[A-Za-z0-9_-]{1,64}$/)
const moment = z.string().max(30)

const sha256 = z.string().regex(/^[0-9a-f]{64}$/)

/** What could not be read any more when a backup was taken, and is not in it. */
const leftOutSchema = z.object({
  documents: z.array(id),
  versions: z.number().int().nonnegative(),
  meshes: z.array(sha256),
  pictures: z.array(sha256),
})
export type LeftOut = z.infer<typeof leftOutSchema>

export const manifestSchema = z.object({
  format: z.number(),
  madeAt: z.string(),
  documents: z.number().int().nonnegative(),
  revisions: z.number().int().nonnegative(),
  meshes: z.number().int().nonnegative(),
  pictures: z.number().int().nonnegative().default(0),
  /** SHA-256 of both lists of rows, and of the names and sizes of all other entries. */
  checksums: z.object({ documents: sha256, revisions: sha256, entries: sha256 }).optional(),
  leftOut: leftOutSchema.optional(),
})
export type Manifest = z.infer<typeof manifestSchema>

/** The checksum of what a backup holds, by the names and sizes of its entries. */
export function entriesChecksum(entries: Iterable<{ name: string; size: number }>): string {
  const lines = Array.from(entries, ({ name, size }) => `${name} ${size}\n`)
  return createHash('sha256').update(lines.sort().join('')).digest('hex')
}

export const rowSchema = z.object({
  id,
  kind: z.enum(documentTypeNames as [DocumentTypeName, ...DocumentTypeName[]]),
  parent: id.nullable(),
  revision: z.number().int().positive(),
  body: z.unknown(),
  created_at: moment,
  updated_at: moment,
  deleted_at: moment.nullable(),
})
export type DocumentLine = z.infer<typeof rowSchema>

export const revisionSchema = z.object({
  document: id,
  revision: z.number().int().positive(),
  change: z.enum(['made', 'edited', 'undone', 'redone', 'deleted', 'restored']),
  body: z.unknown(),
  at: moment,
  name: z.string().max(80).nullable().default(null),
})
export type RevisionLine = z.infer<typeof revisionSchema>

/** Format 1 named what kind of file it took a shape for. */
export const meshEntry = /^meshes\/([0-9a-f]{64})(\.stl)?$/
export const pictureEntry = /^pictures\/([0-9a-f]{64})$/

export function unreadable(reason: string): never {
  throw new Problem('backup-unreadable', { reason })
}

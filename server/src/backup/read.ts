import { createHash } from 'node:crypto'
import { readDocument, sameDocument } from '@mivro/core/base/document'
import { inspectPicture, stripped, type PictureType } from '@mivro/core/base/picture'
import { Problem, Problems } from '@mivro/core/base/problem'
import { connect, type Transaction } from '../db/connect.ts'
import { PictureStore } from '../picture/store.ts'
import { newEpoch } from '../db/migrations/0002_epoch_and_names.ts'
import { documentTypes, filesOf, type DocumentTypeName } from '@mivro/core/studio'
import { Archive } from './archive.ts'
import {
  backupFormat,
  entriesChecksum,
  manifestSchema,
  meshEntry,
  pictureEntry,
  revisionSchema,
  rowSchema,
  unreadable,
  type DocumentLine,
  type LeftOut,
  type Manifest,
  type RevisionLine,
} from './format.ts'

export interface Restored {
  documents: number
  revisions: number
  meshes: number
  pictures: number
}

/** Rows written with one statement. */
const batch = 50

/**
 * Makes a database at `file` of a backup, in one transaction, and checks all of it on the way:
 * names, sizes and checksums of entries, every row and every document by its schema, each
 * document against its newest version, each parent and each shape that is named.
 *
 * Throws `Problem`: backup-unreadable with what is off, backup-newer.
 */
export async function readBackup(
  path: string,
  file: string,
  { progress, free = Infinity }: { progress?: (done: number) => void; free?: number } = {},
): Promise<Restored> {
  const archive = await Archive.open(path, progress)
  if (archive.total > free) {
    archive.close()
    throw new Problem('disk-too-small', { bytes: archive.total, free })
  }
  const db = await connect(file)
  try {
    const made = await db.transaction(async (tx) => {
      const manifest = await manifestOf(archive)
      // Pictures first: what they tell besides is taken off, and with it they get another name.
      const pictures = await insertPictures(tx, archive)
      const rows = await rowsOf(archive, pictures, manifest)
      const checks = new Checks(manifest?.leftOut)
      const documents = await insert(tx, 'documents', checks.documents(rows.documents))
      const revisions = await insert(tx, 'revisions', checks.revisions(rows.revisions))
      const meshes = await insertMeshes(tx, archive)
      checks.finish(meshes, new Set(pictures.values()))
      if (
        manifest &&
        (manifest.documents !== documents ||
          manifest.revisions !== revisions ||
          manifest.meshes !== meshes.size ||
          manifest.pictures !== pictures.size)
      ) {
        unreadable('it holds less or more than its manifest says')
      }
      await tx('about').where({ key: 'epoch' }).update({ value: newEpoch() })
      return { documents, revisions, meshes: meshes.size, pictures: pictures.size }
    })
    await db.raw('PRAGMA wal_checkpoint(TRUNCATE)')
    return made
  } finally {
    archive.close()
    await db.destroy()
  }
}

interface Rows {
  documents: AsyncIterable<unknown> | Iterable<unknown>
  revisions: AsyncIterable<unknown> | Iterable<unknown>
}

/** Ids of pictures as they stand in a backup, and as they are kept. */
type Renamed = ReadonlyMap<string, string>

/** Checked before anything else is read: what is there is what the manifest says. Format 1 has none. */
async function manifestOf(archive: Archive): Promise<Manifest | undefined> {
  if (archive.entries.has('mivro.json')) return undefined
  if (!archive.entries.has('manifest.json')) unreadable('it holds no manifest.json')
  const value = parsed((await archive.whole('manifest.json')).toString('utf8'), 'manifest.json')
  refuseNewer(value)
  const manifest = manifestSchema.safeParse(value)
  if (!manifest.success) return unreadable('manifest.json does not hold what it should')
  const others = [...archive.entries].filter(([name]) => name !== 'manifest.json')
  const entries = others.map(([name, { uncompressedSize: size }]) => ({ name, size }))
  const { checksums } = manifest.data
  if (checksums && checksums.entries !== entriesChecksum(entries)) {
    unreadable('it holds less or more than its manifest says')
  }
  return manifest.data
}

function refuseNewer(value: unknown): void {
  const format = (value as { format?: unknown } | null)?.format
  if (typeof format === 'number' && format > backupFormat) {
    throw new Problem('backup-newer', { version: format, reads: backupFormat })
  }
}

async function rowsOf(
  archive: Archive,
  renamed: Renamed,
  manifest: Manifest | undefined,
): Promise<Rows> {
  if (manifest) {
    const { documents, revisions } = manifest.checksums ?? {}
    return {
      documents: jsonLines(archive, 'documents.ndjson', renamed, documents),
      revisions: jsonLines(archive, 'revisions.ndjson', renamed, revisions),
    }
  }
  const index = named((await archive.whole('mivro.json')).toString('utf8'), renamed)
  const value = parsed(index, 'mivro.json') as Record<string, unknown> | null
  refuseNewer(value)
  const { documents, revisions } = value ?? {}
  if (!Array.isArray(documents) || !Array.isArray(revisions)) {
    return unreadable('mivro.json does not hold what a backup holds')
  }
  const parentsFirst = [...documents].sort(
    (a, b) => Number((a?.parent ?? null) !== null) - Number((b?.parent ?? null) !== null),
  )
  return { documents: parentsFirst, revisions }
}

async function* jsonLines(
  archive: Archive,
  name: string,
  renamed: Renamed,
  checksum: string | undefined,
): AsyncGenerator<unknown> {
  const hash = createHash('sha256')
  for await (const line of archive.lines(name)) {
    hash.update(`${line}\n`)
    if (line !== '') yield parsed(named(line, renamed), name)
  }
  if (checksum !== undefined && hash.digest('hex') !== checksum) {
    unreadable(`${name} is not what its manifest says`)
  }
}

/** A hash of 256 bits stands nowhere but where a file is named by it. */
const named = (text: string, renamed: Renamed): string =>
  text.replace(/\b[0-9a-f]{64}\b/g, (id) => renamed.get(id) ?? id)

function parsed(text: string, name: string): unknown {
  try {
    return JSON.parse(text)
  } catch {
    return unreadable(`${name} is not whole`)
  }
}

/** What is known of the documents while their versions go by. */
class Checks {
  private readonly known = new Map<string, { row: DocumentLine; newest: number; same: boolean }>()
  private readonly shapes = new Set<string>()
  private readonly pictures = new Set<string>()
  /** Files that were left out when it was taken. */
  private readonly leftOut: ReadonlySet<string>

  constructor({ meshes, pictures }: Partial<LeftOut> = {}) {
    this.leftOut = new Set([...(meshes ?? []), ...(pictures ?? [])])
  }

  async *documents(lines: AsyncIterable<unknown> | Iterable<unknown>): AsyncGenerator<object> {
    for await (const line of lines) {
      const read = rowSchema.safeParse(line)
      if (!read.success) unreadable(`a document in it has no proper ${placeOf(read.error)}`)
      const row = read.data as DocumentLine
      if (this.known.has(row.id)) unreadable(`two documents in it have one id (${row.id})`)
      const parentKind: DocumentTypeName | undefined = documentTypes[row.kind].parent
      const belongs =
        parentKind === undefined
          ? row.parent === null
          : this.known.get(row.parent ?? '')?.row.kind === parentKind
      if (!belongs) unreadable(`a ${row.kind} in it lost what it belongs to (${row.id})`)
      row.body = bodyOf(row.kind, row.body, row.id)
      this.known.set(row.id, { row, newest: 0, same: false })
      this.name(row.kind, row.body)
      yield { ...row, body: JSON.stringify(row.body) }
    }
  }

  async *revisions(lines: AsyncIterable<unknown> | Iterable<unknown>): AsyncGenerator<object> {
    for await (const line of lines) {
      const read = revisionSchema.safeParse(line)
      if (!read.success) unreadable(`a version in it has no proper ${placeOf(read.error)}`)
      const row = read.data as RevisionLine
      const document = this.known.get(row.document)
      if (!document) return unreadable(`a version in it belongs to no document (${row.document})`)
      row.body = bodyOf(document.row.kind, row.body, row.document)
      if (row.revision > document.newest) {
        document.newest = row.revision
        document.same = sameDocument(row.body, document.row.body)
      }
      this.name(document.row.kind, row.body)
      yield { ...row, body: JSON.stringify(row.body) }
    }
  }

  finish(meshes: ReadonlySet<string>, pictures: ReadonlySet<string>): void {
    for (const { row, newest, same } of this.known.values()) {
      if (newest !== row.revision || !same) {
        unreadable(`a ${row.kind} in it is not its own newest version (${row.id})`)
      }
    }
    for (const shape of this.shapes) {
      if (!meshes.has(shape) && !this.leftOut.has(shape))
        unreadable(`the shape of a piece is missing (${shape.slice(0, 12)})`)
    }
    for (const picture of this.pictures) {
      if (!pictures.has(picture) && !this.leftOut.has(picture))
        unreadable(`a picture is missing (${picture.slice(0, 12)})`)
    }
  }

  private name(kind: DocumentTypeName, body: unknown): void {
    const { meshes, pictures } = filesOf(kind, body)
    for (const mesh of meshes) this.shapes.add(mesh)
    for (const picture of pictures) this.pictures.add(picture)
  }
}

const placeOf = (error: { issues: { path: PropertyKey[] }[] }) =>
  error.issues[0].path.join('.') || 'form'

function bodyOf(kind: DocumentTypeName, body: unknown, id: string): unknown {
  try {
    return readDocument(documentTypes[kind].schema, body)
  } catch (error) {
    if (!(error instanceof Problems)) throw error
    return unreadable(`a ${kind} in it is damaged at ${error.list[0].path || 'its root'} (${id})`)
  }
}

async function insert(
  tx: Transaction,
  table: string,
  rows: AsyncIterable<object>,
): Promise<number> {
  let waiting: object[] = []
  let count = 0
  const write = async () => {
    if (waiting.length > 0) await tx(table).insert(waiting)
    waiting = []
  }
  try {
    for await (const row of rows) {
      waiting.push(row)
      count++
      if (waiting.length === batch) await write()
    }
    await write()
  } catch (error) {
    if ((error as { code?: string }).code?.startsWith('SQLITE_CONSTRAINT')) {
      unreadable('two versions in it have one number')
    }
    throw error
  }
  return count
}

async function insertMeshes(tx: Transaction, archive: Archive): Promise<Set<string>> {
  const ids = new Set<string>()
  const now = new Date().toISOString()
  for await (const { id, body } of filesIn(archive, meshEntry, 'a shape')) {
    ids.add(id)
    await tx('meshes').insert({ id, bytes: body.length, body, created_at: now })
  }
  return ids
}

async function insertPictures(tx: Transaction, archive: Archive): Promise<Map<string, string>> {
  const renamed = new Map<string, string>()
  const pictures = new PictureStore(tx, new Date().toISOString())
  for await (const { id, body } of filesIn(archive, pictureEntry, 'a picture')) {
    const { type, bare } = bareOf(body)
    renamed.set(id, await pictures.add(bare, type))
  }
  return renamed
}

function bareOf(body: Uint8Array): { type: PictureType; bare: Uint8Array } {
  try {
    const { type } = inspectPicture(body)
    return { type, bare: stripped(body, type) }
  } catch {
    return unreadable('a picture in it is none')
  }
}

/** Files that stand under the hash of their bytes. */
async function* filesIn(
  archive: Archive,
  named: RegExp,
  what: string,
): AsyncGenerator<{ id: string; body: Buffer }> {
  for (const name of archive.entries.keys()) {
    const id = named.exec(name)?.[1]
    if (id === undefined) continue
    const body = await archive.whole(name)
    if (createHash('sha256').update(body).digest('hex') !== id) {
      unreadable(`${what} in it was changed`)
    }
    yield { id, body }
  }
}

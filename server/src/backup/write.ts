import { once } from 'node:events'
import { Readable, type Writable } from 'node:stream'
import { ZipFile } from 'yazl'
import { Problem } from '@mivro/core/base/problem'
import type { Database, Transaction } from '../db/connect.ts'
import { backupFormat, largestUnpacked } from './format.ts'

/** Rows read at once. */
const batch = 200

/**
 * Writes everything in a store as one zip, row by row and shape by shape, as it was when the
 * writing began. Resolves when all of it is written.
 *
 * Throws `Problem('backup-of-large-store')`.
 */
export async function writeBackup(db: Database, out: Writable, madeAt: string): Promise<void> {
  await db.transaction(async (tx) => {
    const counts = await countsOf(tx)
    if (counts.bytes > largestUnpacked) {
      throw new Problem('backup-of-large-store', { bytes: counts.bytes, limit: largestUnpacked })
    }
    const zip = new ZipFile()
    const { documents, revisions, meshes, pictures } = counts
    const manifest = {
      format: backupFormat,
      madeAt,
      documents,
      revisions,
      meshes: meshes.length,
      pictures: pictures.length,
    }
    zip.addBuffer(Buffer.from(JSON.stringify(manifest, null, 1)), 'manifest.json')
    const lines = (rows: AsyncIterable<object>) => Readable.from(asLines(rows))
    zip.addReadStreamLazy('documents.ndjson', (give) => give(null, lines(documentsOf(tx))))
    zip.addReadStreamLazy('revisions.ndjson', (give) => give(null, lines(revisionsOf(tx))))
    for (const [table, ids] of [
      ['meshes', meshes],
      ['pictures', pictures],
    ] as const) {
      for (const id of ids) {
        // Pictures are packed already.
        const options = { compressionLevel: table === 'meshes' ? 1 : 0 }
        zip.addReadStreamLazy(`${table}/${id}`, options, (give) =>
          bodyOf(tx, table, id).then(
            (bytes) => give(null, Readable.from([bytes])),
            (error: Error) => give(error, null as never),
          ),
        )
      }
    }
    zip.end()
    const failed = new Promise<never>((_, reject) => zip.once('error', reject))
    await Promise.race([failed, passOn(zip.outputStream as Readable, out)])
  })
}

/** Standard output never finishes, so what was passed on is counted by hand. */
async function passOn(from: Readable, out: Writable): Promise<void> {
  for await (const part of from) {
    if (!out.write(part)) await once(out, 'drain')
  }
}

async function countsOf(tx: Transaction) {
  const one = async (table: string) => {
    const [row] = await tx(table).count({ n: '*' })
    return Number(row.n)
  }
  const [meshes, pictures] = [
    await tx('meshes').select('id', 'bytes').orderBy('id'),
    await tx('pictures').select('id', 'bytes').orderBy('id'),
  ]
  const [{ size }] = await tx('revisions').sum({ size: tx.raw('length(body)') })
  return {
    documents: await one('documents'),
    revisions: await one('revisions'),
    meshes: meshes.map(({ id }) => id as string),
    pictures: pictures.map(({ id }) => id as string),
    bytes: [...meshes, ...pictures].reduce(
      (sum, { bytes }) => sum + Number(bytes),
      Number(size ?? 0),
    ),
  }
}

async function* asLines(rows: AsyncIterable<object>): AsyncGenerator<string> {
  for await (const row of rows) yield `${JSON.stringify(row)}\n`
}

/** Parents first: nothing that belongs to something lies deeper than one step. */
async function* documentsOf(tx: Transaction): AsyncGenerator<object> {
  for (const parents of [true, false]) {
    let after = ''
    for (;;) {
      const query = tx('documents').where('id', '>', after).orderBy('id').limit(batch)
      const rows = await (parents ? query.whereNull('parent') : query.whereNotNull('parent'))
      for (const row of rows) yield { ...row, body: JSON.parse(row.body) as unknown }
      if (rows.length < batch) break
      after = rows.at(-1)!.id
    }
  }
}

async function* revisionsOf(tx: Transaction): AsyncGenerator<object> {
  let last = { document: '', revision: 0 }
  for (;;) {
    const { document, revision } = last
    const rows = await tx('revisions')
      .where('document', '>', document)
      .orWhere((same) => same.where({ document }).andWhere('revision', '>', revision))
      .orderBy(['document', 'revision'])
      .limit(batch)
    for (const row of rows) yield { ...row, body: JSON.parse(row.body) as unknown }
    if (rows.length < batch) return
    last = rows.at(-1)!
  }
}

async function bodyOf(tx: Transaction, table: 'meshes' | 'pictures', id: string): Promise<Buffer> {
  const row = await tx(table).where({ id }).first()
  return Buffer.from(row!.body)
}

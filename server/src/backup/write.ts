import { createHash, type Hash } from 'node:crypto'
import { once } from 'node:events'
import { Readable, type Writable } from 'node:stream'
import { ZipFile } from 'yazl'
import { Problem } from '@mivro/core/base/problem'
import type { Database, Transaction } from '../db/connect.ts'
import {
  backupFormat,
  entriesChecksum,
  largestUnpacked,
  type LeftOut,
  type Manifest,
} from './format.ts'
import { Reading } from './reading.ts'

interface Options {
  madeAt: string
  /** What can't be read any more is left out; otherwise it is named, and there is no backup. */
  leaveOut?: boolean
  progress?: (done: number) => void
  /** Bytes that the disk has left. */
  free?: number
}

/**
 * Writes everything in a store as one zip, row by row and shape by shape, as it was when the
 * writing began. Resolves when all of it is written, with what was left out.
 *
 * Throws `Problem`: backup-of-large-store, backup-damaged, disk-too-small.
 */
export async function writeBackup(db: Database, out: Writable, options: Options): Promise<LeftOut> {
  const { leaveOut = false, progress = () => {}, free = Infinity } = options
  // Only read, and given up at its end: where pages are damaged SQLite ends no transaction well.
  const tx = await db.transaction()
  try {
    const bytes = await sizeOf(tx)
    const [meshes, pictures] = [await idsOf(tx, 'meshes'), await idsOf(tx, 'pictures')]
    if (bytes > largestUnpacked) {
      throw new Problem('backup-of-large-store', { bytes, limit: largestUnpacked })
    }
    if (bytes > free) throw new Problem('disk-too-small', { bytes, free })
    const reading = new Reading(tx, leaveOut)
    const zip = new Zip(bytes, progress)
    const packing = async () => {
      const documents = await zip.addLines('documents.ndjson', reading.documents())
      const revisions = await zip.addLines('revisions.ndjson', reading.revisions())
      // Pictures are packed already.
      for (const id of meshes)
        await zip.addFile(`meshes/${id}`, 1, await reading.file('meshes', id))
      for (const id of pictures)
        await zip.addFile(`pictures/${id}`, 0, await reading.file('pictures', id))
      const left = reading.leftOut
      const manifest: Manifest = {
        format: backupFormat,
        madeAt: options.madeAt,
        documents: documents.count,
        revisions: revisions.count,
        meshes: meshes.length - left.meshes.length,
        pictures: pictures.length - left.pictures.length,
        checksums: {
          documents: documents.checksum,
          revisions: revisions.checksum,
          entries: entriesChecksum(zip.entries),
        },
        ...(reading.allRead ? {} : { leftOut: left }),
      }
      await zip.addFile('manifest.json', 6, Buffer.from(JSON.stringify(manifest, null, 1)))
      zip.end()
    }
    await Promise.all([packing(), passOn(zip.output, out)])
    return reading.leftOut
  } finally {
    await tx.rollback().catch(() => {})
  }
}

/** A zip that is written entry after entry, none before the one ahead of it is packed. */
class Zip {
  readonly entries: { name: string; size: number }[] = []
  private readonly zip = new ZipFile()
  private readonly broken = new Promise<never>((_, failed) => this.zip.once('error', failed))
  private packed = 0

  constructor(
    /** Bytes that are going to be packed, about. */
    private readonly expected: number,
    private readonly progress: (done: number) => void,
  ) {}

  get output(): Readable {
    return this.zip.outputStream as Readable
  }

  end(): void {
    this.zip.end()
  }

  async addFile(name: string, level: number, body: Buffer | undefined): Promise<void> {
    if (body) await this.add(name, level, [body])
  }

  async addLines(
    name: string,
    rows: AsyncIterable<object>,
  ): Promise<{ count: number; checksum: string }> {
    const lines = new Lines()
    await this.add(name, 6, lines.of(rows))
    return { count: lines.count, checksum: lines.hash.digest('hex') }
  }

  private async add(
    name: string,
    compressionLevel: number,
    parts: Iterable<Buffer> | AsyncIterable<string>,
  ): Promise<void> {
    let size = 0
    const counted = async function* (this: Zip) {
      for await (const part of parts) {
        size += Buffer.byteLength(part)
        this.packed += Buffer.byteLength(part)
        this.progress(Math.min(1, this.packed / this.expected))
        yield part
      }
    }
    const stream = Readable.from(counted.call(this))
    const ended = new Promise<void>((done, failed) =>
      stream.once('end', done).once('error', failed),
    )
    this.zip.addReadStreamLazy(name, { compressionLevel }, (give) => give(null, stream))
    await Promise.race([ended, this.broken])
    this.entries.push({ name, size })
  }
}

class Lines {
  count = 0
  readonly hash: Hash = createHash('sha256')

  async *of(rows: AsyncIterable<object>): AsyncGenerator<string> {
    for await (const row of rows) {
      const line = `${JSON.stringify(row)}\n`
      this.hash.update(line)
      this.count++
      yield line
    }
  }
}

async function passOn(from: Readable, out: Writable): Promise<void> {
  for await (const part of from) {
    if (!out.write(part)) await once(out, 'drain')
  }
}

/** Bytes of all pages, which is known where some of them are damaged: about what is packed. */
async function sizeOf(tx: Transaction): Promise<number> {
  const [{ page_count: pages }] = (await tx.raw('PRAGMA page_count')) as [{ page_count: number }]
  const [{ page_size: size }] = (await tx.raw('PRAGMA page_size')) as [{ page_size: number }]
  return pages * size
}

/** By the index alone: it is read where the table is damaged. */
async function idsOf(tx: Transaction, table: 'meshes' | 'pictures'): Promise<string[]> {
  return (await tx(table).select('id').orderBy('id')).map(({ id }) => id as string)
}

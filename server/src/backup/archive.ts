import { promisify } from 'node:util'
import { crc32 } from 'node:zlib'
import { open as openZip, type Entry, type ZipFile } from 'yauzl'
import { largestFile } from '@mivro/core/form/mesh'
import { largestPicture } from '@mivro/core/base/picture'
import {
  largestIndex,
  largestUnpacked,
  longestLine,
  meshEntry,
  pictureEntry,
  unreadable,
} from './format.ts'

const openFile = promisify(openZip) as (
  path: string,
  options: { lazyEntries: true; autoClose: false },
) => Promise<ZipFile>

/** More entries than this are no backup: a shape each. */
const mostEntries = 300_000

/**
 * Packed, rows come to a fiftieth of their size and shapes to a quarter: what unpacks to more than
 * this many times its bytes, and a little, was made to fill a disk.
 */
const mostUnpacked = { times: 400, more: 1_000_000 }

/** The entries of a backup that is taken for hostile: judged by name and size, read by counting. */
export class Archive {
  /** Read so far, bytes. */
  private unpacked = 0
  private constructor(
    private readonly zip: ZipFile,
    readonly entries: ReadonlyMap<string, Entry>,
    /** Of all entries unpacked, bytes. */
    readonly total: number,
    /** Hears the share of it that was read. */
    private readonly progress: (done: number) => void,
  ) {}

  /** Throws `Problem('backup-unreadable')`. */
  static async open(path: string, progress: (done: number) => void = () => {}): Promise<Archive> {
    const zip = await openFile(path, { lazyEntries: true, autoClose: false }).catch(() =>
      unreadable('it is not a whole zip file'),
    )
    const entries = new Map<string, Entry>()
    let total = 0
    await new Promise<void>((resolve, reject) => {
      zip.on('error', () => reject(problemOf('it is not a whole zip file')))
      zip.on('end', resolve)
      zip.on('entry', (entry: Entry) => {
        const { fileName: name, uncompressedSize: size } = entry
        total += size
        const swells = size > mostUnpacked.times * entry.compressedSize + mostUnpacked.more
        const odd = swells
          ? `${name} unpacks to far more than it holds`
          : oddity(name, size, entries.has(name), total, entries.size)
        if (odd !== undefined) return reject(problemOf(odd))
        entries.set(name, entry)
        zip.readEntry()
      })
      zip.readEntry()
    })
    return new Archive(zip, entries, total, progress)
  }

  /** The bytes of an entry in pieces, its length and its checksum held against what it says. */
  async *read(name: string): AsyncGenerator<Buffer> {
    const entry = this.entries.get(name)
    if (!entry) return unreadable(`${name} is missing`)
    const stream = await promisify(this.zip.openReadStream.bind(this.zip) as OpenRead)(entry).catch(
      () => unreadable(`${name} can't be unpacked`),
    )
    let sum = 0
    try {
      for await (const part of stream as AsyncIterable<Buffer>) {
        sum = crc32(part, sum)
        this.unpacked += part.length
        this.progress(this.unpacked / this.total)
        yield part
      }
    } catch {
      unreadable(`${name} can't be unpacked`)
    }
    if (sum !== entry.crc32) unreadable(`${name} was altered: its checksum is off`)
  }

  async whole(name: string): Promise<Buffer> {
    const parts: Buffer[] = []
    for await (const part of this.read(name)) parts.push(part)
    return Buffer.concat(parts)
  }

  /** The lines of an entry, each no longer than a row may be. */
  async *lines(name: string): AsyncGenerator<string> {
    let left: Buffer[] = []
    let held = 0
    for await (const part of this.read(name)) {
      let from = 0
      for (let end = part.indexOf(10); end >= 0; end = part.indexOf(10, from)) {
        left.push(part.subarray(from, end))
        yield Buffer.concat(left).toString('utf8')
        left = []
        held = 0
        from = end + 1
      }
      left.push(part.subarray(from))
      held += part.length - from
      if (held > longestLine) unreadable(`a row of ${name} is too long`)
    }
    if (held > 0) yield Buffer.concat(left).toString('utf8')
  }

  close(): void {
    this.zip.close()
  }
}

type OpenRead = (entry: Entry, give: (error: Error | null, stream: unknown) => void) => void

function oddity(
  name: string,
  size: number,
  twice: boolean,
  total: number,
  count: number,
): string | undefined {
  const largest = meshEntry.test(name)
    ? largestFile
    : pictureEntry.test(name)
      ? largestPicture
      : name === 'mivro.json' || name === 'manifest.json'
        ? largestIndex
        : /^(documents|revisions)\.ndjson$/.test(name)
          ? largestUnpacked
          : 0
  if (size > largest || largest === 0)
    return `"${name.slice(0, 40)}" has no place in it or is too large`
  if (twice) return `"${name.slice(0, 40)}" stands in it twice`
  if (total > largestUnpacked) return `it unpacks to more than ${largestUnpacked / 1e9} GB`
  return count > mostEntries ? 'it holds too many files' : undefined
}

function problemOf(reason: string): unknown {
  try {
    return unreadable(reason)
  } catch (error) {
    return error
  }
}

import { createHash } from 'node:crypto'
import { Problem } from '@mivro/core/base/problem'
import type { Transaction } from '../db/connect.ts'
import { isDamage } from '../db/faults.ts'
import type { LeftOut } from './format.ts'

/** Rows read at once. */
const batch = 200

/** Names of what is damaged that are said; the others are counted. */
const mostNamed = 5

interface Row {
  id: string
  parent: string | null
  revision: number
  body: unknown
  updated_at: string
}
interface Version {
  document: string
  revision: number
  change: string
  body: unknown
  at: string
  name: string | null
}

/**
 * Reads all rows and files of a store, and knows what of it can't be read any more: a row by what
 * SQLite says of its page or because it is no JSON, a file by its checksum, which is its name.
 */
export class Reading {
  readonly leftOut: LeftOut = { documents: [], versions: 0, meshes: [], pictures: [] }
  private readonly gone = new Set<string>()

  constructor(
    private readonly tx: Transaction,
    private readonly leaveOut: boolean,
  ) {}

  get allRead(): boolean {
    const { documents, versions, meshes, pictures } = this.leftOut
    return documents.length + versions + meshes.length + pictures.length === 0
  }

  /** Parents first: nothing that belongs to something lies deeper than one step. */
  async *documents(): AsyncGenerator<object> {
    for (const parents of [true, false]) {
      let after = ''
      for (;;) {
        const from = () => this.tx('documents').where('id', '>', after).orderBy('id').limit(batch)
        const ids: string[] = (await from().select('id')).map(({ id }) => id)
        const rows = await this.each<string, Row>(
          ids,
          () => from().select('*'),
          (id) => this.tx('documents').where({ id }).first(),
        )
        for (const [i, row] of rows.entries()) {
          if (row === undefined) {
            if (parents) await this.document(ids[i])
          } else if ((row.parent === null) === parents) {
            // What belongs to something that is left out has no place either.
            if (row.parent !== null && this.gone.has(row.parent)) await this.document(row.id)
            else yield row
          }
        }
        if (ids.length < batch) break
        after = ids.at(-1)!
      }
    }
  }

  async *revisions(): AsyncGenerator<object> {
    let last = { document: '', revision: 0 }
    for (;;) {
      const { document, revision } = last
      const from = () =>
        this.tx('revisions')
          .where('document', '>', document)
          .orWhere((same) => same.where({ document }).andWhere('revision', '>', revision))
          .orderBy(['document', 'revision'])
          .limit(batch)
      const keys = (await from().select('document', 'revision')) as (typeof last)[]
      const rows = await this.each<typeof last, Version>(
        keys,
        () => from().select('*'),
        (key) => this.tx('revisions').where(key).first(),
      )
      for (const [i, row] of rows.entries()) {
        if (this.gone.has(keys[i].document)) continue
        const whole = row ?? (await this.newest(keys[i]))
        if (whole) yield whole
        else {
          this.leftOut.versions++
          await this.refuse()
        }
      }
      if (keys.length < batch) return
      last = keys.at(-1)!
    }
  }

  /** The newest version stands in its document too. */
  private async newest({ document, revision }: Version | { document: string; revision: number }) {
    const row = (await this.tx('documents').where({ id: document, revision }).first()) as
      (Row & { body: string }) | undefined
    if (!row) return undefined
    const body = JSON.parse(row.body) as unknown
    return { document, revision, change: 'edited', body, at: row.updated_at, name: null }
  }

  /** The bytes of a shape or a picture; nothing where they are not what they were. */
  async file(table: 'meshes' | 'pictures', id: string): Promise<Buffer | undefined> {
    const row = await unlessDamaged(
      () => this.tx(table).where({ id }).first() as Promise<{ body: ArrayBuffer }>,
    )
    const body = row && Buffer.from(row.body)
    if (body && createHash('sha256').update(body).digest('hex') === id) return body
    this.leftOut[table].push(id)
    await this.refuse()
    return undefined
  }

  private async document(id: string): Promise<void> {
    this.gone.add(id)
    this.leftOut.documents.push(id)
    await this.refuse()
  }

  /** Rows by their keys, in their order; undefined for one that can't be read. */
  private async each<Key, R extends { body: unknown }>(
    keys: readonly Key[],
    all: () => Promise<R[]>,
    one: (key: Key) => Promise<R | undefined>,
  ): Promise<(R | undefined)[]> {
    const together = await unlessDamaged(all)
    if (together?.length === keys.length) return together.map(parsed)
    const rows: (R | undefined)[] = []
    for (const key of keys) rows.push(parsed(await unlessDamaged(() => one(key))))
    return rows
  }

  /** Where nothing may be left out the rest is looked through, and all that is damaged is said. */
  private async refuse(): Promise<void> {
    if (this.leaveOut) return
    const rest = new Reading(this.tx, true)
    await readAll(rest.documents())
    await readAll(rest.revisions())
    for (const table of ['meshes', 'pictures'] as const)
      for (const { id } of await this.tx(table).select('id')) await rest.file(table, id as string)
    const { documents, versions, meshes, pictures } = rest.leftOut
    throw new Problem('backup-damaged', {
      documents: documents.length,
      versions,
      shapes: meshes.length,
      pictures: pictures.length,
      names: await rest.names(),
    })
  }

  /** What the person calls the things whose files are damaged. */
  private async names(): Promise<string> {
    const names = new Set<string>()
    for (const id of [...this.leftOut.meshes, ...this.leftOut.pictures]) {
      const rows = await unlessDamaged(() =>
        this.tx('documents').where('body', 'like', `%${id}%`).select<{ body: string }[]>('body'),
      )
      for (const { body } of rows ?? []) {
        const { name } = JSON.parse(body) as { name?: string }
        if (name !== undefined) names.add(name)
      }
      if (names.size >= mostNamed) break
    }
    return [...names].slice(0, mostNamed).join(', ')
  }
}

function parsed<R extends { body: unknown }>(row: R | undefined): R | undefined {
  if (row === undefined) return undefined
  try {
    return { ...row, body: JSON.parse(row.body as string) as unknown }
  } catch {
    return undefined
  }
}

async function unlessDamaged<T>(read: () => PromiseLike<T>): Promise<T | undefined> {
  try {
    return await read()
  } catch (error) {
    if (isDamage(error)) return undefined
    throw error
  }
}

async function readAll(rows: AsyncIterator<object>): Promise<void> {
  while (!(await rows.next()).done);
}

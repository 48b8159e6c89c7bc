import { Problem } from '@mivro/core/base/problem'
import { sameDocument, type Change, type Revision } from '@mivro/core/base/document'
import type { Transaction } from '../db/connect.ts'
import type { DocumentTypeName } from '@mivro/core/studio'

/** A document as it is kept and answered. */
export interface Stored {
  id: string
  kind: DocumentTypeName
  parent: string | null
  revision: number
  document: unknown
  createdAt: string
  updatedAt: string
  deletedAt: string | null
}

interface Row {
  id: string
  kind: DocumentTypeName
  parent: string | null
  revision: number
  body: string
  created_at: string
  updated_at: string
  deleted_at: string | null
}

interface RevisionRow {
  document: string
  revision: number
  change: Change
  body: string
  at: string
  name: string | null
}

/** Which documents of a kind, in which order. */
export interface Wanted {
  parent?: string
  ids?: string[]
  /** Those whose body names this id. */
  naming?: string
  order?: 'oldest' | 'newest'
  after?: string
  limit?: number
}

/** Some of a list; `next` says where it goes on. */
export interface Page<T> {
  items: T[]
  next?: string
}

function pageOf(found: Stored[], limit: number): Page<Stored> {
  const items = found.slice(0, limit)
  return found.length > limit ? { items, next: items[limit - 1].id } : { items }
}

const byTime = (order: 'oldest' | 'newest') =>
  ['d.created_at', 'd.id'].map((column) => ({
    column,
    order: order === 'oldest' ? ('asc' as const) : ('desc' as const),
  }))

/** A write that was based on an older revision: both versions, so that nothing is lost. */
export class StaleWrite extends Error {
  constructor(
    readonly problem: Problem<'revision-stale'>,
    readonly current: Stored,
    readonly yours: unknown,
  ) {
    super('stale write')
  }
}

/** Documents of one kind within one transaction. The time is passed in. */
export class DocumentStore {
  constructor(
    private readonly tx: Transaction,
    private readonly kind: DocumentTypeName,
    private readonly now: string,
  ) {}

  /** A page of what is not deleted and whose parent is not. */
  async list({ order = 'oldest', limit = 200, ...wanted }: Wanted = {}): Promise<Page<Stored>> {
    // With a plus it is no part of an index: few are found by their parent or id, not all of a kind read.
    const few = wanted.parent !== undefined || wanted.ids !== undefined
    const query = this.tx<Row>('documents as d')
      .leftJoin('documents as p', 'p.id', 'd.parent')
      .where('d.kind', this.kind)
      .whereRaw(`${few ? '+' : ''}d.deleted_at IS NULL`)
      .whereNull('p.deleted_at')
      .orderBy(byTime(order))
      .limit(limit + 1)
      .select<Row[]>('d.*')
    if (wanted.parent !== undefined) query.andWhere('d.parent', wanted.parent)
    if (wanted.ids) query.whereIn('d.id', wanted.ids)
    if (wanted.naming !== undefined) query.whereLike('d.body', `%"${wanted.naming}"%`)
    if (wanted.after !== undefined) {
      const last = await this.find(wanted.after)
      const beyond = order === 'oldest' ? '>' : '<'
      query.where((where) =>
        where
          .where('d.created_at', beyond, last.createdAt)
          .orWhere((same) =>
            same.where('d.created_at', last.createdAt).where('d.id', beyond, last.id),
          ),
      )
    }
    return pageOf((await query).map(stored), limit)
  }

  /** Everything that is not deleted under any of some parents, in the order it was made. */
  async of(parents: readonly string[]): Promise<Stored[]> {
    const rows = await this.tx<Row>('documents')
      .where({ kind: this.kind })
      .whereIn('parent', [...parents])
      // As in `list`.
      .whereRaw('+deleted_at IS NULL')
      .orderBy(['created_at', 'id'])
    return rows.map(stored)
  }

  /** The newest deleted first. */
  async listDeleted(limit = 200): Promise<Stored[]> {
    const rows = await this.tx<Row>('documents')
      .where({ kind: this.kind })
      .whereNotNull('deleted_at')
      .orderBy('deleted_at', 'desc')
      .limit(limit)
    return rows.map(stored)
  }

  /** Throws `Problem('not-found')`, also for what is deleted. */
  async get(id: string): Promise<Stored> {
    const found = await this.find(id)
    if (found.deletedAt !== null) throw new Problem('not-found', { kind: this.kind, id })
    return found
  }

  /**
   * Made once: the same again, asked by somebody whose answer was lost, answers what is there.
   * Throws `Problem` id-taken, where the id is another's.
   */
  async add(id: string, parent: string | null, document: unknown): Promise<Stored> {
    const known = await this.tx<Row>('documents').where({ id }).first()
    if (known) {
      const first = await this.tx<RevisionRow>('revisions')
        .where({ document: id, revision: 1 })
        .first()
      const same =
        known.kind === this.kind &&
        known.parent === parent &&
        sameDocument(JSON.parse(first?.body ?? known.body), document)
      if (!same) throw new Problem('id-taken', { id })
      return stored(known)
    }
    const at = this.now
    const row: Row = {
      id,
      kind: this.kind,
      parent,
      revision: 1,
      body: JSON.stringify(document),
      created_at: at,
      updated_at: at,
      deleted_at: null,
    }
    await this.tx('documents').insert(row)
    await this.note(row, 'made')
    return stored(row)
  }

  /** Throws `StaleWrite` when somebody wrote in between. */
  async change(id: string, basedOn: number, document: unknown, change: Change): Promise<Stored> {
    const current = await this.get(id)
    if (current.revision !== basedOn) throw this.stale(current, basedOn, document)
    return this.write(
      current,
      { body: JSON.stringify(document), deleted_at: null },
      change,
      document,
    )
  }

  async remove(id: string): Promise<Stored> {
    const current = await this.get(id)
    return this.write(current, { deleted_at: this.now }, 'deleted')
  }

  async restore(id: string): Promise<Stored> {
    const current = await this.find(id)
    if (current.deletedAt === null) return current
    await this.requireParent(current)
    return this.write(current, { deleted_at: null }, 'restored')
  }

  /** The newest versions before one, in their order; `next` names the oldest where there are more. */
  async history(
    id: string,
    { before, limit = 50 }: { before?: number; limit?: number } = {},
  ): Promise<Page<Revision<unknown>>> {
    await this.find(id)
    const query = this.tx<RevisionRow>('revisions')
      .where({ document: id })
      .orderBy('revision', 'desc')
      .limit(limit + 1)
    if (before !== undefined) query.andWhere('revision', '<', before)
    const rows = await query
    const items = rows
      .slice(0, limit)
      .reverse()
      .map(({ revision, change, at, body, name }) => ({
        revision,
        change,
        at,
        document: JSON.parse(body) as unknown,
        ...(name ? { name } : {}),
      }))
    return rows.length > limit ? { items, next: String(items[0].revision) } : { items }
  }

  /** Gives a version a name, or takes it away; one with a name is never thinned out. */
  async nameVersion(id: string, revision: number, name: string | null): Promise<void> {
    await this.find(id)
    const named = await this.tx('revisions').where({ document: id, revision }).update({ name })
    if (named === 0) throw new Problem('not-found', { kind: 'version', id: String(revision) })
  }

  /** Under a deleted parent it would be out of sight all the same. */
  private async requireParent({ parent }: Stored): Promise<void> {
    if (parent === null) return
    const row = await this.tx<Row>('documents').where({ id: parent }).first()
    if (row?.deleted_at !== null) throw new Problem('parent-deleted', { kind: this.kind })
  }

  private async find(id: string): Promise<Stored> {
    const row = await this.tx<Row>('documents').where({ id, kind: this.kind }).first()
    if (!row) throw new Problem('not-found', { kind: this.kind, id })
    return stored(row)
  }

  /** Only over the version that was read: with several connections another may have come between. */
  private async write(
    current: Stored,
    values: Partial<Row>,
    change: Change,
    document: unknown = current.document,
  ): Promise<Stored> {
    const { id, kind, revision: basedOn } = current
    const written = await this.tx('documents')
      .where({ id, kind, revision: basedOn })
      .update({ ...values, revision: basedOn + 1, updated_at: this.now })
    if (written === 0) throw this.stale(await this.find(id), basedOn, document)
    const row = (await this.tx<Row>('documents').where({ id }).first())!
    await this.note(row, change)
    return stored(row)
  }

  private stale(current: Stored, basedOn: number, document: unknown): StaleWrite {
    const amounts = { kind: this.kind, basedOn, current: current.revision }
    return new StaleWrite(new Problem('revision-stale', amounts), current, document)
  }

  private async note({ id, revision, body }: Row, change: Change): Promise<void> {
    await this.tx('revisions').insert({ document: id, revision, change, body, at: this.now })
  }
}

function stored(row: Row): Stored {
  return {
    id: row.id,
    kind: row.kind,
    parent: row.parent,
    revision: row.revision,
    document: JSON.parse(row.body),
    createdAt: row.created_at,
    updatedAt: row.updated_at,
    deletedAt: row.deleted_at,
  }
}

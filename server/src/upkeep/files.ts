import {
  documentTypeNames,
  documentTypes,
  filesOf,
  type DocumentTypeName,
  type NamedFiles,
} from '@mivro/core/studio'
import type { Transaction } from '../db/connect.ts'
import type { Store } from '../db/store.ts'
import { Pace } from './pace.ts'

/** A file that nothing names is kept for so long: what names it may still be in the making. ms */
const grace = 7 * 24 * 3600_000

/** Takes out shapes and pictures that no version of any document names, once they are old enough; says how many. */
export async function removeUnnamedFiles(store: Store, now: number): Promise<number> {
  const old = new Date(now - grace).toISOString()
  const begun = new Date().toISOString()
  const pace = new Pace(50)
  // Rows that come while it looks have higher numbers.
  const newest = await store.transaction(async (tx) => {
    const [{ n }] = await tx('revisions').max({ n: 'rowid' })
    return Number(n ?? 0)
  })
  const older = (table: string) =>
    store.transaction(
      async (tx) =>
        new Set<string>(
          (await tx(table).where('created_at', '<', old).select('id')).map(({ id }) => id),
        ),
    )
  const unnamed = { meshes: await older('meshes'), pictures: await older('pictures') }
  const keep = (rows: readonly Row[]) => {
    for (const { kind, body } of rows) {
      const { meshes, pictures } = namedIn(kind, body)
      for (const id of meshes) unnamed.meshes.delete(id)
      for (const id of pictures) unnamed.pictures.delete(id)
    }
  }
  let after = { document: '', revision: 0 }
  while (unnamed.meshes.size + unnamed.pictures.size > 0) {
    const { document, revision } = after
    let limit = 0
    const rows = await pace.keep((size) => {
      limit = size
      return store.transaction((tx) =>
        versions(tx)
          .where((later) =>
            later
              .where('r.document', '>', document)
              .orWhere((same) =>
                same.where('r.document', document).andWhere('r.revision', '>', revision),
              ),
          )
          .limit(size),
      )
    })
    keep(rows)
    if (rows.length < limit) break
    after = rows.at(-1)!
  }
  let gone = 0
  for (const table of ['meshes', 'pictures'] as const) {
    const ids = [...unnamed[table]]
    const deleting = new Pace(20)
    for (let at = 0; at < ids.length;) {
      at += await deleting.keep(async (size) => {
        const some = ids.slice(at, at + Math.min(size, 500))
        gone += await store.transaction(async (tx) => {
          // What was written meanwhile may name one of them again.
          keep(await versionsSince(tx, newest, begun))
          return tx(table)
            .whereIn(
              'id',
              some.filter((id) => unnamed[table].has(id)),
            )
            .delete()
        })
        return some.length
      })
    }
  }
  return gone
}

const rows = (tx: Transaction) =>
  tx<Row>('revisions as r')
    .whereIn('d.kind', withFiles)
    .select<Row[]>('r.document', 'r.revision', 'r.body', 'd.kind')

const versions = (tx: Transaction) =>
  rows(tx).join('documents as d', 'd.id', 'r.document').orderBy(['r.document', 'r.revision'])

/** Found by number and moment, of which each has its index; SQLite keeps the order of a cross join. */
const versionsSince = (tx: Transaction, newest: number, begun: string) =>
  rows(tx)
    .joinRaw('CROSS JOIN documents AS d ON d.id = r.document')
    .where((row) => row.where('r.rowid', '>', newest).orWhere('r.at', '>=', begun))

interface Row {
  document: string
  revision: number
  body: string
  kind: DocumentTypeName
}

const withFiles = documentTypeNames.filter((name) => 'files' in documentTypes[name])

/** What a version names, by its type; of one that is older than its type reads, everything that looks like a name. */
function namedIn(kind: DocumentTypeName, body: string): NamedFiles {
  try {
    return filesOf(kind, JSON.parse(body))
  } catch {
    const all = body.match(/\b[0-9a-f]{64}\b/g) ?? []
    return { meshes: all, pictures: all }
  }
}

import {
  documentTypeNames,
  documentTypes,
  filesOf,
  type DocumentTypeName,
  type NamedFiles,
} from '@mivro/core/studio'
import type { Transaction } from '../db/connect.ts'
import type { Store } from '../db/store.ts'

/** A file that nothing names is kept for so long: what names it may still be in the making. ms */
const grace = 7 * 24 * 3600_000

/** Rows read in one transaction, so that requests come in between. */
const batch = 200

/** Takes out shapes and pictures that no version of any document names, once they are old enough; says how many. */
export async function removeUnnamedFiles(store: Store, now: number): Promise<number> {
  const old = new Date(now - grace).toISOString()
  const begun = new Date().toISOString()
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
    const rows = await store.transaction((tx) =>
      versions(tx)
        .where((later) =>
          later
            .where('r.document', '>', document)
            .orWhere((same) =>
              same.where('r.document', document).andWhere('r.revision', '>', revision),
            ),
        )
        .limit(batch),
    )
    keep(rows)
    if (rows.length < batch) break
    after = rows.at(-1)!
  }
  return store.transaction(async (tx) => {
    // What was written meanwhile may name one of them again.
    keep(await versions(tx).where('r.at', '>=', begun))
    for (const [table, ids] of Object.entries(unnamed)) {
      for (const id of ids) await tx(table).where({ id }).delete()
    }
    return unnamed.meshes.size + unnamed.pictures.size
  })
}

const versions = (tx: Transaction) =>
  tx<Row>('revisions as r')
    .join('documents as d', 'd.id', 'r.document')
    .whereIn('d.kind', withFiles)
    .orderBy(['r.document', 'r.revision'])
    .select<Row[]>('r.document', 'r.revision', 'r.body', 'd.kind')

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

import {
  documentTypeNames,
  documentTypes,
  filesOf,
  type DocumentTypeName,
  type NamedFiles,
} from '@mivro/core/studio'
import type { Store } from '../db/store.ts'

/** A file that nothing names is kept for so long: what names it may still be in the making. ms */
const grace = 7 * 24 * 3600_000

/** Rows read at once. */
const batch = 500

/** Takes out shapes and pictures that no version of any document names, once they are old enough; says how many. */
export function removeUnnamedFiles(store: Store, now: number): Promise<number> {
  return store.transaction(async (tx) => {
    const old = new Date(now - grace).toISOString()
    const older = async (table: string) =>
      new Set((await tx(table).where('created_at', '<', old).select('id')).map(({ id }) => id))
    const unnamed = { meshes: await older('meshes'), pictures: await older('pictures') }
    let after = { document: '', revision: 0 }
    while (unnamed.meshes.size + unnamed.pictures.size > 0) {
      const { document, revision } = after
      const rows: Row[] = await tx('revisions as r')
        .join('documents as d', 'd.id', 'r.document')
        .where((later) =>
          later
            .where('r.document', '>', document)
            .orWhere((same) =>
              same.where('r.document', document).andWhere('r.revision', '>', revision),
            ),
        )
        .whereIn('d.kind', withFiles)
        .orderBy(['r.document', 'r.revision'])
        .limit(batch)
        .select('r.document', 'r.revision', 'r.body', 'd.kind')
      for (const { kind, body } of rows) {
        const { meshes, pictures } = namedIn(kind, body)
        for (const id of meshes) unnamed.meshes.delete(id)
        for (const id of pictures) unnamed.pictures.delete(id)
      }
      if (rows.length < batch) break
      after = rows.at(-1)!
    }
    for (const [table, ids] of Object.entries(unnamed)) {
      for (const id of ids) await tx(table).where({ id }).delete()
    }
    return unnamed.meshes.size + unnamed.pictures.size
  })
}

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

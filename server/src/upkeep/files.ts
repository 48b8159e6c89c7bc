import type { Store } from '../db/store.ts'

/** A file that nothing names is kept for so long: what names it may still be in the making. ms */
const grace = 7 * 24 * 3600_000

/** Rows read at once. */
const batch = 500

/** Where files are kept by their hash, and how a document names them. */
const kept = [
  { table: 'meshes', holds: '%"mesh":%', named: /"mesh":"([0-9a-f]{64})"/g },
  { table: 'pictures', holds: '%"picture%', named: /"(?:picture|id)":"([0-9a-f]{64})"/g },
] as const

/** Takes out shapes and pictures that no version of any document names, once they are old enough; says how many. */
export async function removeUnnamedFiles(store: Store, now: number): Promise<number> {
  let removed = 0
  for (const one of kept) removed += await removeFrom(store, one, now)
  return removed
}

function removeFrom(
  store: Store,
  { table, holds, named }: (typeof kept)[number],
  now: number,
): Promise<number> {
  return store.transaction(async (tx) => {
    const old = new Date(now - grace).toISOString()
    const candidates = await tx(table).where('created_at', '<', old).select('id')
    const unnamed = new Set<string>(candidates.map(({ id }) => id))
    let after = { document: '', revision: 0 }
    while (unnamed.size > 0) {
      const { document, revision } = after
      const rows = await tx('revisions')
        .where((later) =>
          later
            .where('document', '>', document)
            .orWhere((same) => same.where({ document }).andWhere('revision', '>', revision)),
        )
        .whereLike('body', holds)
        .orderBy(['document', 'revision'])
        .limit(batch)
        .select('document', 'revision', 'body')
      for (const { body } of rows) {
        for (const [, id] of body.matchAll(named)) unnamed.delete(id)
      }
      if (rows.length < batch) break
      after = rows.at(-1)!
    }
    for (const id of unnamed) await tx(table).where({ id }).delete()
    return unnamed.size
  })
}

import type { Store } from '../db/store.ts'

/** A shape that nothing names is kept for so long: a piece may still be in the making. ms */
const grace = 7 * 24 * 3600_000

/** Rows read at once. */
const batch = 500

/** Takes out shapes that no version of any piece names, once they are old enough; says how many. */
export function removeUnnamedMeshes(store: Store, now: number): Promise<number> {
  return store.transaction(async (tx) => {
    const old = new Date(now - grace).toISOString()
    const candidates = await tx('meshes').where('created_at', '<', old).select('id')
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
        .whereLike('body', '%"mesh":%')
        .orderBy(['document', 'revision'])
        .limit(batch)
        .select('document', 'revision', 'body')
      for (const { body } of rows) {
        for (const [, id] of body.matchAll(/"mesh":"([0-9a-f]{64})"/g)) unnamed.delete(id)
      }
      if (rows.length < batch) break
      after = rows.at(-1)!
    }
    for (const id of unnamed) await tx('meshes').where({ id }).delete()
    return unnamed.size
  })
}

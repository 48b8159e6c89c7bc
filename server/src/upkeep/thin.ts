import { thinned, type KeptVersion } from '@mivro/core/base/document'
import type { Store } from '../db/store.ts'

/** Documents looked at in one transaction, so that requests come in between. */
const batch = 20

/** Takes out the versions that the rule of `thinned` lets go; says how many. */
export async function thinVersions(store: Store, now: number): Promise<number> {
  let after = ''
  let gone = 0
  for (;;) {
    const found = await store.transaction(async (tx) => {
      const rows = await tx('documents')
        .where('id', '>', after)
        .orderBy('id')
        .limit(batch)
        .select('id')
      for (const { id } of rows) {
        const versions: KeptVersion[] = await tx('revisions')
          .where({ document: id })
          .orderBy('revision')
          .select('revision', 'change', 'at', 'name')
        const going = thinned(versions, now)
        for (let i = 0; i < going.length; i += 500) {
          const some = going.slice(i, i + 500)
          await tx('revisions').where({ document: id }).whereIn('revision', some).delete()
        }
        gone += going.length
      }
      return rows
    })
    if (found.length < batch) return gone
    after = found.at(-1)!.id
  }
}

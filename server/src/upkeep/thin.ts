import { thinned, type KeptVersion } from '@mivro/core/base/document'
import type { Store } from '../db/store.ts'
import { Pace } from './pace.ts'

interface Version extends KeptVersion {
  document: string
}

/** Takes out the versions that the rule of `thinned` lets go; says how many. */
export async function thinVersions(store: Store, now: number): Promise<number> {
  const reading = new Pace(200)
  const deleting = new Pace(20)
  let gone = 0
  let last = { document: '', revision: 0 }
  /** Those of one document so far: the rule looks at all of them together. */
  let versions: Version[] = []

  const thin = async () => {
    const going = thinned(versions, now)
    for (let at = 0; at < going.length;) {
      const some = await deleting.keep(async (size) => {
        const revisions = going.slice(at, at + Math.min(size, 500))
        const { document } = versions[0]
        await store.transaction((tx) =>
          tx('revisions').where({ document }).whereIn('revision', revisions).delete(),
        )
        return revisions.length
      })
      at += some
      gone += some
    }
    versions = []
  }

  for (;;) {
    const { document, revision } = last
    let limit = 0
    const rows = await reading.keep((size) => {
      limit = size
      return store.transaction((tx) =>
        tx<Version>('revisions')
          .where('document', '>', document)
          .orWhere((same) => same.where({ document }).andWhere('revision', '>', revision))
          .orderBy(['document', 'revision'])
          .limit(size)
          .select('document', 'revision', 'change', 'at', 'name'),
      )
    })
    for (const row of rows) {
      if (versions.length > 0 && versions[0].document !== row.document) await thin()
      versions.push(row)
    }
    if (rows.length < limit) break
    last = rows.at(-1)!
  }
  if (versions.length > 0) await thin()
  return gone
}

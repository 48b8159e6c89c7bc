import type { Transaction } from './connect.ts'

/** Those of some ids that a table of files does not hold. */
export async function missingIn(
  tx: Transaction,
  table: 'meshes' | 'pictures',
  ids: readonly string[],
): Promise<string[]> {
  if (ids.length === 0) return []
  const found = await tx(table).whereIn('id', ids).select('id')
  const there = new Set(found.map(({ id }) => id as string))
  return ids.filter((id) => !there.has(id))
}

import type { Transaction } from '../db/connect.ts'
import { materials } from './materials.ts'
import { moulds } from './moulds.ts'
import { pieces, poursOf } from './pieces.ts'
import { runs } from './runs.ts'

/** The ids of everything the demo studio brings, children before their pieces. */
export function demoIds(): string[] {
  const under = pieces.flatMap((piece) => [
    ...piece.pulls.map((_, i) => `${piece.id}-pull-${i + 1}`),
    ...poursOf(piece).map(([id]) => id),
  ])
  return [
    ...Object.keys(runs),
    ...under,
    ...pieces.map(({ id }) => id),
    ...Object.keys(moulds),
    ...Object.keys(materials),
  ]
}

/** How many documents of the demo studio are there, deleted ones too. */
export async function presentDemo(tx: Transaction): Promise<number> {
  return (await tx('documents').whereIn('id', demoIds()).select('id')).length
}

/**
 * Takes the demo studio out of a store for good, with every version of it. What the person made
 * stays, and so does a demo piece with pours or pulls of theirs, and what a document of theirs
 * names.
 */
export async function removeDemo(tx: Transaction): Promise<{ removed: number; kept: number }> {
  const ids = demoIds()
  const demo = new Set(ids)
  const own = await tx<{ id: string; parent: string | null; body: string }>('documents')
    .whereNotIn('id', ids)
    .select('id', 'parent', 'body')
  const named = new Set<string>()
  for (const { parent, body } of own) {
    if (parent !== null) named.add(parent)
    for (const [, word] of body.matchAll(/"([A-Za-z0-9_-]{1,64})"/g)) {
      if (demo.has(word)) named.add(word)
    }
  }
  const going = ids.filter(
    (id) => !named.has(id) && !ids.some((other) => named.has(other) && other.startsWith(`${id}-`)),
  )
  let removed = 0
  for (const id of going) removed += await tx('documents').where({ id }).delete()
  return { removed, kept: ids.length - going.length }
}

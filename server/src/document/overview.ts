import { z } from '@mivro/core/base/schema'
import { outcomes } from '@mivro/core/work/pull'
import type { Transaction } from '../db/connect.ts'
import { DocumentStore, type Page, type Stored } from './store.ts'

/** A piece as a card shows it: with its newest plan, how many pulls it has, and the last of them. */
export interface PieceOverview {
  piece: Stored
  plan: Stored | null
  pulls: number
  last: { outcome: string; pouredAt: string } | null
}

const pulled = z.object({ outcome: z.enum(outcomes), pouredAt: z.string() })

/** A page of pieces, the newest first, read with four questions however many there are. */
export async function overview(
  tx: Transaction,
  asked: { after?: string; limit: number },
): Promise<Page<PieceOverview>> {
  const documents = (kind: 'piece' | 'plan' | 'pull') => new DocumentStore(tx, kind, '')
  const { items, next } = await documents('piece').list({ order: 'newest', ...asked })
  const parents = items.map(({ id }) => id)
  const [plans, pulls] = await Promise.all([
    documents('plan').of(parents),
    documents('pull').of(parents),
  ])
  const cards = items.map((piece): PieceOverview => {
    const own = pulls.filter(({ parent }) => parent === piece.id)
    const last = own
      .map(({ document }) => pulled.parse(document))
      .sort((a, b) => Date.parse(b.pouredAt) - Date.parse(a.pouredAt))[0]
    const plan = plans.filter(({ parent }) => parent === piece.id).at(-1)
    return { piece, plan: plan ?? null, pulls: own.length, last: last ?? null }
  })
  return next === undefined ? { items: cards } : { items: cards, next }
}

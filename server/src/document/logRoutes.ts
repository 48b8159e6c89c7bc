import { Router } from 'express'
import { logRow, type LogRow, type Pull } from '@mivro/core/work/pull'
import type { Transaction } from '../db/connect.ts'
import type { Store } from '../db/store.ts'

/** All pulls in one line each, the newest first. */
export function logRoutes(store: Store): Router {
  const router = Router()
  router.get('/', async (_request, response) => {
    response.json(await store.transaction(logOf))
  })
  return router
}

async function logOf(tx: Transaction): Promise<{ rows: LogRow[] }> {
  const found = await tx('documents')
    .whereIn('kind', ['piece', 'mould', 'plan', 'material', 'pull'])
    .whereNull('deleted_at')
    .select('id', 'kind', 'parent', 'body')
  const nameOf = new Map<string, string>()
  const resinsOf = new Map<string, string[]>()
  const pulls: { id: string; parent: string; pull: Pull }[] = []
  for (const { id, kind, parent, body } of found) {
    const document = JSON.parse(body) as { name?: string }
    if (document.name !== undefined) nameOf.set(id, document.name)
    if (kind === 'plan') {
      const { layers } = document as { layers?: { resin?: string }[] }
      resinsOf.set(id, [...new Set((layers ?? []).flatMap(({ resin }) => resin ?? []))])
    }
    if (kind === 'pull') pulls.push({ id, parent, pull: document as unknown as Pull })
  }
  const rows = pulls.flatMap(({ id, parent, pull }): LogRow[] => {
    const piece = nameOf.get(parent)
    if (piece === undefined) return []
    const resins = (resinsOf.get(pull.plan) ?? []).flatMap((resin) => nameOf.get(resin) ?? [])
    return [logRow(id, parent, pull, { piece, mould: nameOf.get(pull.mould ?? ''), resins })]
  })
  rows.sort((a, b) => Date.parse(b.pouredAt) - Date.parse(a.pouredAt))
  return { rows }
}

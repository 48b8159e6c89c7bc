import type { Device } from '@mivro/core/base/answer'
import { readDocument, type Change, type Revision } from '@mivro/core/base/document'
import type { Act, World } from '@mivro/core/work/instrument'
import type { Resin } from '@mivro/core/matter/material'
import type { Piece } from '@mivro/core/form/piece'
import type { Plan } from '@mivro/core/work/plan'
import type { LogRow, Pull } from '@mivro/core/work/pull'
import { schemaOf, type Documents, type Page, type Path, type Stored } from './kinds.ts'
import { ask } from './request.ts'

export type { Documents, Page, Path, Stored } from './kinds.ts'
export { newId } from './newId.ts'
export { Conflict } from './request.ts'

/** A piece as a card shows it: with its newest plan, how many pulls it has, and the last of them. */
export interface PieceOverview {
  piece: Stored<Piece>
  plan: Stored<Plan> | null
  pulls: number
  last: Pick<Pull, 'outcome' | 'pouredAt'> | null
}

/** Which documents of a list. */
export interface Wanted {
  parent?: string
  /** Those whose body names this id. */
  naming?: string
  ids?: readonly string[]
}

const json = 'application/json'
const send = <T>(method: string, path: string, value: unknown) =>
  ask<T>(method, path, { body: JSON.stringify(value), type: json })

/** What comes back is read by its schema; an answer that is not what it should be is refused. */
const read = <P extends Path>(path: P, stored: Stored<Documents[P]>): Stored<Documents[P]> => ({
  ...stored,
  document: readDocument(schemaOf(path), stored.document) as Documents[P],
})
const readPlan = (plan: Stored<Plan> | null) => plan && read('plans', plan)

function query(values: Record<string, string | number | undefined>): string {
  const known = Object.entries(values).filter(([, value]) => value !== undefined)
  if (known.length === 0) return ''
  return `?${new URLSearchParams(known.map(([key, value]) => [key, String(value)])).toString()}`
}

/** All pages of a list, one after the other; the first may be known. */
async function list<P extends Path>(
  path: P,
  wanted: Wanted = {},
  first?: Page<Stored<Documents[P]>>,
): Promise<Stored<Documents[P]>[]> {
  const pageAfter = (after?: string) =>
    ask<Page<Stored<Documents[P]>>>(
      'GET',
      path + query({ ...wanted, ids: wanted.ids?.join(), after }),
    )
  let page = first ?? (await pageAfter())
  const all = [...page.items]
  while (page.next !== undefined) {
    page = await pageAfter(page.next)
    all.push(...page.items)
  }
  return all.map((entry) => read(path, entry))
}

/** The first page of each list that a piece is shown with. */
type ProjectLists = {
  [P in 'plans' | 'pulls' | 'moulds' | 'materials']: Page<Stored<Documents[P]>>
}

/** All that a piece is shown with, in one request. */
async function project(id: string) {
  const { piece, ...lists } = await ask<{ piece: Stored<Piece> } & ProjectLists>(
    'GET',
    `projects/${id}`,
  )
  const [plans, pulls, moulds, materials] = await Promise.all([
    list('plans', { parent: id }, lists.plans),
    list('pulls', { parent: id }, lists.pulls),
    list('moulds', {}, lists.moulds),
    list('materials', {}, lists.materials),
  ])
  return { piece: read('pieces', piece), plans, pulls, moulds, materials }
}

export const api = {
  list,
  project,
  overview: async (after?: string): Promise<Page<PieceOverview>> => {
    const page = await ask<Page<PieceOverview>>('GET', `overview${query({ after })}`)
    const items = page.items.map((card) => ({
      ...card,
      piece: read('pieces', card.piece),
      plan: readPlan(card.plan),
    }))
    return { ...page, items }
  },
  log: () => ask<{ rows: LogRow[] }>('GET', 'log'),
  deleted: <P extends Path>(path: P) => ask<Stored<Documents[P]>[]>('GET', `${path}/deleted`),
  get: async <P extends Path>(path: P, id: string) => {
    return read(path, await ask<Stored<Documents[P]>>('GET', `${path}/${id}`))
  },
  /** The newest versions before one, in their order. */
  history: async <P extends Path>(path: P, id: string, before?: string, limit = 50) => {
    const asked = query({ before, limit })
    const page = await ask<Page<Revision<Documents[P]>>>('GET', `${path}/${id}/history${asked}`)
    const items = page.items.map((version) => ({
      ...version,
      document: readDocument(schemaOf(path), version.document) as Documents[P],
    }))
    return { ...page, items }
  },
  nameVersion: (path: Path, id: string, revision: number, name: string | null) =>
    send<unknown>('PUT', `${path}/${id}/history/${revision}`, { name }),
  add: async <P extends Path>(path: P, id: string, document: Documents[P], parent?: string) => {
    return read(path, await send<Stored<Documents[P]>>('POST', path, { id, parent, document }))
  },
  put: async <P extends Path>(
    path: P,
    id: string,
    basedOn: number,
    document: Documents[P],
    change: Change,
  ) =>
    read(
      path,
      await send<Stored<Documents[P]>>('PUT', `${path}/${id}`, { basedOn, change, document }),
    ),
  remove: <P extends Path>(path: P, id: string) =>
    ask<Stored<Documents[P]>>('DELETE', `${path}/${id}`),
  restore: <P extends Path>(path: P, id: string) =>
    ask<Stored<Documents[P]>>('POST', `${path}/${id}/restore`),
  /** The file itself, not its bytes: the browser then sends it from disk, five times faster. */
  uploadMesh: (file: Blob) =>
    ask<{ id: string }>('POST', 'meshes', { body: file, type: 'application/octet-stream' }),
  /** A picture as it came; what it tells besides is taken out by the server. */
  uploadPicture: (file: Blob) =>
    ask<{ id: string; width: number; height: number }>('POST', 'pictures', {
      body: file,
      type: file.type || 'application/octet-stream',
    }),
  keepSmall: (id: string, small: Blob) =>
    ask<unknown>('POST', `pictures/${id}/small`, { body: small, type: 'image/jpeg' }),
  world: () => ask<{ world: World; speed: number }>('GET', 'instruments'),
  act: (act: Act, resin?: Resin) =>
    send<{ world: World }>('POST', 'instruments/act', { act, resin }),
  runAt: (speed: number) => send<unknown>('POST', 'instruments/speed', { speed }),
  setRight: () => send<unknown>('POST', 'instruments/speed', { speed: 1, at: 'the time of day' }),
  /** How other devices reach this, which are let in, and whether this is the machine itself. */
  lan: () => ask<{ addresses: string[]; devices: Device[]; itself: boolean }>('GET', 'lan'),
  signOut: (which: 'here' | 'all') => ask('DELETE', `lan/${which}`),
  signOutDevice: (id: string) => ask('DELETE', `lan/devices/${id}`),
  demo: () => ask<{ present: number }>('GET', 'demo'),
  fillDemo: () => ask('POST', 'demo'),
  removeDemo: () => ask<{ removed: number; kept: number }>('DELETE', 'demo'),
}

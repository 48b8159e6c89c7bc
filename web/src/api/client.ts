import type { Change, Revision } from '@mivro/core/document'
import type { Material } from '@mivro/core/material'
import type { Mould } from '@mivro/core/mould'
import type { Piece } from '@mivro/core/piece'
import type { Plan } from '@mivro/core/plan'
import { Problem, Problems, fromData, type ProblemData } from '@mivro/core/problem'
import type { Pull } from '@mivro/core/pull'
import type { Studio } from '@mivro/core/studio'

/** What each path of the API holds. */
export interface Held {
  pieces: Piece
  plans: Plan
  pulls: Pull
  moulds: Mould
  materials: Material
  studios: Studio
}
export type Path = keyof Held

export interface Stored<D> {
  id: string
  parent: string | null
  revision: number
  document: D
  createdAt: string
  updatedAt: string
  deletedAt: string | null
}

/** The document was changed elsewhere: theirs as it stands now. */
export class Conflict<D> extends Error {
  constructor(readonly theirs: Stored<D>) {
    super('changed elsewhere')
  }
}

/**
 * One request. Throws `Problem` or `Problems` for what the server says, `server-away` when it
 * does not answer, `Conflict` for a stale write.
 */
async function ask<T>(
  method: string,
  path: string,
  body?: BodyInit | null,
  type?: string,
): Promise<T> {
  let response: Response
  try {
    response = await fetch(`/api/${path}`, {
      method,
      body,
      headers: type ? { 'content-type': type } : undefined,
    })
  } catch {
    throw new Problem('server-away', {})
  }
  if (response.ok) return (await response.json()) as T
  if (!response.headers.get('content-type')?.includes('problem+json')) {
    throw new Problem('server-away', {})
  }
  const answer = (await response.json()) as ProblemData & {
    problems: ProblemData[]
    current?: unknown
  }
  if (response.status === 409 && answer.current)
    throw new Conflict(answer.current as Stored<unknown>)
  throw new Problems(answer.problems.map(fromData))
}

const send = <T>(method: string, path: string, value: unknown) =>
  ask<T>(method, path, JSON.stringify(value), 'application/json')

export const api = {
  list: <P extends Path>(path: P, parent?: string) =>
    ask<Stored<Held[P]>[]>('GET', parent === undefined ? path : `${path}?parent=${parent}`),
  deleted: <P extends Path>(path: P) => ask<Stored<Held[P]>[]>('GET', `${path}/deleted`),
  get: <P extends Path>(path: P, id: string) => ask<Stored<Held[P]>>('GET', `${path}/${id}`),
  history: <P extends Path>(path: P, id: string) =>
    ask<Revision<Held[P]>[]>('GET', `${path}/${id}/history`),
  add: <P extends Path>(path: P, id: string, document: Held[P], parent?: string) =>
    send<Stored<Held[P]>>('POST', path, { id, parent, document }),
  put: <P extends Path>(path: P, id: string, basedOn: number, document: Held[P], change: Change) =>
    send<Stored<Held[P]>>('PUT', `${path}/${id}`, { basedOn, change, document }),
  remove: <P extends Path>(path: P, id: string) => ask<Stored<Held[P]>>('DELETE', `${path}/${id}`),
  restore: <P extends Path>(path: P, id: string) =>
    ask<Stored<Held[P]>>('POST', `${path}/${id}/restore`),
  /** The file itself, not its bytes: the browser then sends it from disk, five times faster. */
  uploadMesh: (file: Blob) =>
    ask<{ id: string }>('POST', 'meshes', file, 'application/octet-stream'),
  fillDemo: () => ask('POST', 'demo'),
  restoreBackup: (file: Blob) =>
    ask<{ documents: number; meshes: number }>('PUT', 'backup', file, 'application/zip'),
}

/** A new document's id, made here so that asking twice makes one. */
export function newId(): string {
  const bytes = crypto.getRandomValues(new Uint8Array(9))
  return Array.from(bytes, (byte) => byte.toString(36).padStart(2, '0')).join('')
}

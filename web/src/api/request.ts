import { shallowRef } from 'vue'
import { Problem, Problems, fromData, type ProblemData } from '@mivro/core/base/problem'
import type { Stored } from './kinds.ts'

/** The document was changed elsewhere: theirs as it stands now. */
export class Conflict<D> extends Error {
  constructor(readonly theirs: Stored<D>) {
    super('changed elsewhere')
  }
}

const epochHeader = 'Mivro-Epoch'

/** The requests that wait for their answer. */
export const requestsUnderWay = shallowRef<string[]>([])

/** The store that this page was opened on; every write names it. */
let epoch: string | undefined

export const knownEpoch = (): string | undefined => epoch

/** After a restore of this page's own making it goes on with the store that took the place. */
export function forgetEpoch(): void {
  epoch = undefined
}

/**
 * One request. Throws `Problem` or `Problems` for what the server says, `server-away` when it
 * does not answer or its answer is cut off, `Conflict` for a stale write.
 */
export async function ask<T>(
  method: string,
  path: string,
  { body, type, signal }: { body?: BodyInit; type?: string; signal?: AbortSignal } = {},
): Promise<T> {
  // A write before anything was read: which store is there is asked first.
  if (method !== 'GET' && epoch === undefined) await ask('GET', 'studios?limit=1')
  const headers: Record<string, string> = {}
  if (type) headers['content-type'] = type
  if (method !== 'GET' && epoch !== undefined) headers[epochHeader] = epoch
  const own = `${method} ${path}`
  requestsUnderWay.value = [...requestsUnderWay.value, own]
  try {
    const response = await fetch(`/api/${path}`, { method, body, headers, signal }).catch(away)
    return await answered<T>(response)
  } finally {
    const at = requestsUnderWay.value.indexOf(own)
    requestsUnderWay.value = requestsUnderWay.value.toSpliced(at, 1)
  }
}

async function answered<T>(response: Response): Promise<T> {
  epoch ??= response.headers.get(epochHeader) ?? undefined
  if (response.status === 204) return undefined as T
  if (response.ok) return (await response.json().catch(away)) as T
  if (!response.headers.get('content-type')?.includes('problem+json')) return away()
  const answer = (await response.json().catch(away)) as {
    problems?: ProblemData[]
    current?: unknown
  }
  if (response.status === 409 && answer.current)
    throw new Conflict(answer.current as Stored<unknown>)
  if (!answer.problems?.length) return away()
  throw new Problems(answer.problems.map(fromData))
}

/** A request that was given up is no fault of the server. */
function away(error?: unknown): never {
  if (error instanceof DOMException && error.name === 'AbortError') throw error
  throw new Problem('server-away', {})
}

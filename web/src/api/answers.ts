import type { Stored } from './client.ts'

/** For tests: what the server would answer, with its store's epoch; arrays become whole pages. */
export function answered(value: unknown, status = 200): Response {
  const body = Array.isArray(value) ? { items: value as unknown[] } : value
  const type = status < 400 ? 'application/json' : 'application/problem+json'
  return new Response(JSON.stringify(body), {
    status,
    headers: { 'content-type': type, 'Mivro-Epoch': 'e1' },
  })
}

/** For tests: a document as the server sends it. */
export const stored = <T>(
  id: string,
  document: T,
  parent: string | null = null,
  revision = 1,
): Stored<T> => ({
  id,
  parent,
  revision,
  document,
  createdAt: '',
  updatedAt: '',
  deletedAt: null,
})

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

/**
 * For tests: what is answered at a path, where `given` says what a document or a list is; a project
 * is made of them as the server does it.
 */
export function answerAt(path: string, given: (path: string) => unknown): unknown {
  const [, id] = /^projects\/(.+)$/.exec(path) ?? []
  if (id === undefined) return path.includes('/history') ? [] : given(path)
  const lists = {
    plans: `plans?parent=${id}`,
    pulls: `pulls?parent=${id}`,
    moulds: 'moulds',
    materials: 'materials',
  }
  const pages = Object.entries(lists).map(([name, of]) => [name, { items: given(of) ?? [] }])
  const piece = given(`pieces/${id}`)
  return piece && { piece, ...(Object.fromEntries(pages) as object) }
}

import 'fake-indexeddb/auto'
import { clear, createStore, values } from 'idb-keyval'
import { afterEach, beforeEach, vi } from 'vitest'
import type { Piece } from '@mivro/core/form/piece'
import { answered, stored as storedAs } from './answers.ts'
import type { Stored } from './client.ts'
import { forgetSessions } from './sessions.ts'
import type { Unsent } from './unsent.ts'

/** For tests of sessions: pieces, and a server that answers as the test says. */
export const piece = (name: string): Piece => ({
  name,
  form: { from: 'sizes', solid: { solid: 'block', width: 0.01, depth: 0.01, height: 0.01 } },
  note: '',
})
export const stored = (name: string, revision = 1, id = 'p1'): Stored<Piece> =>
  storedAs(id, piece(name), null, revision)
export const history = {
  items: [{ revision: 1, change: 'made' as const, at: '', document: piece('A') }],
}

export interface Sent {
  basedOn: number
  change: string
  document: Piece
}

export const refusal = (code: string, status: number) =>
  answered({ problems: [{ code, amounts: {}, path: '' }] }, status)
export const taken = (body: Sent) => answered(stored(body.document.name, body.basedOn + 1))

/** A body that breaks off after so many of its bytes. */
export function cutAfter(bytes: number, body: Sent): Response {
  const text = JSON.stringify(stored(body.document.name, body.basedOn + 1))
  const stream = new ReadableStream({
    start(controller) {
      controller.enqueue(new TextEncoder().encode(text.slice(0, bytes)))
      controller.error(new TypeError('network error'))
    },
  })
  return new Response(stream, {
    headers: { 'content-type': 'application/json', 'Mivro-Epoch': 'e1' },
  })
}

const shelf = createStore('mivro', 'unsent')

/** What is put aside in this browser, by the names of the pieces. */
export const putAsideNames = async () =>
  (await values<Unsent>(shelf)).flatMap(({ changes }) =>
    changes.map(({ document }) => (document as Piece).name),
  )

/** Fresh before each test: what was sent, what writes are answered, and what reads give by address. */
export function useFakeServer() {
  const fake = {
    sent: [] as Sent[],
    answer: taken as (body: Sent) => Response | Promise<Response>,
    given: {} as Record<string, unknown>,
    names: () => fake.sent.map((s) => [s.basedOn, s.document.name]),
  }
  beforeEach(async () => {
    await clear(shelf)
    vi.useFakeTimers({ toFake: ['setTimeout', 'clearTimeout'] })
    localStorage.clear()
    forgetSessions()
    Object.assign(fake, { sent: [], given: {}, answer: taken })
    vi.stubGlobal('fetch', async (url: string, { body }: { body?: string } = {}) => {
      if (body === undefined) return answered(fake.given[url.replace('/api/', '')] ?? [])
      const read = JSON.parse(body) as Sent
      const response = await fake.answer(read)
      fake.sent.push(read)
      return response
    })
  })
  afterEach(() => {
    vi.restoreAllMocks()
    vi.useRealTimers()
    vi.unstubAllGlobals()
  })
  return fake
}

export async function settle(): Promise<void> {
  for (let i = 0; i < 30; i++) {
    await vi.advanceTimersByTimeAsync(10)
    await new Promise((done) => setImmediate(done))
  }
}
export async function later(ms: number): Promise<void> {
  await vi.advanceTimersByTimeAsync(ms)
  await settle()
}

import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'
import type { Piece } from '@mivro/core/piece'
import type { Path, Stored } from './client.ts'
import { keep, listNewest, openKeepers, type Keeper } from './keeper.ts'

const piece = (name: string): Piece => ({
  name,
  form: { from: 'sizes', solid: { solid: 'block', width: 0.01, depth: 0.01, height: 0.01 } },
  note: '',
})
const stored = (name: string, revision = 1): Stored<Piece> => ({
  id: 'p1',
  parent: null,
  revision,
  document: piece(name),
  createdAt: '',
  updatedAt: '',
  deletedAt: null,
})
const history = [{ revision: 1, change: 'made' as const, at: '', document: piece('A') }]

interface Sent {
  basedOn: number
  change: string
  document: Piece
}
let sent: Sent[]
let answer: (body: Sent) => Response | Promise<Response>

const json = (value: unknown, status = 200, type = 'application/json') =>
  new Response(JSON.stringify(value), { status, headers: { 'content-type': type } })

beforeEach(() => {
  vi.useFakeTimers()
  localStorage.clear()
  sent = []
  answer = (body) => json(stored(body.document.name, body.basedOn + 1))
  vi.stubGlobal('fetch', async (_: string, { body }: { body: string }) => {
    const read = JSON.parse(body) as Sent
    const given = await answer(read)
    sent.push(read)
    return given
  })
})
afterEach(() => {
  vi.useRealTimers()
  vi.unstubAllGlobals()
})
const settle = () => vi.advanceTimersByTimeAsync(10)

describe('a document that saves itself', () => {
  it('sends every gesture as one version, each based on the last', async () => {
    const keeper = keep('pieces', stored('A'), history)
    keeper.edit(piece('B'))
    keeper.edit(piece('C'))
    expect(keeper.document.name).toBe('C')
    await settle()
    expect(sent.map((s) => [s.basedOn, s.document.name])).toEqual([
      [1, 'B'],
      [2, 'C'],
    ])
    expect(keeper.state).toBe('saved')
    expect(localStorage.length).toBe(0)
  })

  it('sends undo and redo as versions of their own', async () => {
    const keeper = keep('pieces', stored('A'), history)
    keeper.edit(piece('B'))
    keeper.undo()
    expect(keeper.document.name).toBe('A')
    keeper.redo()
    await settle()
    expect(sent.map((s) => s.change)).toEqual(['edited', 'undone', 'redone'])
  })

  it('keeps trying while the server is away, and says so', async () => {
    answer = () => Promise.reject(new TypeError('no connection'))
    const keeper = keep('pieces', stored('A'), history)
    keeper.edit(piece('B'))
    await settle()
    expect(keeper.state).toBe('waiting')
    expect(localStorage.length).toBe(1)
    answer = (body) => json(stored(body.document.name, body.basedOn + 1))
    await vi.advanceTimersByTimeAsync(2000)
    expect(keeper.state).toBe('saved')
    expect(sent.at(-1)!.document.name).toBe('B')
  })

  it('sends on the next visit what this one could not', async () => {
    answer = () => Promise.reject(new TypeError('no connection'))
    keep('pieces', stored('A'), history).edit(piece('B'))
    await settle()
    answer = (body) => json(stored(body.document.name, body.basedOn + 1))
    const later = keep('pieces', stored('A'), history)
    expect(later.document.name).toBe('B')
    await settle()
    expect(later.state).toBe('saved')
  })

  describe('changed elsewhere', () => {
    const stale = (body: Sent) =>
      body.basedOn === 1
        ? json(
            { code: 'revision-stale', problems: [], current: stored('Theirs', 7) },
            409,
            'application/problem+json',
          )
        : json(stored(body.document.name, body.basedOn + 1))

    it('stops and holds both versions', async () => {
      answer = stale
      const keeper = keep('pieces', stored('A'), history)
      keeper.edit(piece('Mine'))
      await settle()
      expect(keeper.state).toBe('conflict')
      expect(keeper.theirs!.document.name).toBe('Theirs')
      expect(keeper.document.name).toBe('Mine')
    })

    it('mine is written on top of theirs, which stays one undo away', async () => {
      answer = stale
      const keeper = keep('pieces', stored('A'), history)
      keeper.edit(piece('Mine'))
      await settle()
      keeper.settle('mine')
      await settle()
      expect(sent.at(-1)).toMatchObject({ basedOn: 7, document: { name: 'Mine' } })
      keeper.undo()
      expect(keeper.document.name).toBe('Theirs')
    })

    it('theirs is taken, and mine is kept one redo away', async () => {
      answer = stale
      const keeper = keep('pieces', stored('A'), history)
      keeper.edit(piece('Mine'))
      await settle()
      keeper.settle('theirs')
      await settle()
      expect(keeper.document.name).toBe('Theirs')
      expect(sent.slice(-2).map((s) => [s.basedOn, s.change, s.document.name])).toEqual([
        [7, 'edited', 'Mine'],
        [8, 'undone', 'Theirs'],
      ])
      keeper.redo()
      expect(keeper.document.name).toBe('Mine')
    })
  })

  it("a write whose answer was lost is not taken for somebody else's", async () => {
    let written: Piece | undefined
    answer = (body) => {
      if (!written) {
        // Written, then killed before it could answer.
        written = body.document
        return Promise.reject(new TypeError('connection reset'))
      }
      return body.basedOn === 1
        ? json({ problems: [], current: stored('B', 2) }, 409, 'application/problem+json')
        : json(stored(body.document.name, body.basedOn + 1))
    }
    const keeper = keep('pieces', stored('A'), history)
    keeper.edit(piece('B'))
    await settle()
    expect(keeper.state).toBe('waiting')
    keeper.edit(piece('C'))
    await vi.advanceTimersByTimeAsync(2000)
    expect(keeper.state).toBe('saved')
    expect(sent.at(-1)).toMatchObject({ basedOn: 2, document: { name: 'C' } })
  })

  it('a list that was read before an edit was kept does not hide the edit', async () => {
    const keeper = keep('pieces', stored('A'), history)
    openKeepers.set('pieces/p1', keeper as unknown as Keeper<Path>)
    keeper.edit(piece('B'))
    const send = fetch
    vi.stubGlobal('fetch', (url: string, request: { body?: string }) =>
      request.body === undefined
        ? Promise.resolve(json([stored('A', 1)]))
        : send(url, request as RequestInit),
    )
    expect((await listNewest('pieces'))[0].document.name).toBe('B')
    await settle()
    // Kept by now, and the list is older still.
    expect(keeper.state).toBe('saved')
    expect((await listNewest('pieces'))[0]).toMatchObject({ revision: 2, document: { name: 'B' } })
    openKeepers.clear()
    expect((await listNewest('pieces'))[0].document.name).toBe('A')
  })

  it('what the server refuses for good is said, and what comes after is still sent', async () => {
    answer = (body) =>
      body.document.name === ''
        ? json(
            { problems: [{ code: 'missing-text', amounts: { field: 'name' }, path: 'name' }] },
            422,
            'application/problem+json',
          )
        : json(stored(body.document.name, body.basedOn + 1))
    const keeper = keep('pieces', stored('A'), history)
    keeper.edit(piece(''))
    await settle()
    expect(keeper.refused[0].path).toBe('name')
    keeper.edit(piece('B'))
    await settle()
    expect(keeper.state).toBe('saved')
    expect(keeper.refused).toEqual([])
  })
})

import 'fake-indexeddb/auto'
import { clear, createStore, values } from 'idb-keyval'
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'
import type { Piece } from '@mivro/core/piece'
import { answered } from './answers.ts'
import type { Path, Stored } from './client.ts'
import { begin, type Session } from './session.ts'
import { forgetSessions, leave, listNewest, openSession, openSessions } from './sessions.ts'
import { storageProblem, takeOver, type Unsent } from './unsent.ts'

const piece = (name: string): Piece => ({
  name,
  form: { from: 'sizes', solid: { solid: 'block', width: 0.01, depth: 0.01, height: 0.01 } },
  note: '',
})
const stored = (name: string, revision = 1, id = 'p1'): Stored<Piece> => ({
  id,
  parent: null,
  revision,
  document: piece(name),
  createdAt: '',
  updatedAt: '',
  deletedAt: null,
})
const history = { items: [{ revision: 1, change: 'made' as const, at: '', document: piece('A') }] }
const keep = (unsent: Unsent[] = []) => begin('pieces', { stored: stored('A'), history, unsent })

interface Sent {
  basedOn: number
  change: string
  document: Piece
}
let sent: Sent[]
let answer: (body: Sent) => Response | Promise<Response>
/** What is read, by address. */
let given: Record<string, unknown>

const problem = (code: string, status: number, more: object = {}) =>
  answered({ problems: [{ code, amounts: {}, path: '' }], ...more }, status)
const taken = (body: Sent) => answered(stored(body.document.name, body.basedOn + 1))
/** A body that breaks off after so many of its bytes. */
const cutAfter = (bytes: number, body: Sent) => {
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
beforeEach(async () => {
  await clear(shelf)
  vi.useFakeTimers({ toFake: ['setTimeout', 'clearTimeout'] })
  localStorage.clear()
  forgetSessions()
  sent = []
  given = {}
  answer = taken
  vi.stubGlobal('fetch', async (url: string, { body }: { body?: string } = {}) => {
    if (body === undefined) return answered(given[url.replace('/api/', '')] ?? [])
    const read = JSON.parse(body) as Sent
    const response = await answer(read)
    sent.push(read)
    return response
  })
})
afterEach(() => {
  vi.restoreAllMocks()
  vi.useRealTimers()
  vi.unstubAllGlobals()
})
const settle = async () => {
  for (let i = 0; i < 30; i++) {
    await vi.advanceTimersByTimeAsync(10)
    await new Promise((done) => setImmediate(done))
  }
}
const later = async (ms: number) => {
  await vi.advanceTimersByTimeAsync(ms)
  await settle()
}
const names = () => sent.map((s) => [s.basedOn, s.document.name])
/** What is put aside in this browser, by the names of the pieces. */
const unsent = async () =>
  (await values<Unsent>(shelf)).flatMap(({ changes }) =>
    changes.map(({ document }) => (document as Piece).name),
  )

describe('a document that saves itself', () => {
  it('sends every gesture as one version, each based on the last', async () => {
    const session = keep()
    session.edit(piece('B'))
    session.edit(piece('C'))
    expect(session.document.name).toBe('C')
    expect(session.state).not.toBe('saved')
    await settle()
    expect(names()).toEqual([
      [1, 'B'],
      [2, 'C'],
    ])
    expect(session.state).toBe('saved')
    expect(await unsent()).toEqual([])
  })

  it('sends undo and redo as versions of their own', async () => {
    const session = keep()
    session.edit(piece('B'))
    await session.undo()
    expect(session.document.name).toBe('A')
    session.redo()
    await settle()
    expect(sent.map((s) => s.change)).toEqual(['edited', 'undone', 'redone'])
  })

  it('keeps trying while the server is away, says so, and puts aside what it holds', async () => {
    answer = () => Promise.reject(new TypeError('no connection'))
    const session = keep()
    session.edit(piece('B'))
    await settle()
    expect(session.state).toBe('waiting')
    expect(await unsent()).toEqual(['B'])
    answer = taken
    await later(2000)
    expect(session.state).toBe('saved')
    expect(names().at(-1)).toEqual([1, 'B'])
  })

  it.each([0, 1, 5, 20, 40, 60, 90, 120, 150, 180])(
    'an answer cut off after %d bytes is asked for again, and the change is not lost',
    async (bytes) => {
      let written = false
      answer = (body) => {
        if (written) return answered({ problems: [], current: stored('B', 2) }, 409)
        written = true
        return cutAfter(bytes, body)
      }
      const session = keep()
      session.edit(piece('B'))
      await settle()
      expect(session.state).toBe('waiting')
      await later(2000)
      expect(session.state).toBe('saved')
      expect(session.revision).toBe(2)
    },
  )

  it('a disk that is full is said while it waits, and the change goes when there is room', async () => {
    answer = () => problem('store-full', 507)
    const session = keep()
    session.edit(piece('B'))
    await settle()
    expect(session.state).toBe('waiting')
    expect(session.refused[0].code).toBe('store-full')
    answer = taken
    await later(2000)
    expect([session.state, session.refused]).toEqual(['saved', []])
  })

  it('after a backup took the place of everything it stops, says so, and keeps what is unsent', async () => {
    answer = () => problem('store-replaced', 409)
    const session = keep()
    session.edit(piece('B'))
    await settle()
    expect(session.state).toBe('stopped')
    expect(session.refused[0].code).toBe('store-replaced')
    session.edit(piece('C'))
    await later(5000)
    expect(sent).toHaveLength(1)
    expect(await unsent()).toEqual(['B', 'C'])
  })

  describe('where the browser keeps nothing', () => {
    it('a change is still sent, and Saved is said by the server alone', async () => {
      const full = new DOMException('out of room', 'QuotaExceededError')
      vi.spyOn(IDBObjectStore.prototype, 'put').mockImplementation(() => {
        throw full
      })
      answer = () => Promise.reject(new TypeError('away'))
      const session = keep()
      session.edit(piece('B'))
      expect(session.state).toBe('saving')
      await settle()
      expect([session.state, storageProblem.value?.code]).toEqual(['waiting', 'browser-storage'])
      answer = taken
      await later(2000)
      expect([session.state, names()]).toEqual(['saved', [[1, 'B']]])
    })
  })

  describe('what an earlier visit could not send', () => {
    const left = (name: string, more: Partial<Unsent> = {}): Unsent => ({
      epoch: 'e1',
      basedOn: 1,
      changes: [{ document: piece(name), change: 'edited' }],
      at: 1,
      ...more,
    })

    it('is sent by the next', async () => {
      const session = keep([left('B')])
      expect(session.document.name).toBe('B')
      await settle()
      expect([session.state, names()]).toEqual(['saved', [[1, 'B']]])
    })

    it('of two tabs comes one after the other: the second is a conflict, not an overwriting', async () => {
      answer = (body) =>
        body.basedOn === 1 && sent.length > 0
          ? answered({ problems: [], current: stored('B', 2) }, 409)
          : taken(body)
      const session = keep([left('B'), left('C', { at: 2 })])
      await settle()
      expect(session.state).toBe('conflict')
      expect([session.theirs!.document.name, session.document.name]).toEqual(['B', 'C'])
      session.settle('mine')
      await settle()
      expect(names().at(-1)).toEqual([2, 'C'])
    })

    it('that was made on another store is not sent by itself: the person chooses', async () => {
      given['pieces?probe'] = []
      await listNewest('pieces')
      const session = keep([left('Old', { epoch: 'before' })])
      await settle()
      expect(sent).toEqual([])
      expect([session.state, session.document.name, session.theirs!.document.name]).toEqual([
        'conflict',
        'Old',
        'A',
      ])
    })

    it('that is garbage is left out, and the document opens', async () => {
      const session = keep([
        {
          epoch: 'e1',
          basedOn: 1,
          changes: [{ document: { nonsense: true }, change: 'edited' }],
          at: 1,
        },
        left('B'),
      ])
      expect(session.document.name).toBe('B')
    })

    it('in the storage of the browser, whatever lies there, is no reason not to open', async () => {
      localStorage.setItem('mivro.unsent.pieces/p1 gone', '{{{ not json')
      localStorage.setItem('mivro.unsent.pieces/p1 other', '[1,2,3]')
      localStorage.setItem('mivro.unsent.pieces/p1 hasty', JSON.stringify(left('H')))
      given = { 'pieces/p1': stored('A'), 'pieces/p1/history?limit=50': history.items }
      const session = await openSession('pieces', 'p1')
      expect(session.document.name).toBe('H')
      expect(Object.keys(localStorage)).toEqual([])
      await settle()
      expect(names()).toEqual([[1, 'H']])
    })
  })

  describe('changed elsewhere', () => {
    const stale = (body: Sent) =>
      body.basedOn === 1
        ? answered({ problems: [], current: stored('Theirs', 7) }, 409)
        : taken(body)

    it('stops and holds both versions', async () => {
      answer = stale
      const session = keep()
      session.edit(piece('Mine'))
      await settle()
      expect(session.state).toBe('conflict')
      expect(session.theirs!.document.name).toBe('Theirs')
      expect(session.document.name).toBe('Mine')
    })

    it('mine is written on top of theirs, which stays one undo away', async () => {
      answer = stale
      const session = keep()
      session.edit(piece('Mine'))
      await settle()
      session.settle('mine')
      await settle()
      expect(names().at(-1)).toEqual([7, 'Mine'])
      await session.undo()
      expect(session.document.name).toBe('Theirs')
    })

    it('theirs is taken, and mine is kept one redo away', async () => {
      answer = stale
      const session = keep()
      session.edit(piece('Mine'))
      await settle()
      session.settle('theirs')
      await settle()
      expect(session.document.name).toBe('Theirs')
      expect(sent.slice(-2).map((s) => [s.basedOn, s.change, s.document.name])).toEqual([
        [7, 'edited', 'Mine'],
        [8, 'undone', 'Theirs'],
      ])
      session.redo()
      expect(session.document.name).toBe('Mine')
    })

    it('by another tab of this browser it is followed, while nothing waits here', async () => {
      const session = keep()
      session.follow(stored('Other tab', 2))
      expect([session.document.name, session.revision]).toEqual(['Other tab', 2])
      session.edit(piece('B'))
      session.follow(stored('Late', 3))
      expect(session.document.name).toBe('B')
      await settle()
      expect(names()).toEqual([[2, 'B']])
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
        ? answered({ problems: [], current: stored('B', 2) }, 409)
        : taken(body)
    }
    const session = keep()
    session.edit(piece('B'))
    await settle()
    expect(session.state).toBe('waiting')
    session.edit(piece('C'))
    await later(2000)
    expect(session.state).toBe('saved')
    expect(names().at(-1)).toEqual([2, 'C'])
  })

  it('what the server refuses for good is said, and what comes after is still sent', async () => {
    answer = (body) =>
      body.document.name === ''
        ? answered(
            { problems: [{ code: 'missing-text', amounts: { field: 'name' }, path: 'name' }] },
            422,
          )
        : taken(body)
    const session = keep()
    session.edit(piece(''))
    await settle()
    expect(session.refused[0].path).toBe('name')
    session.edit(piece('B'))
    await settle()
    expect(session.state).toBe('saved')
    expect(session.refused).toEqual([])
  })
})

describe('a long history', () => {
  const versions = (from: number, to: number) =>
    Array.from({ length: to - from + 1 }, (_, i) => ({
      revision: from + i,
      change: 'edited' as const,
      at: '',
      document: piece(`v${from + i}`),
    }))

  it('opens with its newest versions, and fetches earlier ones before undo needs them', async () => {
    given['pieces/p1/history?before=15&limit=50'] = { items: versions(1, 14) }
    const session = begin('pieces', {
      stored: stored('v20', 20),
      history: { items: versions(15, 20), next: '15' },
      unsent: [],
    })
    for (let i = 0; i < 12; i++) {
      await session.undo()
      await settle()
    }
    expect(session.document.name).toBe('v8')
    expect(session.canUndo).toBe(true)
    session.redo()
    expect(session.document.name).toBe('v9')
  })
})

describe('open sessions', () => {
  it('a list that was read before an edit was kept does not hide the edit', async () => {
    given = {
      'pieces/p1': stored('A'),
      'pieces/p1/history?limit=50': history.items,
      pieces: [stored('A')],
    }
    const session = await openSession('pieces', 'p1')
    session.edit(piece('B'))
    expect((await listNewest('pieces'))[0].document.name).toBe('B')
    await settle()
    expect((await listNewest('pieces'))[0]).toMatchObject({ revision: 2, document: { name: 'B' } })
  })

  it('one for each document however many use it, ended when nobody does and all is saved', async () => {
    given = { 'pieces/p1': stored('A'), 'pieces/p1/history?limit=50': history.items }
    const [one, two] = await Promise.all([openSession('pieces', 'p1'), openSession('pieces', 'p1')])
    expect(one).toBe(two)
    leave(one as unknown as Session<Path>)
    await later(60_000)
    expect(openSessions.size).toBe(1)
    answer = () => Promise.reject(new TypeError('away'))
    two.edit(piece('B'))
    leave(two as unknown as Session<Path>)
    await later(60_000)
    expect(openSessions.size).toBe(1)
    answer = taken
    await later(60_000)
    expect(openSessions.size).toBe(0)
  })

  it('while the page goes, everything unsent is put aside at once', async () => {
    answer = () => Promise.reject(new TypeError('away'))
    const session = keep()
    session.edit(piece('B'))
    session.hasten()
    expect(Object.keys(localStorage)[0]).toMatch(/^mivro.unsent.pieces\/p1 /)
    const [left] = await takeOver('pieces/p1')
    expect((left.changes[0].document as Piece).name).toBe('B')
  })

  it('an answer that is not what its schema says is refused, not shown', async () => {
    given = {
      'pieces/p1': { ...stored('A'), document: { name: 7 } },
      'pieces/p1/history?limit=50': [],
    }
    await expect(openSession('pieces', 'p1')).rejects.toThrow(/name/)
  })
})

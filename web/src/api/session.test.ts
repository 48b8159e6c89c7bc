import { describe, expect, it, vi } from 'vitest'
import type { Piece } from '@mivro/core/form/piece'
import { answered } from './answers.ts'
import {
  cutAfter,
  history,
  later,
  piece,
  putAsideNames,
  refusal,
  settle,
  stored,
  taken,
  useFakeServer,
  type Sent,
} from './fakeServer.ts'
import { begin } from './session.ts'
import { listNewest, openSession } from './sessions.ts'
import { storageProblem, type Unsent } from './unsent.ts'

const fake = useFakeServer()
const keep = (unsent: Unsent[] = []) =>
  begin('pieces', {
    stored: stored('A'),
    history,
    unsent: unsent.map((one) => ({ ...one, forget: () => {} })),
  })

describe('a document that saves itself', () => {
  it('sends every gesture as one version, each based on the last', async () => {
    const session = keep()
    session.edit(piece('B'))
    session.edit(piece('C'))
    expect(session.document.name).toBe('C')
    expect(session.state).not.toBe('saved')
    await settle()
    expect(fake.names()).toEqual([
      [1, 'B'],
      [2, 'C'],
    ])
    expect(session.state).toBe('saved')
    expect(await putAsideNames()).toEqual([])
  })

  it('sends undo and redo as versions of their own', async () => {
    const session = keep()
    session.edit(piece('B'))
    await session.undo()
    expect(session.document.name).toBe('A')
    session.redo()
    await settle()
    expect(fake.sent.map((s) => s.change)).toEqual(['edited', 'undone', 'redone'])
  })

  it('keeps trying while the server is away, says so, and puts aside what it holds', async () => {
    fake.answer = () => Promise.reject(new TypeError('no connection'))
    const session = keep()
    session.edit(piece('B'))
    await settle()
    expect(session.state).toBe('waiting')
    expect(await putAsideNames()).toEqual(['B'])
    fake.answer = taken
    await later(2000)
    expect(session.state).toBe('saved')
    expect(fake.names().at(-1)).toEqual([1, 'B'])
  })

  it.each([0, 1, 5, 20, 40, 60, 90, 120, 150, 180])(
    'an answer cut off after %d bytes is asked for again, and the change is not lost',
    async (bytes) => {
      let written = false
      fake.answer = (body) => {
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
    fake.answer = () => refusal('store-full', 507)
    const session = keep()
    session.edit(piece('B'))
    await settle()
    expect(session.state).toBe('waiting')
    expect(session.refused[0].code).toBe('store-full')
    fake.answer = taken
    await later(2000)
    expect([session.state, session.refused]).toEqual(['saved', []])
  })

  it('after a backup took the place of everything it stops, says so, and keeps what is unsent', async () => {
    fake.answer = () => refusal('store-replaced', 409)
    const session = keep()
    session.edit(piece('B'))
    await settle()
    expect(session.state).toBe('stopped')
    expect(session.refused[0].code).toBe('store-replaced')
    session.edit(piece('C'))
    await later(5000)
    expect(fake.sent).toHaveLength(1)
    expect(await putAsideNames()).toEqual(['B', 'C'])
  })

  describe('where the browser keeps nothing', () => {
    it('a change is still sent, and Saved is said by the server alone', async () => {
      const full = new DOMException('out of room', 'QuotaExceededError')
      vi.spyOn(IDBObjectStore.prototype, 'put').mockImplementation(() => {
        throw full
      })
      fake.answer = () => Promise.reject(new TypeError('away'))
      const session = keep()
      session.edit(piece('B'))
      expect(session.state).toBe('saving')
      await settle()
      expect([session.state, storageProblem.value?.code]).toEqual(['waiting', 'browser-storage'])
      fake.answer = taken
      await later(2000)
      expect([session.state, fake.names()]).toEqual(['saved', [[1, 'B']]])
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
      expect([session.state, fake.names()]).toEqual(['saved', [[1, 'B']]])
    })

    it('of two tabs comes one after the other: the second is a conflict, not an overwriting', async () => {
      fake.answer = (body) =>
        body.basedOn === 1 && fake.sent.length > 0
          ? answered({ problems: [], current: stored('B', 2) }, 409)
          : taken(body)
      const session = keep([left('B'), left('C', { at: 2 })])
      await settle()
      expect(session.state).toBe('conflict')
      expect([session.theirs!.document.name, session.document.name]).toEqual(['B', 'C'])
      session.settle('mine')
      await settle()
      expect(fake.names().at(-1)).toEqual([2, 'C'])
    })

    it('that was made on another store is not sent by itself: the person chooses', async () => {
      fake.given['pieces?probe'] = []
      await listNewest('pieces')
      const session = keep([left('Old', { epoch: 'before' })])
      await settle()
      expect(fake.sent).toEqual([])
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

    it('stays where it lies while its document does not open, and until it is this tab’s own', async () => {
      localStorage.setItem('mivro.unsent.pieces/p1 gone', JSON.stringify(left('H')))
      vi.stubGlobal('fetch', () => Promise.reject(new TypeError('no connection')))
      await expect(openSession('pieces', 'p1')).rejects.toThrow()
      expect(Object.keys(localStorage)).toHaveLength(1)
      vi.stubGlobal('fetch', async (url: string, { body }: { body?: string } = {}) => {
        if (body !== undefined) return taken(JSON.parse(body) as Sent)
        return answered(url.includes('history') ? history.items : stored('A'))
      })
      const session = await openSession('pieces', 'p1')
      expect(session.document.name).toBe('H')
      await settle()
      expect([session.state, Object.keys(localStorage), await putAsideNames()]).toEqual([
        'saved',
        [],
        [],
      ])
    })

    it('of a second tab stays put aside until the first has been sent', async () => {
      fake.answer = () => Promise.reject(new TypeError('no connection'))
      localStorage.setItem('mivro.unsent.pieces/p1 one', JSON.stringify({ ...left('B'), at: 1 }))
      localStorage.setItem('mivro.unsent.pieces/p1 two', JSON.stringify({ ...left('C'), at: 2 }))
      fake.given = { 'pieces/p1': stored('A'), 'pieces/p1/history?limit=50': history.items }
      await openSession('pieces', 'p1')
      await settle()
      expect(await putAsideNames()).toEqual(['B'])
      expect(Object.keys(localStorage)).toEqual(['mivro.unsent.pieces/p1 two'])
    })

    it('in the storage of the browser, whatever lies there, is no reason not to open', async () => {
      localStorage.setItem('mivro.unsent.pieces/p1 gone', '{{{ not json')
      localStorage.setItem('mivro.unsent.pieces/p1 other', '[1,2,3]')
      localStorage.setItem('mivro.unsent.pieces/p1 hasty', JSON.stringify(left('H')))
      fake.given = { 'pieces/p1': stored('A'), 'pieces/p1/history?limit=50': history.items }
      const session = await openSession('pieces', 'p1')
      expect(session.document.name).toBe('H')
      await settle()
      expect(Object.keys(localStorage)).toEqual([])
      expect(fake.names()).toEqual([[1, 'H']])
    })
  })

  describe('changed elsewhere', () => {
    const stale = (body: Sent) =>
      body.basedOn === 1
        ? answered({ problems: [], current: stored('Theirs', 7) }, 409)
        : taken(body)

    it('stops and holds both versions', async () => {
      fake.answer = stale
      const session = keep()
      session.edit(piece('Mine'))
      await settle()
      expect(session.state).toBe('conflict')
      expect(session.theirs!.document.name).toBe('Theirs')
      expect(session.document.name).toBe('Mine')
    })

    it('mine is written on top of theirs, which stays one undo away', async () => {
      fake.answer = stale
      const session = keep()
      session.edit(piece('Mine'))
      await settle()
      session.settle('mine')
      await settle()
      expect(fake.names().at(-1)).toEqual([7, 'Mine'])
      await session.undo()
      expect(session.document.name).toBe('Theirs')
    })

    it('theirs is taken, and mine is kept one redo away', async () => {
      fake.answer = stale
      const session = keep()
      session.edit(piece('Mine'))
      await settle()
      session.settle('theirs')
      await settle()
      expect(session.document.name).toBe('Theirs')
      expect(fake.sent.slice(-2).map((s) => [s.basedOn, s.change, s.document.name])).toEqual([
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
      expect(fake.names()).toEqual([[2, 'B']])
    })
  })

  it("a write whose answer was lost is not taken for somebody else's", async () => {
    let written: Piece | undefined
    fake.answer = (body) => {
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
    expect(fake.names().at(-1)).toEqual([2, 'C'])
  })

  it('what the server refuses for good is said, and what comes after is still sent', async () => {
    fake.answer = (body) =>
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

  it('is read when the page is calm: an edit before that is undone to what was opened, and further', async () => {
    fake.given['pieces/p1'] = stored('v3', 3)
    fake.given['pieces/p1/history?before=4&limit=50'] = { items: versions(1, 3) }
    const session = await openSession('pieces', 'p1')
    expect(session.canUndo).toBe(true)
    session.edit(piece('mine'))
    await session.undo()
    expect(session.document.name).toBe('v3')
    await settle()
    await session.undo()
    await session.undo()
    expect(session.document.name).toBe('v1')
    expect(session.canUndo).toBe(false)
    session.redo()
    expect(session.document.name).toBe('v2')
  })

  it('undone at once, it is read first', async () => {
    fake.given['pieces/p1'] = stored('v3', 3)
    fake.given['pieces/p1/history?before=4&limit=50'] = { items: versions(1, 3) }
    const session = await openSession('pieces', 'p1')
    await Promise.all([session.undo(), session.undo()])
    expect(session.document.name).toBe('v1')
  })

  it('of one version there is none to read', async () => {
    fake.given['pieces/p1'] = stored('v1', 1)
    expect((await openSession('pieces', 'p1')).canUndo).toBe(false)
  })

  it('opens with its newest versions, and fetches earlier ones before undo needs them', async () => {
    fake.given['pieces/p1/history?before=15&limit=50'] = { items: versions(1, 14) }
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

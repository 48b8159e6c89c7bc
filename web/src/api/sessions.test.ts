import { describe, expect, it } from 'vitest'
import type { Piece } from '@mivro/core/form/piece'
import type { Path } from './client.ts'
import { history, later, piece, settle, stored, taken, useFakeServer } from './fakeServer.ts'
import { begin, type Session } from './session.ts'
import { leave, listNewest, openSession, openSessions } from './sessions.ts'
import { leftBehind } from './unsent.ts'

const fake = useFakeServer()
const keep = () => begin('pieces', { stored: stored('A'), history, unsent: [] })

describe('open sessions', () => {
  it('a list that was read before an edit was kept does not hide the edit', async () => {
    fake.given = {
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
    fake.given = { 'pieces/p1': stored('A'), 'pieces/p1/history?limit=50': history.items }
    const [one, two] = await Promise.all([openSession('pieces', 'p1'), openSession('pieces', 'p1')])
    expect(one).toBe(two)
    leave(one as unknown as Session<Path>)
    await later(60_000)
    expect(openSessions.size).toBe(1)
    fake.answer = () => Promise.reject(new TypeError('away'))
    two.edit(piece('B'))
    leave(two as unknown as Session<Path>)
    await later(60_000)
    expect(openSessions.size).toBe(1)
    fake.answer = taken
    await later(60_000)
    expect(openSessions.size).toBe(0)
  })

  it('while the page goes, everything unsent is put aside at once', async () => {
    fake.answer = () => Promise.reject(new TypeError('away'))
    const session = keep()
    session.edit(piece('B'))
    session.flush()
    expect(Object.keys(localStorage)[0]).toMatch(/^mivro.unsent.pieces\/p1 /)
    const [left] = await leftBehind('pieces/p1')
    expect((left.changes[0].document as Piece).name).toBe('B')
  })

  it('an answer that is not what its schema says is refused, not shown', async () => {
    fake.given = {
      'pieces/p1': { ...stored('A'), document: { name: 7 } },
      'pieces/p1/history?limit=50': [],
    }
    await expect(openSession('pieces', 'p1')).rejects.toThrow(/name/)
  })
})

import { describe, expect, it } from 'vitest'
import { compareLog, filterLog, logRow, sumLog, type LogRow } from './log.ts'
import type { Pull } from './pull.ts'

const pull = (more: Partial<Pull> = {}): Pull =>
  ({
    pouredAt: '2026-10-03T10:00:00+02:00',
    copies: 4,
    outcome: 'good',
    faults: [],
    room: 294,
    note: '',
    nextTime: '',
    ...more,
  }) as Pull
const row = (id: string, more: Partial<Pull> = {}, piece = 'Drop'): LogRow =>
  logRow(id, piece.toLowerCase(), pull(more), { piece, mould: 'Block', resins: ['Slow epoxy'] })

const rows = [
  row('a', { note: 'A small void in the tip', faults: ['void at a tip'], outcome: 'fixable' }),
  row('b', { pouredAt: '2026-11-03T10:00:00+01:00', method: { way: 'pressure' } }, 'Keycap'),
  row('c', {
    copies: 3,
    pouredAt: '2026-11-20T10:00:00+01:00',
    results: [
      { copy: 1, result: 'good' },
      { copy: 2, result: 'fixable', mended: 300 },
      { copy: 3, result: 'lost' },
    ],
  }),
]
const ids = (found: LogRow[]) => found.map(({ id }) => id)

describe('a log', () => {
  it('counts copies by their results, and as the whole where nothing was written', () => {
    expect(rows[2]).toMatchObject({ good: 1, mended: 1, lost: 1, mending: 300 })
    expect(rows[0]).toMatchObject({ good: 0, mended: 4, lost: 0 })
    expect(rows[1]).toMatchObject({ good: 4, way: 'pressure' })
  })

  it('is filtered by everything a row holds', () => {
    expect(ids(filterLog(rows, {}))).toEqual(['a', 'b', 'c'])
    expect(ids(filterLog(rows, { text: 'TIP void' }))).toEqual(['a'])
    expect(ids(filterLog(rows, { text: 'tip pressure' }))).toEqual([])
    expect(ids(filterLog(rows, { piece: 'keycap' }))).toEqual(['b'])
    expect(ids(filterLog(rows, { fault: 'void at a tip' }))).toEqual(['a'])
    expect(ids(filterLog(rows, { way: 'pressure' }))).toEqual(['b'])
    expect(ids(filterLog(rows, { outcome: 'good' }))).toEqual(['b', 'c'])
    expect(ids(filterLog(rows, { from: '2026-11-01', until: '2026-11-10' }))).toEqual(['b'])
  })

  it('adds up', () => expect(sumLog(rows)).toEqual({ copies: 11, good: 5 }))

  it('is compared by what pulls have in common', () => {
    expect(compareLog(rows, 'piece')).toMatchObject([
      { name: 'Drop', pulls: 2, copies: 7, good: 1 },
      { name: 'Keycap', pulls: 1, copies: 4, good: 4 },
    ])
    expect(compareLog(rows, 'month').map(({ name }) => name)).toEqual(['2026-10', '2026-11'])
    const [way] = compareLog(rows, 'way')
    // Four that share their luck: 4 / (1 + 3 · 0.3).
    expect(way).toEqual({ name: 'pressure', pulls: 1, copies: 4, good: 4, worth: 4 / 1.9 })
    expect(compareLog(rows, 'resin')[0].pulls).toBe(3)
  })
})

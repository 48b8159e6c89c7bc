import type { Outcome, Pull } from './pull.ts'
import type { Fault } from './faults.ts'
import { castsWorth } from './worth.ts'

/** A pull in one line of the log. */
export interface LogRow {
  id: string
  piece: string
  pieceName: string
  mould?: string
  mouldName?: string
  /** By its plan; the resins that its layers name. */
  resins: string[]
  pouredAt: string
  copies: number
  good: number
  mended: number
  lost: number
  outcome: Outcome
  faults: Fault[]
  way?: string
  room: number
  humidity?: number
  /** Time that mending took in all, s. */
  mending: number
  /** What was said of it, for a search. */
  said: string
  changes: number
  trial?: string
}

/** Names that a log is read with. */
export interface LogNames {
  piece: string
  mould?: string
  resins: readonly string[]
}

/** A pull in one line. Copies of which nothing was written came out as the whole did. */
export function logRow(id: string, piece: string, pull: Pull, names: LogNames): LogRow {
  const { results, copies, outcome } = pull
  const count = (result: Outcome) =>
    results?.length
      ? results.filter((one) => one.result === result).length
      : outcome === result
        ? copies
        : 0
  return {
    id,
    piece,
    pieceName: names.piece,
    mould: pull.mould,
    mouldName: names.mould,
    resins: [...names.resins],
    pouredAt: pull.pouredAt,
    copies,
    good: count('good'),
    mended: count('fixable'),
    lost: count('lost'),
    outcome,
    faults: pull.faults,
    way: pull.method?.way,
    room: pull.room,
    humidity: pull.humidity,
    mending: (results ?? []).reduce((sum, { mended }) => sum + (mended ?? 0), 0),
    said: [pull.note, pull.nextTime, pull.halves, pull.who].filter(Boolean).join(' '),
    changes: pull.changes?.length ?? 0,
    trial: pull.trial?.difference,
  }
}

/** What of a log is looked at; what is left out does not matter. */
export interface LogFilter {
  text?: string
  piece?: string
  mould?: string
  fault?: string
  outcome?: Outcome
  way?: string
  /** Days, from and until, as dates. */
  from?: string
  until?: string
}

/**
 * Rows of a log that fit a filter, in their order. A text is looked for in names, faults and what
 * was said, all of its words.
 *
 * @example filterLog([], { text: 'tip' }) // []
 */
export function filterLog(rows: readonly LogRow[], filter: LogFilter): LogRow[] {
  const words = (filter.text ?? '').toLowerCase().split(/\s+/).filter(Boolean)
  return rows.filter((row) => {
    if (filter.piece !== undefined && row.piece !== filter.piece) return false
    if (filter.mould !== undefined && row.mould !== filter.mould) return false
    if (filter.fault !== undefined && !row.faults.includes(filter.fault as Fault)) return false
    if (filter.outcome !== undefined && row.outcome !== filter.outcome) return false
    if (filter.way !== undefined && row.way !== filter.way) return false
    const day = row.pouredAt.slice(0, 10)
    if (filter.from !== undefined && day < filter.from) return false
    if (filter.until !== undefined && day > filter.until) return false
    if (words.length === 0) return true
    const all =
      `${row.pieceName} ${row.mouldName ?? ''} ${row.resins.join(' ')} ${row.faults.join(' ')} ${row.said} ${row.trial ?? ''}`.toLowerCase()
    return words.every((word) => all.includes(word))
  })
}

/** Casts of rows of a log, and how many came out good. @example sumLog([]) // { copies: 0, good: 0 } */
export const sumLog = (rows: readonly LogRow[]): Pick<LogGroup, 'copies' | 'good'> => ({
  copies: rows.reduce((sum, { copies }) => sum + copies, 0),
  good: rows.reduce((sum, { good }) => sum + good, 0),
})

export const comparisons = ['piece', 'mould', 'way', 'month', 'resin'] as const
export type Comparison = (typeof comparisons)[number]

/** Casts of one group of a log. */
export interface LogGroup {
  name: string
  pulls: number
  copies: number
  good: number
  /** So many casts of their own they are worth. */
  worth: number
}

/**
 * A log by what its pulls have in common: casts, and how many of them came out good; the most
 * casts first, months in their order.
 *
 * @example compareLog([], 'way') // []
 */
export function compareLog(rows: readonly LogRow[], by: Comparison): LogGroup[] {
  const groups = new Map<string, LogGroup>()
  for (const row of rows) {
    for (const name of namesIn(row, by)) {
      const group = groups.get(name) ?? { name, pulls: 0, copies: 0, good: 0, worth: 0 }
      group.pulls++
      group.copies += row.copies
      group.good += row.good
      group.worth += castsWorth(row)
      groups.set(name, group)
    }
  }
  const found = [...groups.values()]
  return by === 'month'
    ? found.toSorted((a, b) => a.name.localeCompare(b.name))
    : found.toSorted((a, b) => b.copies - a.copies)
}

function namesIn(row: LogRow, by: Comparison): string[] {
  switch (by) {
    case 'piece':
      return [row.pieceName]
    case 'mould':
      return row.mouldName === undefined ? [] : [row.mouldName]
    case 'way':
      return row.way === undefined ? [] : [row.way]
    case 'month':
      return [row.pouredAt.slice(0, 7)]
    case 'resin':
      return row.resins
  }
}

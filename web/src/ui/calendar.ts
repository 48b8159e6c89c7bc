import dayjs, { type Dayjs } from 'dayjs'
import type { EventAttributes } from 'ics'
import type { PreparationEntry } from '@mivro/core/matter/inclusion'

const day = 24 * 3600

/** Something of a pour that a calendar takes: whole days, or a moment. */
export interface CalendarEntry {
  /** Stays the same: imported again it replaces what it was. */
  id: string
  title: string
  start: Dayjs
  /** Whole days: up to here, not with it. */
  end?: Dayjs
  /** Of a moment: how long it takes; a quarter of an hour unless said. */
  minutes?: number
  note?: string
}

/** Preparations as whole days before the day of a pour. */
export const preparationDays = (
  entries: readonly PreparationEntry[],
  pour: Dayjs,
  say: (entry: PreparationEntry) => string,
  of: string,
): CalendarEntry[] =>
  entries.map((entry) => ({
    id: `${of} ${entry.name} ${entry.step}`,
    title: say(entry),
    start: pour.subtract(Math.ceil(entry.from / day), 'day'),
    end: pour.subtract(Math.floor(entry.until / day), 'day'),
  }))

/** The first day after `today` that can be poured on if what takes longest is begun today. */
export const firstPourDay = (
  entries: readonly Pick<PreparationEntry, 'from'>[],
  today: Dayjs,
): Dayjs =>
  today.add(Math.max(1, ...entries.map(({ from }) => Math.ceil(from / day))), 'day').startOf('day')

const dateOf = (at: Dayjs): [number, number, number] => [at.year(), at.month() + 1, at.date()]
const timeOf = (at: Dayjs): [number, number, number, number, number] => [
  ...dateOf(at),
  at.hour(),
  at.minute(),
]

/** Entries as an iCalendar file (RFC 5545), in the local time of whoever opens it. */
export async function iCalendar(name: string, entries: readonly CalendarEntry[]): Promise<string> {
  const { createEvents } = await import('ics')
  const events = entries.map(({ id, title, start, end, minutes = 15, note }): EventAttributes => ({
    uid: `${id.replaceAll(/[^\w.-]+/g, '-')}@mivro`,
    title,
    description: note,
    calName: name,
    productId: 'mivro',
    startInputType: 'local',
    startOutputType: 'local',
    ...(end
      ? { start: dateOf(start), end: dateOf(end) }
      : { start: timeOf(start), duration: { minutes } }),
  }))
  const { error, value } = createEvents(events)
  if (error || !value) throw error ?? new Error('no calendar')
  return value
}

/** A moment of a run: so many seconds after midnight of its day. */
export const momentOf = (pour: Dayjs, seconds: number): Dayjs =>
  dayjs(pour).startOf('day').add(seconds, 'second')

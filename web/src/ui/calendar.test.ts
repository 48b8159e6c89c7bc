import dayjs from 'dayjs'
import { describe, expect, it } from 'vitest'
import { preparationCalendar, prepareThings } from '@mivro/core/matter/inclusion'
import { firstPourDay, iCalendar, momentOf, preparationDays } from './calendar.ts'

const pour = dayjs('2026-12-10')

describe('a pour in a calendar', () => {
  // RFC 5545: lines end in CRLF, whole days are VALUE=DATE, and their end is the day after.
  it('holds preparations as whole days before it', async () => {
    const entries = preparationDays(
      preparationCalendar(prepareThings([{ name: 'Petal', density: 400 }])),
      pour,
      ({ name, step }) => `${name}: ${step}`,
      'plan',
    )
    const text = await iCalendar('Drop', entries)
    expect(text).toMatch(/^BEGIN:VCALENDAR\r\n/)
    expect(text.trimEnd()).toMatch(/END:VCALENDAR$/)
    expect(text).toContain('SUMMARY:Petal: dry')
    expect(text).toContain('DTSTART;VALUE=DATE:20261202')
    expect(text).toContain('DTEND;VALUE=DATE:20261209')
    expect(text).toContain('SUMMARY:Petal: seal')
    expect(text).toContain('DTSTART;VALUE=DATE:20261209')
    expect(text).toContain('DTEND;VALUE=DATE:20261210')
  })

  it('holds moments of the run by the clock of the bench', async () => {
    const start = momentOf(pour, 9 * 3600 + 26 * 3600)
    const text = await iCalendar('Drop', [
      { id: 'p mix 1', title: 'Pour: Cover', start, note: 'onto the gel' },
    ])
    expect(text).toContain('DTSTART:20261211T110000\r\n')
    expect(text).toContain('SUMMARY:Pour: Cover')
    expect(text).toContain('DESCRIPTION:onto the gel')
  })
})

// RFC 5545, 3.8.4.7: an event that is imported again is known by its UID.
it('imported again it replaces what it was, and no two events are one', async () => {
  const at = (id: string, hours: number) => ({ id, title: id, start: momentOf(pour, hours * 3600) })
  const uids = async (hours: number) =>
    [
      ...(await iCalendar('x', [at('r 0 mix', hours), at('r 1 mix', hours)])).matchAll(/UID:(.*)/g),
    ].map(([, uid]) => uid.trim())
  expect(await uids(9)).toEqual(['r-0-mix@mivro', 'r-1-mix@mivro'])
  expect(await uids(14)).toEqual(await uids(9))
})

it('a pour waits until what is dried longest can have been begun today', () => {
  const today = dayjs('2026-12-01T15:00')
  const week = 7 * 24 * 3600
  expect(firstPourDay([], today).format('D MMM')).toBe('2 Dec')
  expect(firstPourDay([{ from: 3600 }, { from: week }], today).format('D MMM')).toBe('8 Dec')
})

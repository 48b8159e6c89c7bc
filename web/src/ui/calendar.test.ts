import dayjs from 'dayjs'
import { expect, it } from 'vitest'
import { firstPourDay } from './calendar.ts'

it('a pour waits until what is dried longest can have been begun today', () => {
  const today = dayjs('2026-12-01T15:00')
  const week = 7 * 24 * 3600
  expect(firstPourDay([], today).format('D MMM')).toBe('2 Dec')
  expect(firstPourDay([{ from: 3600 }, { from: week }], today).format('D MMM')).toBe('8 Dec')
})

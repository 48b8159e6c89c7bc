import { describe, expect, it } from 'vitest'
import { sayProblem } from '@mivro/words/problem'
import type { Problem } from '../problem/index.ts'
import { showTimeOfDay } from './display.ts'
import { parseTimeOfDay } from './timeOfDay.ts'

describe('a time of day', () => {
  it.each([
    ['22:00', '22:00'],
    ['9', '09:00'],
    ['9.30', '09:30'],
    ['0930', '09:30'],
    ['22h30', '22:30'],
    ['9:30 pm', '21:30'],
    ['12 am', '00:00'],
    ['12:15pm', '12:15'],
    ['7 p.m.', '19:00'],
    ['24:00', '00:00, day 2'],
  ])('%s is %s', (typed, shown) => {
    expect(showTimeOfDay(parseTimeOfDay(typed))).toBe(shown)
  })

  it.each(['25:00', '9:75', 'noon', '13 pm', '0 am', '24:01', '9:3'])('%s is refused', (typed) => {
    try {
      parseTimeOfDay(typed)
      expect.unreachable()
    } catch (error) {
      expect((error as Problem).code).toBe('not-a-time')
      expect(sayProblem(error as Problem)).toContain(`"${typed}"`)
    }
  })
})

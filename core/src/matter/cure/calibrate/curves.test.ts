import { describe, expect, it } from 'vitest'
import type { Observation } from '../../material/index.ts'
import { firmPlatinum } from '../../material/samples.ts'
import { sheets } from '../samples.ts'
import { potLifeCurve, workingCurve } from './curves.ts'

const falls = (list: number[]) => list.every((value, i) => i === 0 || value < list[i - 1])
const seen = (value: number): Observation => ({
  id: 'a',
  what: 'pot life',
  value,
  room: 296.15,
  mass: 0.1,
  on: '2026-05-04',
})

describe('pot life over rooms', () => {
  it('falls with warmth, and without observations both lines are one', () => {
    const { rooms, sheet, learned } = potLifeCurve(sheets.coating)
    expect(rooms.length).toBe(sheet.length)
    expect(falls(sheet)).toBe(true)
    expect(learned).toEqual(sheet)
  })

  it('a faster pot that was seen lowers its line and leaves the sheet', () => {
    const resin = { ...sheets.coating, observations: [seen(1500)] }
    const { sheet, learned } = potLifeCurve(resin)
    expect(sheet).toEqual(potLifeCurve(sheets.coating).sheet)
    learned.forEach((value, i) => expect(value).toBeLessThan(sheet[i]))
  })

  it('the same of a silicone', () => {
    const { sheet, learned } = workingCurve({ ...firmPlatinum, observations: [seen(1800)] })
    expect(falls(sheet)).toBe(true)
    learned.forEach((value, i) => expect(value).toBeLessThan(sheet[i]))
    expect(workingCurve(firmPlatinum).learned).toEqual(workingCurve(firmPlatinum).sheet)
  })
})

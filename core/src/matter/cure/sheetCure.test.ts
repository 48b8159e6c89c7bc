import { describe, expect, it } from 'vitest'
import { slowEpoxy, whiteUrethane } from '../material/samples.ts'
import { roomFactor } from './roomRule.ts'
import { sheetCure } from './sheetCure.ts'

const at = (celsius: number, resin = slowEpoxy) =>
  sheetCure({ resin, room: celsius + 273.15, mass: 0.1, depth: 0.01 })

describe('the clock from the sheet', () => {
  it('33 °C halves a pot life given at 23 °C, 13 °C doubles it (common practice, no source)', () => {
    expect(at(23).pourable).toBeCloseTo(45 * 60, 6)
    expect(at(33).pourable).toBeCloseTo(22.5 * 60, 6)
    expect(at(13).pourable).toBeCloseTo(90 * 60, 6)
  })

  it('the halving rule stands near Arrhenius for epoxy: 10 °C from 23 °C is 2.07 at 55 kJ/mol (closed form)', () => {
    const arrhenius = Math.exp((55e3 / 8.314) * (1 / 296.15 - 1 / 306.15))
    expect(1 / roomFactor(306.15, 296.15) / arrhenius).toBeCloseTo(1, 1)
  })

  it('says which times are the sheet and which are a rule', () => {
    expect(at(23).basis).toEqual({
      pourable: 'sheet',
      gel: 'sheet',
      join: 'sheet',
      demould: 'sheet',
    })
    expect(at(23, whiteUrethane).basis).toMatchObject({ gel: 'rule', join: 'rule' })
  })

  it('always runs pourable, gel, join window, demould', () => {
    for (const resin of [slowEpoxy, whiteUrethane, { ...whiteUrethane, demould: 160 }]) {
      const { pourable, gel, joinUntil, demould } = at(21, resin)
      expect(pourable).toBeLessThanOrEqual(gel)
      expect(gel).toBeLessThanOrEqual(joinUntil)
      expect(gel).toBeLessThanOrEqual(demould)
    }
  })
})

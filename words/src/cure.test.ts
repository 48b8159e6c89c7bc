import { describe, expect, it } from 'vitest'
import { slowEpoxy, whiteUrethane } from '../../core/src/matter/material/samples.ts'
import { imperial } from '@mivro/core/base/units'
import { calibrate, learn } from '@mivro/core/matter/cure'
import { explainCure, explainSheet } from './cure.ts'

describe('where a time comes from', () => {
  it('by the sheet: the sheet, and the rule with its factor', () => {
    const lines = explainSheet(slowEpoxy, 306.15).join(' ')
    expect(lines).toContain('gives 45 min of pot life for 100.0 g at 23 °C')
    expect(lines).toContain('At 33 °C they are × 0.50')
    expect(lines).toContain('Gel after 2 h, by the sheet')
  })

  it('says which times are a rule when the sheet has none', () => {
    const lines = explainSheet(whiteUrethane, 296.15).join(' ')
    expect(lines).toContain('taken as pot life × 1.6 for a fast urethane (common practice)')
    expect(lines).toContain('taken as gel × 1.5 (common practice)')
  })

  it('speaks in the chosen units', () => {
    expect(explainSheet(slowEpoxy, 296.15, imperial)[0]).toContain('3.53 oz at 73 °F')
  })

  it('by the model: this cup and layer, the law with its numbers, what was learned, how sure', () => {
    const observations = [
      {
        id: 'a',
        what: 'pot life' as const,
        value: 3600,
        room: 296.15,
        mass: 0.1,
        on: '2026-05-04',
      },
    ]
    const resin = { ...slowEpoxy, observations }
    const batch = { resin, room: 294.15, mass: 0.094, depth: 0.014 }
    const lines = explainCure(learn(calibrate(resin), resin), batch).join(' ')
    expect(lines).toContain('94.0 g stand in the cup for 4 min at 21 °C, then lie 14.0 mm deep')
    expect(lines).toMatch(
      /k1 \d\.\d\de-\d, k2 \d\.\d\de-\d 1\/s at 23 °C, 5\d kJ\/mol, 3\d\d kJ\/kg/,
    )
    expect(lines).toContain("The join window ends where the sheet's 3 h 30 min end.")
    expect(lines).toMatch(/Learned from 1 of your own: the sheet's pot takes × 1\.\d\d/)
    expect(lines).toContain('An estimate: gel and pot life to about 15 %')
  })

  it('an assumed pot mass is said', () => {
    expect(explainSheet({ ...slowEpoxy, potMass: undefined }, 296.15)[0]).toContain(
      '100.0 g (assumed: it names none)',
    )
  })
})

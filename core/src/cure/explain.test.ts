import { describe, expect, it } from 'vitest'
import { slowEpoxy, whiteUrethane } from '../material/samples.ts'
import { imperial } from '../units/index.ts'
import { explainCure } from './explain.ts'

describe('where a time comes from', () => {
  it('says the sheet, the rule with its factor, and what is left out', () => {
    const lines = explainCure(slowEpoxy, 306.15).join(' ')
    expect(lines).toContain('gives 45 min of pot life for 100.0 g at 23 °C')
    expect(lines).toContain('At 33 °C they are × 0.50')
    expect(lines).toContain('Gel after 2 h, by the sheet')
    expect(lines).toContain('this clock does not know the mass yet')
  })

  it('says which times are a rule when the sheet has none', () => {
    const lines = explainCure(whiteUrethane, 296.15).join(' ')
    expect(lines).toContain('taken as pot life × 1.6 for a fast urethane (common practice)')
    expect(lines).toContain('taken as gel × 1.5 (common practice)')
  })

  it('speaks in the chosen units', () => {
    expect(explainCure(slowEpoxy, 296.15, imperial)[0]).toContain('3.53 oz at 73 °F')
  })
})

import { describe, expect, it } from 'vitest'
import type { Material } from '../../matter/material/index.ts'
import { slowEpoxy, violet, whiteUrethane } from '../../matter/material/samples.ts'
import { compile, newPlan, pourSheet, type Layer } from '../../work/plan/index.ts'
import { buildSolid } from '../../form/shape/index.ts'
import { fillCurve } from '../../form/filling/index.ts'
import { benchSteps, mouldSteps, pourSteps, safetyFor, safetyTable } from './safety.ts'

const steps = [...mouldSteps, ...pourSteps, ...benchSteps]

const curve = fillCurve(
  buildSolid({ solid: 'block', width: 0.04, depth: 0.05, height: 0.05 }),
  [0, 0, 1],
)
const shelf = new Map<string, Material>([
  ['epoxy', slowEpoxy],
  ['urethane', whiteUrethane],
  ['glow', { ...violet, name: 'Glow powder', form: 'powder', limit: 0.2 }],
])
const layer = (id: string, top: number, more: Partial<Layer>): Layer => ({
  id,
  name: id,
  fill: { by: 'height', top },
  tints: [],
  inclusions: [],
  join: 'crisp',
  ...more,
})
const sheetOf = (layers: Layer[]) => compile({ ...newPlan('x'), layers }, curve, shelf)

describe('safety cautions', () => {
  it('every line names a step and a hazard, once', () => {
    expect(new Set(safetyTable.map((line) => line.id)).size).toBe(safetyTable.length)
    for (const line of safetyTable) {
      expect(steps).toContain(line.step)
    }
  })

  it('gloves before a bottle is opened, whatever the resin', () => {
    for (const hazard of ['epoxy', 'urethane', 'polyester'] as const) {
      expect(safetyFor('weigh', [hazard])[0].id).toBe('gloves')
    }
  })

  it.each([
    ['epoxy', 'weigh', 'amine'],
    ['urethane', 'weigh', 'isocyanate'],
    ['urethane', 'mix', 'damp'],
    ['polyester', 'weigh', 'peroxide'],
    ['polyester', 'mix', 'styrene'],
    ['powder', 'weigh', 'dust'],
    ['powder', 'prepare', 'dusting'],
    ['deep pour', 'pour', 'deep'],
    ['any resin', 'mix', 'smoking-cup'],
    ['any resin', 'turn', 'turn-gloves'],
    ['any resin', 'turn', 'turn-plug'],
    ['hot mould', 'turn', 'turn-warm'],
    ['any resin', 'demould', 'brittle'],
    ['any resin', 'demould', 'food'],
  ] as const)('%s: before %s, %s', (hazard, step, id) => {
    expect(safetyFor(step, [hazard]).map((line) => line.id)).toContain(id)
  })

  it('what is not on the bench is not warned of', () => {
    const ids = steps.flatMap((step) => safetyFor(step, ['epoxy'])).map((line) => line.id)
    expect(ids).not.toContain('styrene')
    expect(ids).not.toContain('isocyanate')
  })

  it('on the sheet each line stands once, before the first step it belongs to', () => {
    const sheet = pourSheet(
      sheetOf([
        layer('base', 0.03, { resin: 'epoxy' }),
        layer('top', 0.05, { resin: 'urethane', tints: [{ material: 'glow', fraction: 0.1 }] }),
      ]),
    )
    const seen = sheet.flatMap((s) => s.safety.map((line) => line.id))
    expect(new Set(seen).size).toBe(seen.length)
    const lines = (i: number) => sheet[i].safety.map((line) => line.id)
    expect(lines(0)).toEqual(['gloves', 'bystanders', 'amine'])
    expect(lines(2)).toContain('deep')
    // The second layer brings in urethane and powder: their lines come before it is weighed.
    expect(lines(3)).toEqual(['isocyanate', 'dust'])
    expect(lines(4)).toContain('damp')
    expect(lines(sheet.length - 1)).toEqual(['uncured', 'brittle', 'food'])
  })
})

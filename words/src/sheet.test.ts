import { describe, expect, it } from 'vitest'
import { newMould } from '@mivro/core/mould'
import { newPlan, type SheetStep } from '@mivro/core/work/plan'
import { imperial, metric } from '@mivro/core/base/units'
import { slowEpoxy, whiteUrethane } from '../../core/src/matter/material/samples.ts'
import { sayMouldReady, saySheetStep, sayStirring } from './sheet.ts'

const plan = newPlan('Slow')
const layer = (cups: number, index = 0, potLife = 3600) =>
  ({
    index,
    join: 'crisp',
    depth: 0.013,
    top: 0.013,
    resin: 8e-6,
    batch: { resin: { potLife } },
    clock: { mixAt: 0, pourAt: 240, lastPourAt: 480, cupUntil: 3600, meets: 'soft' },
    weighing: { cups, cupSize: 100e-6 },
  }) as unknown as SheetStep['layer']
const say = (step: Partial<SheetStep> & Pick<SheetStep, 'step'>, begin?: number, units = metric) =>
  saySheetStep({ safety: [], ...step }, { ...plan, begin }, 'minute', units)

describe('a sheet says its steps', () => {
  it('by the clock where a time to begin is set, else after the first mix', () => {
    expect(say({ step: 'mix', layer: layer(1), at: 0 })).toBe(
      'Mix: at the start. Scrape sides and bottom, then into a second clean cup. It pours for 1 h.',
    )
    expect(say({ step: 'mix', layer: layer(1), at: 600 }, 8 * 3600)).toContain(
      'Mix: 08:10, 10 min after the first mix.',
    )
  })

  // A second cup only above a pot life of 15 min (common practice, no source).
  it('a fast one has no time for a second cup', () => {
    const said = (potLife: number) => say({ step: 'mix', layer: layer(1, 0, potLife) })
    expect(said(899)).toContain('Scrape sides and bottom. It')
    expect(said(900)).toContain('second clean cup')
    expect(sayStirring(whiteUrethane)).not.toContain('second clean cup')
    expect(sayStirring(slowEpoxy)).toContain('second clean cup')
  })

  it('of several cups, one after the other', () => {
    const mixed = say({ step: 'mix', layer: layer(2) })
    expect(mixed).toContain('the first of 2 cups')
    expect(mixed).toContain('4 min for each')
    expect(mixed).toContain('Each pours for 1 h.')
    const poured = say({ step: 'pour', layer: layer(2, 1), at: 240 })
    expect(poured).toContain('onto the syrup, the last cup 8 min after the first mix.')
    expect(say({ step: 'weigh', layer: layer(2) })).toContain('each of 2 cups of 100 ml')
  })

  it('in the units of the studio', () => {
    expect(say({ step: 'pour', layer: layer(1), at: 240 })).toContain('13.0 mm deep')
    const inches = say({ step: 'pour', layer: layer(1), at: 240 }, undefined, imperial)
    expect(inches).toMatch(/0\.51\d? in deep/)
    expect(inches).toMatch(/0\.27\d? fl oz in each copy/)
  })

  it('out hard with a saw, or rubbery for a blade and laid flat; an open mould has no gates', () => {
    const hour = 3600
    const hard = { gated: true, hardAt: 44 * hour, rubbery: false }
    const closed = say({ step: 'demould', at: 44 * hour, out: hard })
    expect(closed).toContain('from 44 h after the first mix, its gates to saw and sand.')
    expect(closed).not.toContain('rubbery')
    const early = say({ step: 'demould', at: 13 * hour, out: { ...hard, rubbery: true } })
    expect(early).toContain(
      'Take it out while it is rubbery, from 13 h after the first mix: cut the gates with a blade, then put it back or lay it flat until it is hard, 44 h after the first mix.',
    )
    expect(early).not.toContain('saw')
    const open = { ...hard, gated: false }
    expect(say({ step: 'demould', at: 44 * hour, out: open })).not.toContain('gates')
  })

  it('a mould is made ready as its record has it', () => {
    const mould = newMould('Block', 'p', [0, 0, 1], 0.05)
    expect(
      sayMouldReady(
        { ...mould, liking: { bands: 4, release: 'spray', dust: 'talc' } as typeof mould.liking },
        313.15,
        metric,
      ),
    ).toBe(
      'Block: 4 bands, spray as release, dusted with talc, warmed to 40 °C. Before it is poured: look it over (each pull), wipe it (each pull), release (each pull), powder it (each pull).',
    )
    const plain = { ...mould, liking: { ...mould.liking, bands: 0 }, nextTime: 'Tilt it.' }
    expect(sayMouldReady(plain, undefined, metric)).toMatch(/no bands, .* Tilt it\.$/)
  })
})

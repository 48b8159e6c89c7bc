import { describe, expect, it } from 'vitest'
import type { CompiledLayer } from './compile/compiled.ts'
import { sheets } from '../../matter/cure/samples.ts'
import type { Resin } from '../../matter/material/index.ts'
import { gainOf, ladderOf, type Rung } from './ladder.ts'

const hour = 3600
const day = 24 * hour
const poured = (resin: Resin, demouldAt: number, more: object = {}): CompiledLayer =>
  ({
    batch: { resin },
    clock: { mixAt: 0, demouldAt, basis: { demould: 'sheet' }, ...more },
  }) as unknown as CompiledLayer
const plan = { room: 294.15 }
const at = (rungs: readonly Rung[], rung: Rung['rung']) =>
  rungs.find((one) => one.rung === rung)?.at

/* Times of sanding, painting, full strength: common practice, no source. */
describe('the ladder of cure', () => {
  const fast = { ...sheets.fast, class: 'fast urethane', demould: 0.5 * hour } as Resin
  const slow = { ...sheets.coating, class: 'coating epoxy', demould: 24 * hour } as Resin

  it('of a fast urethane: out by its sheet, sanded after 2 h, painted after a day', () => {
    const rungs = ladderOf(plan, { layers: [poured(fast, 0.5 * hour)] })
    expect(rungs.map(({ rung }) => rung)).toEqual(['out', 'sand', 'paint', 'send', 'full'])
    expect(at(rungs, 'out')).toBe(0.5 * hour)
    expect(at(rungs, 'sand')).toBe(2 * hour)
    expect(at(rungs, 'paint')).toBe(day)
    expect(at(rungs, 'full')! / day).toBeCloseTo(6, 9)
  })

  it('of an epoxy in a cold room all of it takes as much longer as its hardening', () => {
    const rungs = ladderOf(plan, { layers: [poured(slow, 36 * hour)] })
    expect(at(rungs, 'sand')).toBeCloseTo(1.5 * 3 * day, 6)
    expect(at(rungs, 'heatproof')).toBeCloseTo(1.5 * 21 * day, 6)
  })

  it('the slowest layer decides, and no rung comes before the one under it', () => {
    const layers = [poured(slow, 24 * hour), poured(fast, 26 * hour, { mixAt: 25.5 * hour })]
    const rungs = ladderOf(plan, { layers })
    expect(at(rungs, 'out')).toBe(26 * hour)
    expect(at(rungs, 'sand')).toBe(3 * day)
    const times = rungs.map((one) => one.at)
    expect(times).toEqual(times.toSorted((a, b) => a - b))
    // Heatproof is said only where every layer has it.
    expect(at(rungs, 'heatproof')).toBeUndefined()
  })

  it('rubbery it comes out for its gates, and is hard later; without gates it does not', () => {
    const gated = [poured(fast, 0.5 * hour, { trimAt: 0.3 * hour })]
    const rungs = ladderOf({ ...plan, out: 'rubbery' }, { layers: gated })
    expect(rungs.slice(0, 2)).toMatchObject([
      { rung: 'rubbery', at: 0.3 * hour, until: 0.5 * hour },
      { rung: 'hard', at: 0.5 * hour },
    ])
    const open = ladderOf({ ...plan, out: 'rubbery' }, { layers: [poured(fast, 0.5 * hour)] })
    expect(open[0].rung).toBe('out')
  })

  // From 21 to 51 °C at 10 K an hour: 3 h up, 4 h held, 3 h down.
  it('a post-cure stands for the days at the bench, but not for what heat itself asks', () => {
    const cured = { ...plan, postCure: { temperature: 324.15, hold: 4 * hour } }
    const rungs = ladderOf(cured, { layers: [poured(slow, 24 * hour)] })
    expect(rungs[1]).toMatchObject({ rung: 'post-cure', at: 24 * hour, until: 34 * hour })
    expect(at(rungs, 'full')).toBe(34 * hour)
    expect(at(rungs, 'heatproof')).toBe(21 * day)
  })

  it('a post-cure is reckoned from the mixing of the last layer, not of the first', () => {
    const kinetics = { k1: 1 / day, k2: 0, energy: 55e3, m: 1, n: 2 }
    const cured = { ...plan, postCure: { temperature: 323.15, hold: 4 * hour } }
    const gain = (mixAt: number) =>
      gainOf(
        cured,
        { layers: [poured(slow, mixAt + 24 * hour, { mixAt })], demouldAt: mixAt + 24 * hour },
        kinetics,
      )!
    expect(gain(3 * day).before.alpha).toBeCloseTo(gain(0).before.alpha, 9)
    // Its whole age of four days would have it further.
    const older = { layers: [poured(slow, 96 * hour)], demouldAt: 96 * hour }
    expect(gainOf(cured, older, kinetics)!.before.alpha).toBeGreaterThan(gain(0).before.alpha)
    expect(gainOf(plan, older, kinetics)).toBeUndefined()
  })

  it('is empty while nothing can be poured', () => {
    expect(ladderOf(plan, { layers: [] })).toEqual([])
  })
})

import { describe, expect, it } from 'vitest'
import { saySiliconeAir } from '@mivro/words/air'
import { siliconeAir, siliconeThickening, type PouredSilicone } from './silicone.ts'

const thick: PouredSilicone = {
  viscosity: 20,
  potLife: 1800,
  demould: 6 * 3600,
  density: 1150,
  volume: 200e-6,
  depth: 0.06,
  copied: 0.01,
}
const vacuum = -95_000
const pressure = 2.8e5

describe('air in silicone', () => {
  // Facts of the trade: thick silicone traps air and wants vacuum; thin lets it go in a rest.
  it('a thick one keeps it, a thin slow one lets most go', () => {
    const thin = { ...thick, viscosity: 2, potLife: 5400 }
    expect(siliconeAir(thick).inside).toBeGreaterThan(1000)
    expect(siliconeAir(thin).inside).toBeLessThan(siliconeAir(thick).inside / 3)
  })

  // Facts of the trade: a mould that was neither vacuumed nor cured under pressure dents under pressure.
  it('vacuum or pressure leaves far fewer, and hardly one that dents', () => {
    const plain = siliconeAir(thick)
    expect(plain.dents).toBeGreaterThan(10)
    for (const done of [{ vacuum }, { pressure }]) {
      const found = siliconeAir(thick, done)
      expect(found.inside).toBeLessThan(plain.inside / 2)
      expect(found.dents).toBeLessThan(plain.dents / 2)
    }
  })

  it('thickens to twice what it was within its pot life, and gels at three', () => {
    const { time, viscosity } = siliconeThickening(thick)
    const at = time.findIndex((t) => t >= thick.potLife)
    expect(viscosity[at] / viscosity[0]).toBeCloseTo(2, 1)
    expect(time.at(-1)).toBeCloseTo(3 * thick.potLife, 6)
  })

  it('is said with what it means for the mould', () => {
    expect(saySiliconeAir({ inside: 12_345, dents: 41 }, {})).toBe(
      'About 12000 bubbles over 0.1 mm stay in it, 41 of them large and near to the cavity: casts under pressure get dents there.',
    )
    expect(saySiliconeAir({ inside: 0.2, dents: 0 }, { vacuum })).toBe(
      'With its vacuum hardly a bubble stays in it: it bears casts under pressure.',
    )
  })
})

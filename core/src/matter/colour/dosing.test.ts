import { describe, expect, it } from 'vitest'
import { slowEpoxy, violet, whiteUrethane } from '../material/samples.ts'
import { highestRead } from './ladder.ts'
import { bodyMatter, contrast } from './matter.ts'
import { countedDose, doseIn, doseUnits, shareOf } from './doseUnit.ts'
import { recipeLines } from './recipe.ts'
import { wetMatter } from './wet.ts'

const gram = 1e-3

describe('a dose', () => {
  it('counted in any unit is the same share again', () => {
    for (const unit of doseUnits) {
      const amount = doseIn(unit, violet, 0.0015, 0.08)
      expect(shareOf(unit, violet, amount, 0.08)).toBeCloseTo(0.0015, 12)
    }
  })

  it('of drops goes by those that were counted from the bottle', () => {
    const bottle = { form: 'dye' as const, drops: [{ count: 20, mass: 0.5 * gram }] }
    expect(countedDose(bottle, 'drops')).toEqual({ mass: 0.025 * gram, learned: true })
    expect(doseIn('drops', bottle, 0.001, 0.05)).toBeCloseTo(2, 12)
    expect(countedDose({ form: 'dye' }, 'drops')?.learned).toBe(false)
  })

  it('of a powder is not counted in drops', () => {
    expect(countedDose({ form: 'mica' }, 'drops')).toBeUndefined()
    expect(shareOf('drops', { form: 'mica' }, 3, 0.1)).toBe(0)
  })

  it('of toothpick tips goes by what this bottle’s tip takes up', () => {
    expect(doseIn('tips', { form: 'paste', tip: 0.01 * gram }, 0.001, 0.05)).toBeCloseTo(5, 12)
  })
})

describe('a recipe for a mix', () => {
  it('is that for 100 g, by the weight of the mix', () => {
    const doses = [{ material: violet, fraction: 0.004 }]
    expect(recipeLines(doses, 1e-5, 0.25)[0].mass).toBeCloseTo(1 * gram, 12)
  })

  it('thins what the scale can’t weigh', () => {
    const [line] = recipeLines([{ material: violet, fraction: 0.0002 }], 0.1 * gram, 0.1)
    // 0.02 g on a scale of 0.1 g: thinned 1 to 10 twice is 2 g.
    expect(line.thinned).toMatchObject({ times: 2 })
    expect(line.thinned!.use).toBeCloseTo(2 * gram, 12)
  })
})

describe('the tinted part in its cup', () => {
  // Facts of the trade: the mix looks darker before the second part goes in.
  it('holds all the tint of the mix in a share of its weight', () => {
    const resin = {
      ...slowEpoxy,
      ratio: { by: 'weight', a: 2, b: 1 } as const,
      tintInto: 'A' as const,
    }
    const tints = [{ material: violet, fraction: 0.001 }]
    const [wet, none] = [wetMatter(resin, tints), wetMatter(resin, [])]
    const whole = wetMatter({ ...resin, ratio: { by: 'weight', a: 1e6, b: 1 } }, tints)
    wet.k.forEach((k, band) => {
      expect((k - none.k[band]) / (whole.k[band] - none.k[band])).toBeCloseTo(1.5, 4)
    })
  })

  it('of a resin that cures white is clear yet', () => {
    expect(contrast(wetMatter(whiteUrethane, []), 1, 0.02)).toBeLessThan(0.01)
  })
})

describe('how much still reads', () => {
  // Beer–Lambert: through twice the depth half the dose sends back the same.
  it('where a layer is thickest goes down as it gets thicker', () => {
    const body = bodyMatter(slowEpoxy)
    const thin = highestRead(violet, body, 0.05)!
    const thick = highestRead(violet, body, 0.1)!
    expect(thin / thick).toBeGreaterThan(1.9)
    expect(thin / thick).toBeLessThan(2.2)
    expect(highestRead(violet, body, 0.001)).toBeUndefined()
  })
})

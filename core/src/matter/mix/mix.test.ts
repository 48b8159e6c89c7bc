import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { batchError, smallestBatch } from './batchError.ts'
import { cupFor } from './cup.ts'
import { displayStep, underScale } from './displayStep.ts'
import { mixDensity, volumeRatio, weightRatio, weightShares } from './ratio.ts'
import { weigh, wholeMass } from './weigh.ts'
import { slowEpoxy, violet, whiteUrethane } from '../material/samples.ts'

const gram = 1e-3
const ml = 1e-6

describe('mixing sums of the trade', () => {
  it('volume ratio × ρA/ρB is the weight ratio (definition of density)', () => {
    expect(
      weightRatio({ by: 'volume', a: 2, b: 1 }, { densityA: 1150, densityB: 1000 }),
    ).toBeCloseTo(2.3, 12)
    expect(
      weightRatio({ by: 'weight', a: 100, b: 82 }, { densityA: 1150, densityB: 1000 }),
    ).toBeCloseTo(1.2195, 4)
  })

  it('a ratio by weight and by volume is the same mix (definition of density)', () => {
    const parts = { densityA: 1150, densityB: 1000 }
    expect(volumeRatio({ by: 'weight', a: 2.3, b: 1 }, parts)).toBeCloseTo(2, 12)
    expect(volumeRatio({ by: 'volume', a: 100, b: 82 }, parts)).toBeCloseTo(100 / 82, 12)
  })

  it('volumes add: equal volumes of 1.2 and 1.0 g/ml give 1.1 g/ml', () => {
    expect(
      mixDensity({ by: 'volume', a: 1, b: 1 }, { densityA: 1200, densityB: 1000 }),
    ).toBeCloseTo(1100, 9)
  })

  it('errors of two parts add as squares (propagation of independent errors)', () => {
    expect(batchError(10 * gram, 10 * gram, 0.1 * gram)).toBeCloseTo(0.01 * Math.SQRT2, 9)
  })

  it('the smallest batch just holds its tolerance', () => {
    const shares = weightShares({ by: 'weight', a: 100, b: 82 }, { densityA: 1100, densityB: 1000 })
    const batch = smallestBatch(shares, 0.1 * gram, 0.02)
    expect(batchError(batch * shares.a, batch * shares.b, 0.1 * gram)).toBeCloseTo(0.02, 12)
  })
})

describe('weighing', () => {
  it('64.3 + 29.2 g: a hand calculation', () => {
    // 2:1 by volume, 1.14 and 1.02 g/ml. 85 ml with 0.2 % dye of 1.1 g/ml.
    // Weight ratio 2 · 1.14 / 1.02 = 2.235294; shares 0.690909 and 0.309091.
    // ml per gram 0.690909/1.14 + 0.309091/1.02 + 0.002/1.1 = 0.910905; 85 / 0.910905 = 93.3138 g.
    const { steps, total } = weigh(
      85 * ml,
      { resin: slowEpoxy, tints: [{ material: violet, fraction: 0.002 }] },
      0.1 * gram,
    )
    expect(steps.map((s) => s.what)).toEqual(['A', 'tint', 'B'])
    expect(steps[0].mass / gram).toBeCloseTo(64.4713, 3)
    expect(steps[1].mass / gram).toBeCloseTo(0.18663, 4)
    expect(steps[2].mass / gram).toBeCloseTo(28.8424, 3)
    expect(total / gram).toBeCloseTo(93.5004, 3)
    expect(steps.map((s) => s.reading / gram)).toEqual(
      [64.5, 64.7, 93.5].map((g) => expect.closeTo(g, 9)),
    )
    // Measured in a marked cup it is two to one: 64.4713 / 1.14 and 28.8424 / 1.02.
    expect(steps.map((s) => s.volume && s.volume / ml)).toEqual([
      expect.closeTo(56.5536, 3),
      undefined,
      expect.closeTo(28.2769, 3),
    ])
  })

  it('a urethane takes its tint into the polyol side, never the isocyanate', () => {
    const { steps } = weigh(
      50 * ml,
      { resin: whiteUrethane, tints: [{ material: violet, fraction: 0.002 }] },
      0.1 * gram,
    )
    expect(steps.map((s) => s.what)).toEqual(['B', 'tint', 'A'])
    expect(steps.every(({ volume }) => volume === undefined)).toBe(true)
  })

  it('several tints go into the tinted part one after the other, each a share of A and B', () => {
    const tints = [
      { material: violet, fraction: 0.002 },
      { material: { ...violet, name: 'Blue' }, fraction: 0.001 },
    ]
    const { steps } = weigh(85 * ml, { resin: slowEpoxy, tints }, 0.1 * gram)
    expect(steps.map(({ key }) => key)).toEqual(['A', 'tint-1', 'tint-2', 'B'])
    const [a, one, two, b] = steps.map(({ mass }) => mass)
    expect(one / (a + b)).toBeCloseTo(0.002, 12)
    expect(two / (a + b)).toBeCloseTo(0.001, 12)
  })

  it('a dye too light for the scale is noticed', () => {
    const recipe = { resin: slowEpoxy, tints: [{ material: violet, fraction: 0.002 }] }
    const dye = weigh(85 * ml, recipe, 0.1 * gram).steps.find(({ what }) => what === 'tint')!
    expect(underScale(dye.mass, 0.1 * gram)).toBe(true)
    expect(underScale(dye.mass, 0.01 * gram)).toBe(false)
  })

  it('for any amount: weights sum to the total, keep the ratio, and readings rise by what is weighed', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 5, max: 4000, noNaN: true }),
        fc.double({ min: 0.0001, max: 0.05, noNaN: true }),
        fc.constantFrom(0.01, 0.1, 1),
        (volume, fraction, step) => {
          const recipe = { resin: slowEpoxy, tints: [{ material: violet, fraction }] }
          const { cups, steps, total } = weigh(volume * ml, recipe, step * gram)
          const [a, tint, b] = steps
          expect(a.mass + tint.mass + b.mass).toBeCloseTo(total, 12)
          expect(a.mass / b.mass).toBeCloseTo(weightRatio(slowEpoxy.ratio, slowEpoxy), 9)
          expect(tint.mass / (a.mass + b.mass)).toBeCloseTo(fraction, 9)
          // The mix really has the volume asked for.
          const back =
            a.mass / slowEpoxy.densityA + b.mass / slowEpoxy.densityB + tint.mass / violet.density
          expect((cups * back) / ml / volume).toBeCloseTo(1, 9)
          // Cumulative rounding: the last reading is never more than half a step off.
          expect(Math.abs(b.reading - total)).toBeLessThanOrEqual((step * gram) / 2 + 1e-12)
          expect(a.weighed + tint.weighed + b.weighed).toBeCloseTo(b.reading, 9)
        },
      ),
    )
  })

  // 12 ml of 3.3 g in 3 ml are 13.2 g: 9.12 g and 4.08 g. One gram on each: √(1/9.12² + 1/4.08²).
  it('one figure says how far a scale may put the ratio out', () => {
    const { ratioError } = weigh(12 * ml, { resin: slowEpoxy }, gram)
    expect(ratioError).toBeCloseTo(Math.hypot(1 / 9.12, 1 / 4.08), 6)
  })

  // By hand: 13.8 g of a 1:1 in three cups are 2.3 g of each part in each. A tenth of a gram on
  // each part of a cup: √2 · 0.1 / 2.3 = 6.1 %; on the whole it would be 2.0 %.
  it('in three cups each is weighed by itself, and is out by more', () => {
    const oneToOne = { ...slowEpoxy, ratio: { by: 'weight', a: 1, b: 1 } as const }
    const volume = (13.8 * gram) / mixDensity(oneToOne.ratio, oneToOne)
    const found = weigh(volume, { resin: oneToOne }, 0.1 * gram, { cups: 3 })
    expect(found.cups).toBe(3)
    expect(found.steps.map(({ mass }) => mass / gram)).toEqual([
      expect.closeTo(2.3, 9),
      expect.closeTo(2.3, 9),
    ])
    expect(found.total / gram).toBeCloseTo(4.6, 9)
    expect(wholeMass(found) / gram).toBeCloseTo(13.8, 9)
    expect(found.ratioError).toBeCloseTo((Math.SQRT2 * 0.1) / 2.3, 6)
    expect(weigh(volume, { resin: oneToOne }, 0.1 * gram).ratioError).toBeCloseTo(
      (Math.SQRT2 * 0.1) / 6.9,
      6,
    )
  })

  // The largest cup of 5 l stirs two thirds: 3.33 l. Four litres take two, of 2 l each.
  it('what no cup stirs is mixed in more of them', () => {
    const found = weigh(4000 * ml, { resin: slowEpoxy }, gram)
    expect([found.cups, found.volume / ml, found.cupSize / ml]).toEqual([
      2,
      expect.closeTo(2000, 6),
      expect.closeTo(5000, 6),
    ])
  })
})

describe('how finely a weight is shown', () => {
  it.each([
    [64.3, 0.1],
    [0.5, 0.1],
    [0.19, 0.01],
    [0.02, 0.001],
    [0.0012, 0.0001],
    [0, 0.1],
  ])('%d g on a scale of 0.1 g is shown to %d g', (mass, shown) => {
    expect(displayStep(mass * gram, 0.1 * gram) / gram).toBeCloseTo(shown, 9)
  })
})

describe('cups', () => {
  it.each([
    [19, 30, 1],
    [90, 150, 1],
    [100, 150, 1],
    [101, 250, 1],
    [3000, 5000, 1],
    [8000, 5000, 3],
  ])('%d ml is stirred in a cup of %d ml, %d of them', (volume, size, cups) => {
    const found = cupFor(volume * ml)
    expect([Math.round(found.size / ml), found.cups]).toEqual([size, cups])
  })
})

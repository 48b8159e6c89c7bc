import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { checkCup, portionsFor, type Extra, type Mix } from './desk.ts'
import { dropsFor, dropWeight } from './drops.ts'
import { masterBatch } from './masterBatch.ts'
import { weightRatio } from './ratio.ts'

const gram = 1e-3
const ml = 1e-6
const mix = (a: number, b: number, more: Partial<Mix> = {}): Mix => ({
  ratio: { by: 'weight', a, b },
  densityA: 1100,
  densityB: 1000,
  nameA: 'Part A',
  nameB: 'Part B',
  extras: [],
  ...more,
})
const masses = (portions: { mass: number }[]) => portions.map(({ mass }) => mass / gram)
const powder: Extra = { id: 'bronze', name: 'Bronze', share: 2, of: 'both', density: 8800 }

describe('the ratio desk', () => {
  it('10:9 with 6.0 g of A asks for 5.4 g of B (definition of a ratio)', () => {
    const { portions } = portionsFor(mix(10, 9), { by: 'part', part: 'A', mass: 6 * gram })
    expect(masses(portions)).toEqual([expect.closeTo(6, 9), expect.closeTo(5.4, 9)])
  })

  it('100 g of 100:82 are 54.9 and 45.1 g (arithmetic)', () => {
    const { portions, mass } = portionsFor(mix(100, 82), { by: 'mass', mass: 100 * gram })
    expect(masses(portions)).toEqual([expect.closeTo(54.945, 3), expect.closeTo(45.055, 3)])
    expect(mass / gram).toBeCloseTo(100, 9)
  })

  it('2:1 by volume of 1.1 and 1.0 g/ml: 20 and 10 ml are 22 and 10 g (definition of density)', () => {
    const byVolume = mix(2, 1, { ratio: { by: 'volume', a: 2, b: 1 } })
    const { portions } = portionsFor(byVolume, { by: 'volume', volume: 30 * ml })
    expect(portions.map(({ volume }) => volume / ml)).toEqual([
      expect.closeTo(20, 6),
      expect.closeTo(10, 6),
    ])
    expect(masses(portions)).toEqual([expect.closeTo(22, 6), expect.closeTo(10, 6)])
  })

  it('metal powder at twice the weight of resin: 300 g hold 200 g of it, and volumes add', () => {
    const { portions, volume } = portionsFor(mix(1, 1, { extras: [powder] }), {
      by: 'mass',
      mass: 300 * gram,
    })
    expect(masses(portions)).toEqual([
      expect.closeTo(50, 6),
      expect.closeTo(200, 6),
      expect.closeTo(50, 6),
    ])
    expect(volume / ml).toBeCloseTo(50 / 1.1 + 200 / 8.8 + 50, 6)
  })

  it('a thickener may be a share of one part alone', () => {
    const extras: Extra[] = [{ ...powder, share: 0.03, of: 'B' }]
    const { portions } = portionsFor(mix(3, 1, { extras }), { by: 'part', part: 'B', mass: 0.1 })
    expect(portions[1].mass).toBeCloseTo(0.003, 12)
  })

  it('for any mix and wish: portions keep the ratio and sum to what was wished', () => {
    const amount = fc.double({ min: 0.1, max: 3000, noNaN: true })
    const part = fc.double({ min: 0.5, max: 100, noNaN: true })
    fc.assert(
      fc.property(
        part,
        part,
        amount,
        fc.double({ min: 0, max: 3, noNaN: true }),
        (a, b, g, share) => {
          const asked = mix(a, b, { extras: [{ ...powder, share }] })
          const { portions, mass, volume, density } = portionsFor(asked, {
            by: 'mass',
            mass: g * gram,
          })
          expect(mass / gram / g).toBeCloseTo(1, 9)
          expect(
            portions[0].mass / portions.at(-1)!.mass / weightRatio(asked.ratio, asked),
          ).toBeCloseTo(1, 9)
          expect(density).toBeCloseTo(mass / volume, 6)
        },
      ),
    )
  })
})

describe('past the mark', () => {
  it('0.5 g over on 10 + 10 g: add 0.5 g, 21 g in all (definition of a ratio)', () => {
    const { error, add, mass, fits } = checkCup(mix(1, 1), { A: 0.0105, B: 0.01 }, 60 * ml)
    expect(error).toBeCloseTo(0.05, 9)
    expect(add.map(({ what, mass: m }) => [what, m / gram])).toEqual([
      ['B', expect.closeTo(0.5, 9)],
    ])
    expect(mass / gram).toBeCloseTo(21, 9)
    expect(fits).toBe(true)
  })

  it('until both parts are in there is no error to speak of, and the rest is what to add', () => {
    const { error, add } = checkCup(mix(10, 9), { A: 0.006 }, 60 * ml)
    expect(error).toBeUndefined()
    expect(add[0].mass / gram).toBeCloseTo(5.4, 9)
  })

  it('says when the cup no longer stirs it', () => {
    expect(checkCup(mix(1, 1), { A: 0.04, B: 0.02 }, 60 * ml).fits).toBe(false)
    expect(checkCup(mix(1, 1), { A: 0.02, B: 0.02 }, 60 * ml).fits).toBe(true)
  })

  it('an empty cup asks for nothing', () => {
    const { add, mass } = checkCup(mix(1, 1), {}, 60 * ml)
    expect(add).toEqual([])
    expect(mass).toBe(0)
  })

  it('too much powder asks for resin', () => {
    const { add } = checkCup(mix(1, 1, { extras: [powder] }), { A: 0.05, bronze: 0.3, B: 0.05 }, 1)
    expect(masses(add)).toEqual([expect.closeTo(25, 6), expect.closeTo(25, 6)])
  })

  it('0.03 g of dye too much is a deeper colour, over its limit it asks for resin', () => {
    // 10 + 10 g with 0.1 % of dye that bears 0.5 %: 0.02 g asked for, 0.1 g borne.
    const dye = {
      id: 'd',
      name: 'Dye',
      share: 0.001,
      of: 'both',
      density: 1100,
      most: 0.005,
    } as const
    const cup = (grams: number) =>
      checkCup(mix(1, 1, { extras: [dye] }), { A: 0.01, B: 0.01, d: grams * gram }, 60 * ml)
    const { add, deeper, mass } = cup(0.05)
    expect(add).toEqual([])
    expect(deeper).toEqual([{ what: 'd', name: 'Dye', times: expect.closeTo(2.5, 9) as number }])
    expect(mass / gram).toBeCloseTo(20.05, 9)
    // 0.15 g wants 30 g of resin by its limit: 5 g more of each.
    expect(masses(cup(0.15).add)).toEqual([expect.closeTo(5, 6), expect.closeTo(5, 6)])
    // Alone in its cup it says how much resin it was meant for.
    const alone = checkCup(mix(1, 1, { extras: [dye] }), { d: 0.02 * gram }, 60 * ml)
    expect(masses(alone.add)).toEqual([expect.closeTo(10, 6), expect.closeTo(10, 6)])
  })

  it('for any cup: what is added makes it right, and nothing is taken out', () => {
    const amount = fc.double({ min: 0, max: 300, noNaN: true })
    fc.assert(
      fc.property(amount, amount, amount, (a, b, p) => {
        const asked = mix(100, 82, { extras: [powder] })
        const inCup = { A: a * gram, B: b * gram, bronze: p * gram }
        const { add } = checkCup(asked, inCup, 1)
        const after = { ...inCup } as Record<string, number>
        for (const { what, mass } of add) {
          expect(mass).toBeGreaterThan(0)
          after[what] += mass
        }
        if (after.A > 1e-6) {
          expect(after.A / after.B / (100 / 82)).toBeCloseTo(1, 3)
          expect(after.bronze / (after.A + after.B) / 2).toBeCloseTo(1, 3)
        }
      }),
    )
  })
})

describe('less than the scale shows', () => {
  it('0.05 g on a scale of 0.1 g: thinned 1 to 10, of which 0.5 g are used (arithmetic)', () => {
    const found = masterBatch(0.05 * gram, 0.1 * gram)!
    expect(found.times).toBe(1)
    expect(found.use / gram).toBeCloseTo(0.5, 9)
    expect(found.carrierUsed / gram).toBeCloseTo(0.45, 9)
    expect(found.active / gram).toBeCloseTo(0.5, 9)
    expect(found.carrier / gram).toBeCloseTo(4.5, 9)
  })

  it('ten times less is thinned twice; enough needs nothing', () => {
    expect(masterBatch(0.005 * gram, 0.1 * gram)!.times).toBe(2)
    expect(masterBatch(0.6 * gram, 0.1 * gram)).toBeUndefined()
    expect(masterBatch(0, 0.1 * gram)).toBeUndefined()
  })
})

describe('drops', () => {
  it('20 drops of 0.6 g are 0.03 g each; 0.19 g are 6 of them (arithmetic)', () => {
    const drop = dropWeight([{ count: 20, mass: 0.6 * gram }])!
    expect(drop.mass / gram).toBeCloseTo(0.03, 9)
    expect(dropsFor(0.19 * gram, drop)).toEqual({ drops: 6, off: expect.closeTo(-0.0526, 3) })
  })

  it('every count of a bottle is learned from, and how far they lie apart is said', () => {
    const drop = dropWeight([
      { count: 10, mass: 0.3 * gram },
      { count: 30, mass: 0.96 * gram },
    ])!
    expect(drop.mass / gram).toBeCloseTo(1.26 / 40, 9)
    expect(drop.spread).toBeCloseTo((0.032 - 0.03) / 0.0315, 6)
    expect(dropWeight([])).toBeUndefined()
  })
})

import { converter, differenceCiede2000, parse } from 'culori'
import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { violet } from '../material/samples.ts'
import type { Tint } from '../material/index.ts'
import { bandCount, even, toLinear, type Rgb } from './bands.ts'
import { flux, over, ratioOf, reflectanceOf } from './flux.ts'
import { lowestSeen, tintLadder } from './ladder.ts'
import { passes, seenThrough } from './look.ts'
import { bodyMatter, matterOf, mixed, tintMatter } from './matter.ts'
import { solveTints } from './solve.ts'
import { spectrumOf } from './spectrum.ts'
import { hexOf, linearOf } from './hex.ts'
import { deltaE, labOf } from './lab.ts'

const white = even(1)
const clear = { k: even(0), s: even(0) }
const tint = (colour: string, more: Partial<Tint> = {}): Tint => ({ ...violet, colour, ...more })
const channel = fc.double({ min: 0.02, max: 0.95, noNaN: true })
const rgb = fc.tuple(channel, channel, channel)
const hex = fc
  .tuple(...[0, 1, 2].map(() => fc.integer({ min: 0, max: 255 })))
  .map((parts) => `#${parts.map((x) => x.toString(16).padStart(2, '0')).join('')}`)

describe('bands', () => {
  it('all of every band is white, none is black', () => {
    expect(toLinear(white).map((x) => x.toFixed(12))).toEqual([
      '1.000000000000',
      '1.000000000000',
      '1.000000000000',
    ])
    expect(toLinear(even(0))).toEqual([0, 0, 0])
  })

  it('a colour comes back from the smooth spectrum it is reckoned in (ΔE2000 under 0.05)', () => {
    fc.assert(
      fc.property(rgb, (colour) => {
        const spectrum = spectrumOf(colour)
        expect(Math.min(...spectrum)).toBeGreaterThan(0)
        expect(Math.max(...spectrum)).toBeLessThan(1)
        expect(deltaE(toLinear(spectrum), colour)).toBeLessThan(0.05)
      }),
    )
  })
})

// Reference library: culori.
describe('conversions and ΔE2000 equal culori', () => {
  it('hex to linear light and Lab, and back', () => {
    const [lrgb, lab] = [converter('lrgb'), converter('lab65')]
    fc.assert(
      fc.property(hex, hex, (one, other) => {
        const own = linearOf(one)
        const { r, g, b } = lrgb(parse(one))!
        expect(own).toEqual([r, g, b])
        const { l, a, b: bb } = labOf(own)
        const theirs = lab(parse(one))!
        ;[theirs.l - l, theirs.a - a, theirs.b - bb].forEach((off) => expect(off).toBeCloseTo(0, 9))
        expect(hexOf(own)).toBe(one)
        const reference = differenceCiede2000()(parse(one)!, parse(other)!)
        expect(deltaE(own, linearOf(other))).toBeCloseTo(reference, 6)
      }),
    )
  })

  // Sharma, Wu, Dalal 2005, pair 1: 2.0425.
  it('and the first published pair of Sharma and others', () => {
    const [one, other] = [
      { mode: 'lab65', l: 50, a: 2.6772, b: -79.7751 },
      { mode: 'lab65', l: 50, a: 0, b: -82.7485 },
    ] as const
    expect(differenceCiede2000()(one, other)).toBeCloseTo(2.0425, 4)
  })
})

describe('two fluxes (Kubelka & Munk 1931)', () => {
  it('K/S of a half is a quarter, and K/S of 1 reflects 0.2679', () => {
    expect(ratioOf(0.5)).toBe(0.25)
    expect(reflectanceOf(1)).toBeCloseTo(0.2679, 4)
  })

  it('a layer too deep to see through shows its own reflectance over any ground', () => {
    for (const ground of [0, 1]) expect(over(flux(100, 100, 1), ground)).toBeCloseTo(0.2679, 4)
  })

  it('depth doubled squares what passes in each band (Beer–Lambert)', () => {
    fc.assert(
      fc.property(rgb, fc.double({ min: 1e-4, max: 0.05, noNaN: true }), (colour, depth) => {
        const matter = { k: spectrumOf(colour).map((x) => -Math.log(x) / 0.01), s: even(0) }
        const [once, twice] = [depth, 2 * depth].map((depth) => passes([{ matter, depth }]))
        once.forEach((share, band) => expect(twice[band]).toBeCloseTo(share * share, 12))
      }),
    )
  })

  it('two layers are the one that both make, and never send back more than came', () => {
    const positive = fc.double({ min: 0, max: 2000, noNaN: true })
    fc.assert(
      fc.property(
        positive,
        positive,
        fc.double({ min: 0, max: 1, noNaN: true }),
        (k, s, ground) => {
          const whole = over(flux(k, s, 0.004), ground)
          const halves = over(flux(k, s, 0.002), over(flux(k, s, 0.002), ground))
          expect(halves).toBeCloseTo(whole, 7)
          const { back, through } = flux(k, s, 0.004)
          expect(back + through).toBeLessThanOrEqual(1 + 1e-12)
        },
      ),
    )
  })
})

describe('three clear layers', () => {
  it('pass the product of the three (Beer–Lambert, 1e-6)', () => {
    const layers = ['#7b4fa3', '#24508c', '#e8a838'].map((colour, i) => ({
      matter: matterOf(tint(colour)),
      depth: 1e-5 * (i + 1),
    }))
    const one = layers.map((layer) => passes([layer]))
    passes(layers).forEach((share, band) =>
      expect(Math.abs(share - one[0][band] * one[1][band] * one[2][band])).toBeLessThan(1e-6),
    )
  })
})

describe('a measured swatch', () => {
  const forms = ['dye', 'paste', 'mica', 'glitter', 'glow', 'powder'] as const
  it.each(forms)('of a %s shows itself again, under ΔE 1', (form) => {
    fc.assert(
      fc.property(rgb, fc.double({ min: 0.1, max: 1, noNaN: true }), (colour, share) => {
        const swatch = { id: 'a', colour: hexOf(colour), dose: 0.03 * share, depth: 0.004 }
        const made = tint('#000000', { form, limit: 0.03, swatches: [swatch] })
        const matter = mixed(clear, [{ matter: tintMatter(made), dose: swatch.dose }])
        expect(deltaE(seenThrough([{ matter, depth: 0.004 }], white), colour)).toBeLessThan(1)
      }),
      { numRuns: 12 },
    )
  })

  it('of a paste covers from its hiding depth on and not before', () => {
    const paste = tint('#4a4d52', { form: 'paste', limit: 0.03, hides: 0.002 })
    const shows = (depth: number, ground: number) => {
      const matter = mixed(clear, [{ matter: tintMatter(paste), dose: 0.03 }])
      return labOf(seenThrough([{ matter, depth }], even(ground))).l
    }
    expect(shows(0.002, 1) - shows(0.002, 0)).toBeLessThan(1)
    expect(shows(0.0005, 1) - shows(0.0005, 0)).toBeGreaterThan(5)
  })
})

describe('bodies', () => {
  it('water clear is hardly seen at 10 mm, white covers at 3 mm', () => {
    const looks = (body: 'water clear' | 'white', depth: number, ground = 1) =>
      seenThrough([{ matter: bodyMatter({ body, class: 'coating epoxy' }), depth }], even(ground))
    expect(deltaE(looks('water clear', 0.01), [1, 1, 1])).toBeLessThan(2)
    expect(deltaE(looks('white', 0.003, 0), looks('white', 0.003, 1))).toBeLessThan(2)
  })
})

describe('a wished colour', () => {
  const onHand = [
    ['violet', '#7b4fa3'],
    ['blue', '#24508c'],
    ['amber', '#d99a2b'],
    ['rose', '#c2456a'],
  ].map(([id, colour]) => ({ id, matter: matterOf(tint(colour)), limit: 0.005 }))
  const body = bodyMatter({ class: 'coating epoxy' })
  const show = (doses: number[], depth = 0.006): Rgb =>
    seenThrough(
      [
        {
          matter: mixed(
            body,
            doses.map((dose, i) => ({ matter: onHand[i].matter, dose })),
          ),
          depth,
        },
      ],
      white,
    )

  it('finds a recipe of three tints again, doses within 2 %, ΔE2000 under 1', () => {
    const known = [0.0006, 0.0002, 0.0009]
    const wish = { colour: show(known), body, depth: 0.006, ground: white }
    const { doses, off } = solveTints(wish, onHand.slice(0, 3))
    expect(off).toBeLessThan(1)
    expect(doses.map(({ id }) => id)).toEqual(['violet', 'blue', 'amber'])
    doses.forEach(({ dose }, i) => expect(Math.abs(dose / known[i] - 1)).toBeLessThan(0.02))
  })

  it('takes one tint where one is enough', () => {
    const wish = { colour: show([0, 0.0004]), body, depth: 0.006, ground: white }
    const { doses } = solveTints(wish, onHand)
    expect(doses).toEqual([{ id: 'blue', dose: expect.closeTo(0.0004, 6) }])
  })

  // Black is mixed from a black paste; dyes that together swallow all light are a waste and stain
  // (common practice, no source).
  it.each(['#000000', '#0a0a0c', '#161616'])(
    'takes a black paste for %s, not three dyes',
    (colour) => {
      const paste = { ...tint('#101010'), form: 'paste' as const }
      const black = { id: 'black paste', matter: matterOf(paste), limit: 0.02 }
      const wish = { colour: linearOf(colour), body, depth: 0.006, ground: white }
      const { doses, off } = solveTints(wish, [...onHand, black])
      expect(doses.map(({ id }) => id)).toEqual(['black paste'])
      expect(off).toBeLessThan(6)
    },
  )

  it('that nothing reaches gets the nearest, within every limit, and how far off it is', () => {
    const wish = { colour: linearOf('#00ff40'), body, depth: 0.006, ground: white }
    const { doses, off } = solveTints(wish, onHand)
    expect(off).toBeGreaterThan(10)
    for (const { dose } of doses) expect(dose).toBeLessThanOrEqual(0.005)
  })
})

describe('a ladder of chips', () => {
  it('doubles from chip to chip up to the limit, and darkens', () => {
    const chips = tintLadder(violet, clear, { chips: 5, resin: 0.005, depth: 0.005 })
    expect(chips.map(({ dose }) => dose)).toEqual([1, 2, 4, 8, 16].map((x) => (x * 0.005) / 16))
    const lightness = chips.map(({ expected }) => labOf(linearOf(expected)).l)
    expect([...lightness].sort((a, b) => b - a)).toEqual(lightness)
    expect(chips[4].tint).toBeCloseTo(25e-6, 12)
  })

  it('the lowest dose that is seen is higher where a layer is thinner', () => {
    const [thin, thick] = [0.001, 0.01].map((depth) => lowestSeen(violet, clear, depth)!)
    expect(thin / thick).toBeGreaterThan(5)
    expect(lowestSeen(violet, clear, 1e-6)).toBeUndefined()
  })
})

it('light is reckoned in at least eight bands', () => expect(bandCount).toBeGreaterThanOrEqual(8))

import { describe, expect, it } from 'vitest'
import { sayBand, sayBestWay } from '@mivro/words/air'
import { calibrate, gelOf, learn, thickeningOf } from '../cure/index.ts'
import { sheets } from '../cure/samples.ts'
import { parseQuantity } from '../../base/units/index.ts'
import { readDocument } from '../../base/document/index.ts'
import { problemsOf } from '../../base/problem/index.ts'
import { insideOf, potSchema, usualAirPot, usualVessel, vesselSchema } from './equipment.ts'
import { ownWayFor } from './handling.ts'
import { airInEpoxy, airInUrethane } from './gas.ts'
import { dampIn, drawnIn, poresGive, stirring } from './population.ts'
import { bubblesAt, compareWays, type LayerBubbles } from './ways.ts'
import { bestWay, waysOfPiece } from './waysOfPiece.ts'

const tools = { pot: usualAirPot, vessel: usualVessel }
function layer(name: keyof typeof sheets, pouredAt: number, poursUntil: number): LayerBubbles {
  const { law } = learn(calibrate(sheets[name]), sheets[name])
  return {
    thickening: thickeningOf(law, 296.15),
    density: 1100,
    gas: sheets[name].class.includes('epoxy') ? airInEpoxy : airInUrethane,
    volume: 50e-6,
    mixed: 60e-6,
    cup: 400e-6,
    depth: 0.025,
    ceiling: 0,
    pouredAt,
    poursUntil,
    hardAt: 3 * gelOf(law, 296.15),
    stirred: stirring.usual,
    drawn: drawnIn,
    grown: [],
    handling: { remedies: [] },
    seenFrom: 1e-4,
    samples: 500,
    seed: 1,
  }
}
const piece = (of: LayerBubbles, own = tools, opaque = false) =>
  waysOfPiece([{ results: compareWays(of, own), opaque, poursUntil: of.poursUntil }])

describe('the way against bubbles', () => {
  // Facts of the trade: slow thin resins clear themselves if they are shallow.
  it('of a slow thin epoxy, open and shallow, is neither, and the reason is said', () => {
    const found = piece(layer('deep', 300, 3600))
    expect(bestWay(found)!.way).toBe('none')
    expect(sayBestWay(bestWay(found)!, found)).toContain('clears itself')
  })

  // Facts of the trade: fast ones do not; with minutes to spare vacuum eats the pot life.
  it('of a fast urethane is pressure; its vacuum would outlast the pour', () => {
    const found = piece(layer('fast', 60, 140))
    const of = Object.fromEntries(found.map((one) => [one.way, one]))
    expect(of.vacuum.hindrance).toBe('no longer pours')
    expect(of.both.hindrance).toBe('no longer pours')
    expect(bestWay(found)!.way).toBe('pressure')
    expect(of.pressure.seen[0]).toBeLessThan(of.none.seen[0] / 5)
    expect(sayBestWay(bestWay(found)!, found)).toMatch(/^Pressure until it is hard: .* instead of/)
  })

  it('that nobody owns is hindered, and what the hands can do is said', () => {
    const found = piece(layer('fast', 60, 140), {} as typeof tools)
    expect(found.map(({ hindrance }) => hindrance)).toEqual([
      undefined,
      'no vessel',
      'no pot',
      'no vessel',
    ])
    expect(sayBestWay(bestWay(found)!, found)).toContain('no pressure pot in Equipment')
  })

  // Facts of the trade: it swells three to four times, so a batch is a fifth of its vessel at most.
  it('in a vessel that it would froth over is not vacuum', () => {
    const of = (mixed: number) =>
      piece({ ...layer('deep', 300, 3600), mixed }).find(({ way }) => way === 'vacuum')!
    expect(of(0.2 * insideOf(usualVessel)).hindrance).toBeUndefined()
    expect(of(0.25 * insideOf(usualVessel)).hindrance).toBe('froths over')
  })

  it('of an opaque layer counts only its skin', () => {
    const [clear] = piece(layer('fast', 60, 140))
    const [opaque] = piece(layer('fast', 60, 140), tools, true)
    expect(opaque.seen).toEqual(opaque.pits)
    expect(clear.seen[0]).toBeGreaterThan(opaque.seen[0])
  })

  // Facts of the trade: what is porous feeds bubbles for hours; it is dried and sealed.
  it('of a slow epoxy with a porous charm is no longer neither', () => {
    const charm = { share: poresGive.share * 0.02, median: poresGive.median }
    const found = piece({ ...layer('deep', 300, 3600), grown: [charm] })
    expect(found[0].seen[0]).toBeGreaterThan(3)
    expect(bestWay(found)!.way).not.toBe('none')
  })

  it('of a urethane in damp air foams, whatever is done', () => {
    const dry = piece(layer('fast', 60, 140))
    const wet = piece({ ...layer('fast', 60, 140), grown: [dampIn(0.85)] })
    wet.forEach(({ seen }, i) => expect(seen[1]).toBeGreaterThan(dry[i].seen[1]))
  })

  it('hands leave their share of what would stay', () => {
    const of = { ...layer('fast', 60, 140), ceiling: 1 }
    const [plain] = piece(of)
    const [rocked] = piece({ ...of, handling: { remedies: [{ what: 'rock', left: 0.5 }] } })
    expect(rocked.seen[0]).toBeCloseTo(0.5 * plain.seen[0], 6)
    const [first] = piece({ ...of, handling: { remedies: [{ what: 'prefill' }] } })
    expect(first.pits[0]).toBeLessThan(plain.pits[0])
    expect(first.seen[0] - first.pits[0]).toBeCloseTo(plain.seen[0] - plain.pits[0], 6)
  })

  it("one's own: pressure after the gel is useless, let go before it is hard it does harm", () => {
    const of = layer('fast', 60, 140)
    const own = (from: number, until: number) => {
      const pressure = { from, until, gauge: 4.1e5 }
      return piece({ ...of, handling: { remedies: [], own: { pressure } } }).at(-1)!
    }
    const none = piece(of)[0]
    const late = own(of.hardAt, 2 * of.hardAt)
    expect(late.fault).toBe('pressure after the gel')
    expect(late.seen).toEqual(none.seen)
    const early = own(80, 200)
    expect(early.fault).toBe('let go before hard')
    expect(early.seen[1]).toBeGreaterThan(none.seen[1])
    expect(own(80, of.hardAt).fault).toBeUndefined()
    const { from, until } = ownWayFor({ gel: 300, hardAt: of.hardAt }, 2.8e5).pressure!
    expect(own(from, until).fault).toBeUndefined()
    expect(bestWay(piece({ ...of, handling: { remedies: [], own: {} } }))!.way).not.toBe('own')
  })

  it('bubbles are fewer from moment to moment, and at the gel those that stay', () => {
    const of = layer('fast', 60, 140)
    const gel = of.thickening.time.at(-1)!
    const count = (at: number) => bubblesAt('none', of, tools, at).length
    const along = [0, 0.1, 0.3, 0.6, 1].map((share) => count(of.pouredAt + share * gel))
    along.slice(1).forEach((now, i) => expect(now).toBeLessThanOrEqual(along[i]))
    expect(along[0]).toBeGreaterThan(along.at(-1)!)
    expect(along.at(-1)).toBe(compareWays(of, tools)[0].likely.stay.length)
  })

  it('is the same for the same seed', () => {
    expect(compareWays(layer('clear', 120, 400), tools)).toEqual(
      compareWays(layer('clear', 120, 400), tools),
    )
  })
})

describe('pots and vessels', () => {
  it('a pot is never used over its mark', () => {
    expect(() => readDocument(potSchema, usualAirPot)).not.toThrow()
    try {
      readDocument(potSchema, { ...usualAirPot, gauge: usualAirPot.marked + 1000 })
      expect.unreachable()
    } catch (error) {
      expect(problemsOf(error)[0]).toMatchObject({ code: 'pressure-over-mark', path: 'gauge' })
    }
    // 60 psi in a pot that is marked 60 psi, whatever unit either is typed in.
    const full = { ...usualAirPot, gauge: parseQuantity('60 psi', 'pressure') }
    expect(() => readDocument(potSchema, full)).not.toThrow()
  })

  it('a vacuum deeper than there is air is refused', () => {
    expect(() => readDocument(vesselSchema, { ...usualVessel, gauge: -110_000 })).toThrow()
  })

  it('a vacuum that a leak never lets the pump reach is refused, and how far it gets is said', () => {
    const leaky = { ...usualVessel, leak: 60_000, gauge: -99_000 }
    try {
      readDocument(vesselSchema, leaky)
      expect.unreachable()
    } catch (error) {
      expect(problemsOf(error)[0]).toMatchObject({ code: 'vacuum-over-pump', path: 'gauge' })
    }
  })
})

describe('a band of counts', () => {
  it.each([
    [[0, 117], '0 to 120'],
    [[272.4, 280.2], '270 to 280'],
    [[0.2, 0.4], '0'],
    [[4, 4], '4'],
  ] as const)('%j', (band, words) => {
    expect(sayBand(band)).toBe(words)
  })
})

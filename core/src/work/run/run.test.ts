import { describe, expect, it } from 'vitest'
import { closingTime, underPressureBy, usualAirPot, usualVessel } from '../../matter/air/index.ts'
import { sheets } from '../../matter/cure/samples.ts'
import { readDocument } from '../../base/document/index.ts'
import { compileRun, type RunBench } from './compile.ts'
import { usualHands } from './hands.ts'
import type { RunPour } from './needs.ts'
import { gelOfMix, inRoom, waitInRoom } from './limits.ts'
import { loadMemory, planLoad, type PotRoom } from './load.ts'
import { nextMoulds } from './moulds.ts'
import { newRun, runSchema, type Run } from './run.ts'
import { offersOf } from './offers.ts'
import { keycap, lawOf } from './samples.ts'

const celsius = (degrees: number) => degrees + 273.15
const bench: RunBench = {
  hands: usualHands,
  tools: { pot: usualAirPot, vessel: usualVessel },
  largestCup: 1e-3,
}
const run = (more: Partial<Run> = {}): Run => ({ ...newRun('Keycaps'), ...more })
const codes = (of: Run, pours: RunPour[], with_ = bench) =>
  compileRun(of, pours, with_).cautions.map(({ code }) => code)

describe('how many moulds one mix fills', () => {
  // Facts of the trade: about half the pot life for every 10 °C; a cooler room buys time.
  it('more in a cool room, fewer in a warm one', () => {
    const at = (degrees: number) =>
      compileRun(run({ room: celsius(degrees) }), [keycap()], bench).perMix
    expect(at(16)).toBeGreaterThan(at(21))
    expect(at(28)).toBeLessThan(at(21))
    expect(at(28)).toBeGreaterThan(0)
  })

  it.each([
    [16, 'none'],
    [21, 'none'],
    [28, 'none'],
    [16, 'pressure'],
    [21, 'pressure'],
  ] as const)(
    'none is poured when it no longer pours, nor shut in too late: %d °C, %s',
    (degrees, way) => {
      const of = run({ room: celsius(degrees), way })
      const found = compileRun(of, [keycap()], bench)
      expect(found.casts).toBe(14)
      expect(found.loads.flatMap(({ moulds }) => moulds).length).toBe(14)
      for (const { mixes, atPressure } of found.loads) {
        for (const mix of mixes) {
          expect(mix.poured).toBeLessThanOrEqual(mix.cup.poursUntil)
          if (way === 'none') continue
          expect(atPressure! - mix.begins).toBeLessThanOrEqual(underPressureBy * gelOfMix(mix, of))
        }
      }
    },
  )

  it('in a hot room the pot is not shut in time even for one, and by how much is said', () => {
    const found = compileRun(run({ room: celsius(28), way: 'pressure' }), [keycap()], bench)
    expect(found.loads).toEqual([])
    const { code, amounts } = found.cautions[0]
    expect(code).toBe('run-too-slow')
    const { by, needs, has } = amounts as { by: string; needs: number; has: number }
    expect(by).toBe('lid')
    // Stirred 30, filled 20, rocked, 12 into the pot, and the pot itself; banded before the mix.
    expect(needs).toBeCloseTo(30 + 20 + 10 + 12 + closingTime(usualAirPot), 6)
    expect(has).toBeLessThan(needs)
  })

  // By hand: stir 30, then 30 s a mould with its rocking; the first that would leave less than a
  // tenth of the pot life goes into the next mix.
  it('as many as there are half minutes in nine tenths of the pot life', () => {
    const found = compileRun(run(), [keycap()], bench)
    const { cup, moulds, tasks } = found.loads[0].mixes[0]
    const stirred = tasks.find(({ what }) => what === 'stir')!.until
    const each = usualHands.fill + usualHands.rock
    const byHand = 1 + Math.floor((0.9 * cup.poursUntil - stirred - usualHands.fill) / each)
    expect(moulds.length).toBe(byHand)
  })

  it('a second pair rocks what the first has filled: a mould every 20 s instead of 30', () => {
    const mix = (hands: number) => compileRun(run({ hands }), [keycap()], bench).loads[0].mixes[0]
    const { cup, moulds, tasks } = mix(2)
    const stirred = tasks.find(({ what }) => what === 'stir')!.until
    const byHand = Math.floor((0.9 * cup.poursUntil - stirred) / usualHands.fill)
    expect(moulds.length).toBe(byHand)
    expect(moulds.length).toBeGreaterThan(mix(1).moulds.length)
    expect(tasks.filter(({ what }) => what === 'rock').every(({ by }) => by === 1)).toBe(true)
  })

  it('never more than the person wants', () => {
    expect(compileRun(run({ perMix: 2 }), [keycap()], bench).perMix).toBe(2)
  })

  it('chilled parts buy time, a second pair of hands shuts the pot sooner', () => {
    const with_ = (more: Partial<Run>) => compileRun(run(more), [keycap()], bench)
    expect(with_({ parts: celsius(10) }).perMix).toBeGreaterThan(with_({}).perMix)
    const cool = { way: 'pressure', room: celsius(16), perMix: 2 } as const
    const [alone, two] = [with_(cool).loads[0], with_({ ...cool, hands: 2 }).loads[0]]
    expect(two.moulds.length).toBe(alone.moulds.length)
    expect(two.atPressure).toBeLessThan(alone.atPressure!)
  })

  it('all that were filled are in the pot before its lid, and it is shut as long as it takes', () => {
    const [load] = compileRun(run({ way: 'pressure' }), [keycap()], bench).loads
    const last = Math.max(...load.mixes.map(({ begins, done }) => begins + done))
    expect(load.lid).toBeCloseTo(last + usualAirPot.lid, 9)
    expect(load.atPressure).toBeCloseTo(last + closingTime(usualAirPot), 9)
  })

  it('the narrow mould is filled first, whatever the order of the list, unless a hand says so', () => {
    const wide = keycap({ id: 'wide', name: 'Wide', bore: 10e-3, casts: 2, moulds: 2 })
    const narrow = keycap({ id: 'narrow', name: 'Narrow', bore: 3e-3, casts: 2, moulds: 2 })
    const order = (of: Run) =>
      compileRun(of, [wide, narrow], bench).loads[0].moulds.map(({ key }) => key)
    expect(order(run())).toEqual(['narrow/1', 'narrow/2', 'wide/1', 'wide/2'])
    expect(order(run({ order: ['wide/2', 'narrow/1'] })).slice(0, 2)).toEqual([
      'wide/2',
      'narrow/1',
    ])
  })

  it('a slow resin fills all of them at once', () => {
    const found = compileRun(run(), [keycap({}, sheets.deep)], bench)
    expect(found.mixes).toBe(1)
    expect(found.perMix).toBe(14)
  })
})

describe('loads and days', () => {
  // Facts of the trade: a pot that takes one mould, two pulls a day: 14 pieces take 7 days.
  it('a pot of one mould and two pulls a day takes 7 days for 14', () => {
    const pot = { ...usualAirPot, diameter: 0.07, height: 0.1 }
    const found = compileRun(run({ way: 'pressure', loadsPerDay: 2 }), [keycap()], {
      ...bench,
      tools: { pot },
    })
    expect(found.loads.every(({ moulds }) => moulds.length === 1)).toBe(true)
    expect(found.loads.length).toBe(14)
    expect(found.days).toBe(7)
  })

  it('fourteen of four moulds with two cavities are two loads: eight and six', () => {
    const found = compileRun(run(), [keycap({ cavities: 2, moulds: 4 })], bench)
    expect(
      found.loads.map(({ moulds }) => moulds.reduce((sum, { casts }) => sum + casts, 0)),
    ).toEqual([8, 6])
    expect(found.casts).toBe(14)
    const [first, second] = found.loads
    // The second waits until the first is out and its moulds are closed again.
    expect(second.at).toBeGreaterThanOrEqual(first.at + first.out)
  })

  it('all that hands do lies within the hours of the bench, over midnight too', () => {
    const windows = [{ from: 22 * 3600, until: 1 * 3600 }]
    const found = compileRun(run({ windows, begin: 9 * 3600 }), [keycap({ moulds: 2 })], bench)
    for (const { at, handsOn, outside } of found.loads) {
      expect(outside).toBe(false)
      const hour = ((((at + handsOn) / 3600) % 24) + 24) % 24
      expect(hour >= 22 || hour <= 1).toBe(true)
    }
    expect(found.days).toBeGreaterThan(1)
  })

  it('layers follow when their joins want them, in the same moulds', () => {
    const one = keycap({ casts: 4, moulds: 4 })
    const [layer] = one.layers
    const found = compileRun(
      run(),
      [{ ...one, layers: [layer, { ...layer, name: 'Cover', wait: 900 }] }],
      bench,
    )
    const [base, cover] = found.loads[0].mixes
    expect(base.layer).toBe(0)
    expect(cover.layer).toBe(1)
    expect(cover.begins - base.begins).toBeGreaterThanOrEqual(900)
    expect(cover.moulds).toEqual(base.moulds)
  })

  // A join is a thickness of the layer below, and a petal holds in a thickness: both come sooner
  // where it cures sooner. By the plan's room, 21 °C, they would come after the gel of 30 °C.
  it('joins and things set in keep to the room of the run, never after its gel', () => {
    const one = keycap({ casts: 4, moulds: 4 })
    const [layer] = one.layers
    const petal = { name: 'Petal', count: 1, how: 'with the pour' as const }
    const sets = [{ ...petal, from: 0.8 * layer.gel, until: layer.gel }]
    const layers = [
      { ...layer, sets },
      { ...layer, wait: 0.95 * layer.gel },
    ]
    for (const degrees of [16, 21, 26, 30]) {
      const room = { room: celsius(degrees) }
      const inIt = inRoom(layers[0], room)
      expect(inIt.sets[0].until).toBeCloseTo(inIt.gel, 6)
      expect(inIt.sets[0].from / inIt.gel).toBeCloseTo(0.8, 6)
      expect(waitInRoom(layers, 1, room) / inIt.gel).toBeCloseTo(0.95, 6)
    }
    expect(inRoom(layers[0], { room: celsius(30) }).gel).toBeLessThan(0.8 * layer.gel)
    const { mixes } = compileRun(run({ room: celsius(30) }), [{ ...one, layers }], bench).loads[0]
    const from = mixes[1].begins - mixes[0].begins
    expect(from).toBeLessThan(0.95 * layer.gel)
  })
})

describe('what cannot be done is said', () => {
  it('an empty run', () => {
    expect(codes(run(), [])).toEqual(['run-empty'])
  })

  it('hands slower than the pot life even for one mould: nothing is planned, and by how much is said', () => {
    const slow = keycap({ prefills: 20 })
    const found = compileRun(run({ room: celsius(30) }), [slow], bench)
    expect(found.loads).toEqual([])
    const [said] = found.cautions
    expect(said).toMatchObject({ code: 'run-too-slow', amounts: { by: 'pouring' } })
    const { needs, has } = said.amounts as { needs: number; has: number }
    expect(needs).toBeGreaterThan(has)
  })

  it('a mould that does not fit, a plan with stops, no layer, no pot', () => {
    const tall = keycap({ block: { width: 0.05, depth: 0.05, height: 0.5, round: false } })
    expect(codes(run({ way: 'pressure' }), [tall])).toContain('run-over-pot')
    expect(codes(run(), [keycap({ stops: 2 })])).toContain('run-piece-stops')
    expect(codes(run(), [keycap({ layers: [] })])).toContain('run-piece-unpoured')
    expect(codes(run({ way: 'pressure' }), [keycap()], { ...bench, tools: {} })).toContain(
      'run-no-tool',
    )
  })

  it('one that is too slow does not keep the others back', () => {
    const slow = keycap({ id: 'slow', name: 'Slow', prefills: 30, casts: 2 })
    const found = compileRun(run(), [slow, keycap({ casts: 3 })], bench)
    expect(found.casts).toBe(3)
    expect(found.cautions.map(({ code }) => code)).toContain('run-too-slow')
  })

  // Laid out in 5 min, and 10 s for each mould's boards and bands: tried every 5 min.
  it('a first mix that the hours of the bench move is said: 7 am becomes 08:10', () => {
    const early = compileRun(run({ begin: 7 * 3600 }), [keycap()], bench)
    expect(early.loads[0].closing).toBe(10 * early.loads[0].moulds.length)
    expect(early.loads[0].at).toBe(8 * 3600 + 600)
    const moved = early.cautions.find(({ code }) => code === 'run-begin-moved')
    expect(moved?.amounts).toEqual({ asked: 7 * 3600, at: 8 * 3600 + 600 })
    expect(moved?.place).toEqual({ field: 'begin' })
    expect(codes(run(), [keycap()])).not.toContain('run-begin-moved')
  })

  it('one cast of a tray of three weighs one, and sets in its things alone', () => {
    const tray = keycap({ cavities: 3, casts: 4, moulds: 2 })
    const [layer] = tray.layers
    const sets = [{ name: 'Petal', count: 6, how: 'with the pour', from: 0, until: 60 } as const]
    const of = { ...tray, layers: [{ ...layer, sets: [...sets] }] }
    const [mix] = compileRun(run(), [of], bench).loads[0].mixes
    expect(mix.moulds.map(({ casts }) => casts)).toEqual([3, 1])
    // Four cavities of a tray that holds three of them, with its reserve.
    expect(mix.volume).toBeCloseTo((4 / 3) * layer.volume * (1 + tray.reserve), 12)
    expect(mix.moulds.map(({ pour }) => pour.layers[0].sets[0].count)).toEqual([6, 2])
  })

  it('each cavity of a tray takes its own time to fill', () => {
    const tray = keycap({ cavities: 3, casts: 4, moulds: 2 })
    const [mix] = compileRun(run(), [tray], bench).loads[0].mixes
    const fills = mix.tasks.filter(({ what }) => what === 'fill')
    expect(fills.map(({ from, until }) => (until - from) / usualHands.fill)).toEqual([3, 1])
  })

  it('hours that never hold a load are told', () => {
    const windows = [{ from: 9 * 3600, until: 9 * 3600 + 900 }]
    expect(codes(run({ windows, layOut: 1800 }), [keycap()])).toContain('run-outside-hours')
  })

  // Once an equal mould found no place, no other is tried: before, each of 400 was, in every load.
  it('four hundred moulds of one size ask the pot no more often than one load of them', () => {
    const asked: number[] = []
    const room: PotRoom = (blocks) => {
      asked.push(blocks.length)
      return blocks.length <= 8
    }
    const moulds = nextMoulds([keycap({ casts: 400, moulds: 400 })], new Map([['keycap', 400]]), [])
    const of = { run: run({ way: 'pressure', room: celsius(14) }), pairs: 1, ...bench }
    const { load } = planLoad(moulds, of, { ...loadMemory(of), room })
    expect(load!.moulds.length).toBeGreaterThan(0)
    expect(asked).toEqual([1, 2, 3, 4, 5, 6, 7, 8, 9, 1])
  })

  // 350 kJ/kg over 2.0 kJ/kg K, a coating epoxy's: 175 K at most above the room (adiabatic limit).
  it('a cup of epoxy for many moulds is told to get hot when it is left, a small one is not', () => {
    const coaster = (millilitres: number): RunPour => {
      const [layer] = keycap({}, sheets.coating).layers
      const of = { ...layer, volume: millilitres * 1e-6, mass: millilitres * 1.1e-3 }
      return keycap(
        { id: 'coaster', casts: 4, moulds: 4, closed: false, layers: [of] },
        sheets.coating,
      )
    }
    const hot = (millilitres: number) =>
      compileRun(run({ way: 'none' }), [coaster(millilitres)], bench).cautions.find(
        ({ code }) => code === 'cup-runs-hot',
      )
    const { mass, peak } = hot(60)!.amounts as { mass: number; peak: number }
    expect(mass).toBeCloseTo(4 * 60 * 1.1e-3, 9)
    expect(peak).toBeGreaterThan(373)
    expect(peak).toBeLessThan(294.15 + 175)
    expect(hot(1)).toBeUndefined()
  })

  it('ten thousand of one mould are told to be too many for one run', () => {
    const found = compileRun(run(), [keycap({ casts: 10_000, moulds: 1 })], bench)
    expect(found.casts).toBe(400)
    expect(found.cautions.map(({ code }) => code)).toContain('run-too-long')
  })

  it('a window without length is refused', () => {
    const windows = [{ from: 9 * 3600, until: 9 * 3600 + 60 }]
    expect(() => readDocument(runSchema, run({ windows }))).toThrow()
  })
})

describe('what would change it', () => {
  const offered = (of: Run, pours: RunPour[]) =>
    offersOf(of, pours, bench, [
      { resin: { ...sheets.clear, name: 'Clear' }, law: lawOf(sheets.clear) },
    ])

  it('a slower resin, a cooler room, chilled parts: each with what it comes to', () => {
    const offers = offered(run(), [keycap()])
    const of = Object.fromEntries(offers.map((one) => [one.what, one]))
    expect(of['slower resin'].then.perMix).toBeGreaterThan(8)
    expect(of['cooler room'].run!.room).toBeCloseTo(celsius(16), 2)
    expect(compileRun(of['cooler room'].run!, [keycap()], bench).mixes).toBe(
      of['cooler room'].then.mixes,
    )
    expect(of['chilled parts'].then.mixes).toBeLessThan(compileRun(run(), [keycap()], bench).mixes)
  })

  it('what can not be done at all is made possible first', () => {
    const hot = run({ room: celsius(28), way: 'pressure' })
    expect(compileRun(hot, [keycap()], bench).casts).toBe(0)
    expect(offered(hot, [keycap()])[0].then.casts).toBe(14)
  })

  it('nothing is offered where nothing is gained', () => {
    expect(offered(run(), [keycap({ casts: 1, moulds: 1 })])).toEqual([])
  })
})

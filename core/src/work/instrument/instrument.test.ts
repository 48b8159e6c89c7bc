import { describe, expect, it } from 'vitest'
import { atmosphere, fillTime, pumpDown } from '../../matter/air/index.ts'
import { calibrate, runCup } from '../../matter/cure/index.ts'
import { sheets } from '../../matter/cure/samples.ts'
import { weightShares } from '../../matter/mix/index.ts'
import { readDocument } from '../../base/document/index.ts'
import { act, actSchema, type Act } from './act.ts'
import { advance, shifted } from './advance.ts'
import { lineOf, truthOf } from './lineOf.ts'
import { instrumentNames, instruments, lineSchema, readLine } from './reading.ts'
import { warmthOf } from './warmth.ts'
import { hear, newWatched, troubleOf, forget } from './watch.ts'
import { newWorld, worldSchema, type World } from './world.ts'

const g = 1e-3
const middle = () => 0.5
const all = (world: World, ...acts: (Act | number)[]) =>
  acts.reduce<World>(
    (now, one) => (typeof one === 'number' ? advance(now, one) : act(now, one)),
    world,
  )
const onScale = all(newWorld(0), { do: 'put', cup: 'a' }, 3, { do: 'tare' })
const shown = (world: World, random = middle) => readLine(lineOf(world, 'scale', random)!).value / g

describe('a scale', () => {
  it('shows nothing of a tared cup, then what was poured, once it has settled', () => {
    expect(shown(onScale)).toBeCloseTo(0, 4)
    const poured = all(onScale, { do: 'pour', part: 'A', mass: 20 * g, flow: 10 * g }, 5)
    expect(shown(poured)).toBeCloseTo(20, 1)
    expect(lineOf(poured, 'scale', middle)!.steady).toBe(true)
  })

  it('that says steady shows what it will still show when it has settled, whatever its noise', () => {
    let world = all(onScale, { do: 'pour', part: 'A', mass: 5.9 * g, flow: 10 * g }, 0.1)
    while (!lineOf(world, 'scale', middle)!.steady) world = advance(world, 0.05)
    const shows = [0, 0.3, 1].map((noise) => shown(world, () => noise))
    expect(shows).toEqual([shown(advance(world, 5)), ...shows.slice(1)])
    expect(new Set(shows).size).toBe(1)
  })

  it('lags behind while it is poured, and says that it is not steady', () => {
    const pouring = all(onScale, { do: 'pour', part: 'A', mass: 20 * g, flow: 10 * g }, 1)
    expect(shown(pouring)).toBeLessThan(10)
    expect(lineOf(pouring, 'scale', middle)!.steady).toBe(false)
  })

  it('a tap that is shut lets nothing more run', () => {
    const shut = all(
      onScale,
      { do: 'pour', part: 'A', mass: 1, flow: 10 * g },
      2,
      { do: 'stop' },
      10,
    )
    expect(shown(shut)).toBeCloseTo(20, 0)
  })

  it('is noisy by no more than a step, and creeps a step in half an hour', () => {
    let seed = 7
    const random = () => (seed = (seed * 16807) % 2147483647) / 2147483647
    const values = Array.from({ length: 200 }, () => shown(onScale, random))
    expect(Math.max(...values) - Math.min(...values)).toBeLessThanOrEqual(0.21)
    expect(
      truthOf({ ...onScale, scale: { ...onScale.scale, crept: 1e-4 } }, 'scale') / g,
    ).toBeCloseTo(0.1, 3)
  })

  it('turns itself off, comes back with zero, and is over its capacity above it', () => {
    const asleep = advance(onScale, 300)
    expect(lineOf(asleep, 'scale', middle)).toMatchObject({ state: 'off' })
    expect(shown(all(asleep, { do: 'wake' }))).toBeCloseTo(0, 3)
    const heavy = all(onScale, { do: 'pour', part: 'A', mass: 3, flow: 1 }, 5)
    expect(lineOf(heavy, 'scale', middle)).toMatchObject({ state: 'over' })
  })

  it('has to have a cup on it before something is poured', () => {
    expect(() => act(newWorld(0), { do: 'pour', part: 'A', mass: g, flow: g })).toThrow(
      'scale-empty',
    )
  })
})

describe('a pot', () => {
  const shut = all(newWorld(0), { do: 'lid', to: 'shut' }, { do: 'valve', to: 'shut' })
  const filling = all(shut, { do: 'compressor', gauge: 2.8e5 })

  it('fills in V·Δp/flow: 12 l to 2.8 bar at 100 l/min, 20 s by hand', () => {
    const { volume, flow } = filling.pot
    const takes = fillTime(volume, 2.8e5, flow)
    expect(takes).toBeCloseTo(((12 * 2.8) / 1.01325 / 100) * 60, 1)
    expect(advance(filling, takes * 0.5).pot.pressure).toBeCloseTo(1.4e5, -3)
    expect(advance(filling, takes + 1).pot.pressure).toBeCloseTo(2.8e5, 0)
  })

  it('never over its mark: the relief valve opens', () => {
    const wild = all(shut, { do: 'compressor', gauge: 6e5 }, 200)
    expect(wild.pot.pressure).toBe(wild.pot.marked)
  })

  it('its lid is not opened under pressure; let off, it opens', () => {
    const full = advance(filling, 60)
    expect(() => act(full, { do: 'lid', to: 'open' })).toThrow('pot-under-pressure')
    const off = all(full, { do: 'valve', to: 'open' }, 60)
    expect(act(off, { do: 'lid', to: 'open' }).pot.lid).toBe('open')
  })

  it('a leaking lid loses what the compressor does not bring', () => {
    const full = all(filling, 60, { do: 'compressor', gauge: 0 })
    const leaking = all(full, { do: 'fail', instrument: 'pot gauge', how: 'leaking' }, 60)
    expect(leaking.pot.pressure).toBeCloseTo(2.8e5 / Math.E, -3)
    expect(advance(full, 60).pot.pressure).toBeCloseTo(2.8e5, 0)
  })
})

describe('a vacuum vessel', () => {
  it('is pumped down by V/S·ln(p0/p), and held up by its leak', () => {
    const pumping = all(newWorld(0), { do: 'inlet', to: 'shut' }, { do: 'pump', to: 'on' })
    const { volume, flow, leak } = pumping.vessel
    const to = 2e4
    const takes = pumpDown(volume, flow, to)
    expect(atmosphere + advance(pumping, takes).vessel.pressure).toBeCloseTo(to, -3)
    // At rest the leak over the pump's speed is left.
    expect(atmosphere + advance(pumping, 3600).vessel.pressure).toBeCloseTo(
      (leak * volume) / flow,
      0,
    )
  })
})

describe('a cup', () => {
  const { law } = calibrate(sheets.fast)
  const warm = (parts: Record<string, number>) =>
    warmthOf({ id: 'a', own: 0, parts }, sheets.fast, 294.15)
  const { a, b } = weightShares(sheets.fast.ratio, sheets.fast)
  const shares = { A: 0.1 * a, B: 0.1 * b }

  it('warms as its mix does: the peak of the cup model', () => {
    const { temperature } = warm(shares)!
    expect(Math.max(...temperature)).toBeCloseTo(runCup(law, { mass: 0.1, room: 294.15 }).peak, 0)
    expect(temperature.length).toBeLessThanOrEqual(162)
  })

  it('stays cold of one part alone, and cooler where parts do not match', () => {
    expect(warm({ A: 100 * g })).toBeUndefined()
    expect(Math.max(...warm({ A: 80 * g, B: 20 * g })!.temperature)).toBeLessThan(
      Math.max(...warm(shares)!.temperature) - 20,
    )
  })

  it('is what the probe in it shows once its parts have met', () => {
    const two = all(
      newWorld(0),
      { do: 'put', cup: 'a' },
      { do: 'pour', part: 'A', mass: 50 * g, flow: 1 },
      1,
      { do: 'put', cup: 'b' },
      { do: 'pour', part: 'B', mass: 50 * g, flow: 1 },
      1,
    )
    const met = act(two, { do: 'join', from: 'b', into: 'a' }, sheets.fast)
    expect(truthOf(met, 'cup thermometer')).toBeCloseTo(294.15, 2)
    expect(truthOf(advance(met, 240), 'cup thermometer')).toBeGreaterThan(310)
  })
})

it('by another clock nothing in the world gets older', () => {
  const met = act(
    all(
      newWorld(0),
      { do: 'put', cup: 'a' },
      { do: 'pour', part: 'A', mass: 0.05, flow: 1 },
      1,
      {
        do: 'pour',
        part: 'B',
        mass: 0.05,
        flow: 1,
      },
      1,
    ),
    { do: 'join', from: 'a', into: 'a' },
    sheets.fast,
  )
  const later = advance(met, 200)
  const back = shifted(later, -5000)
  expect(back.at).toBeCloseTo(later.at - 5000, 9)
  expect(truthOf(back, 'cup thermometer')).toBe(truthOf(later, 'cup thermometer'))
  expect(lineOf(back, 'scale', middle)).toEqual(lineOf(later, 'scale', middle))
})

describe('the protocol', () => {
  it.each(instrumentNames)('what the %s says is a line of it, and is understood', (instrument) => {
    const line = lineOf(newWorld(1000), instrument, middle)!
    expect(readDocument(lineSchema, line)).toEqual(line)
    expect(Number.isFinite(readLine(line).value)).toBe(true)
  })

  it('reads ounces, psi and Fahrenheit, and refuses what is no unit of it', () => {
    expect(readLine({ instrument: 'scale', value: 2, unit: 'oz' }).value / g).toBeCloseTo(56.699, 3)
    expect(readLine({ instrument: 'pot gauge', value: 40, unit: 'psi' }).value).toBeCloseTo(
      275790,
      0,
    )
    expect(readLine({ instrument: 'cup thermometer', value: 212, unit: '°F' }).value).toBeCloseTo(
      373.15,
      6,
    )
    expect(() => readLine({ instrument: 'scale', value: 2, unit: 'ml' })).toThrow('instrument-unit')
    expect(() => readLine({ instrument: 'level', value: 2, unit: 'mm' })).toThrow('instrument-unit')
  })

  it('the world is a document, and so is what is done to it', () => {
    expect(readDocument(worldSchema, onScale)).toEqual(onScale)
    expect(readDocument(actSchema, { do: 'pour', part: 'A', mass: 0.01 })).toMatchObject({
      flow: 0.01,
    })
  })

  it('each measures one quantity', () => {
    expect(Object.keys(instruments)).toEqual([...instrumentNames])
  })
})

describe('an instrument that fails', () => {
  const failing = (how: Extract<Act, { do: 'fail' }>['how'], instrument = 'scale' as const) =>
    act(onScale, { do: 'fail', instrument, how })
  const reading = (value: number, more = {}) => ({
    instrument: 'scale' as const,
    value,
    steady: true,
    state: 'works' as const,
    ...more,
  })

  it('gone: says nothing, and its silence is noticed', () => {
    expect(lineOf(failing('gone'), 'scale', middle)).toBeUndefined()
    const heard = hear(newWatched(), reading(0.01), 0)
    expect(troubleOf(heard, 3)).toBeUndefined()
    expect(troubleOf(heard, 5)).toBe('silent')
  })

  it('frozen: shows the same whatever is poured, which is trouble where something should move', () => {
    const frozen = all(failing('frozen'), { do: 'pour', part: 'A', mass: 20 * g, flow: 10 * g }, 5)
    expect(shown(frozen)).toBeCloseTo(shown(onScale), 6)
    let heard = hear(newWatched(), reading(0.01), 0)
    for (let i = 1; i < 200; i++) heard = hear(heard, reading(0.01), i / 10)
    expect(troubleOf(heard, 20)).toBeUndefined()
    expect(troubleOf(heard, 20, 12)).toBe('still')
  })

  it('jumping: to and fro by more than a hand pours', () => {
    let heard = newWatched()
    for (let i = 0; i < 20; i++) heard = hear(heard, reading(i % 2 ? 0.01 : 0.03), i / 10)
    expect(troubleOf(heard, 2)).toBe('jumping')
    let poured = newWatched()
    for (let i = 0; i < 40; i++) poured = hear(poured, reading(i * 1e-3), i / 10)
    expect(troubleOf(poured, 4)).toBeUndefined()
  })

  it('a weight that shrinks is noticed, until it is tared', () => {
    const full = hear(newWatched(), reading(0.02), 0)
    const less = hear(full, reading(0.015), 1)
    expect(troubleOf(less, 1)).toBe('shrinking')
    expect(less.falls).toBeCloseTo(0.005, 9)
    expect(troubleOf(forget(less), 1)).toBeUndefined()
  })

  it('what it showed while it jumped is no weight that fell', () => {
    let heard = newWatched()
    for (let i = 0; i < 20; i++) heard = hear(heard, reading(i % 2 ? 0.01 : 0.05), i / 10)
    for (let i = 0; i < 50; i++) heard = hear(heard, reading(0.01), 5 + i / 10)
    expect(troubleOf(heard, 10)).toBeUndefined()
  })

  it('in the wrong unit: the line is refused', () => {
    expect(() => readLine(lineOf(failing('wrong unit'), 'scale', middle)!)).toThrow(
      'instrument-unit',
    )
  })

  it('told to work again, it does', () => {
    const again = act(failing('frozen'), { do: 'fail', instrument: 'scale', how: null })
    expect(again.failing).toEqual({})
    expect(again.held).toEqual({})
  })
})

import { describe, expect, it } from 'vitest'
import { sayDeairing, sayFits, sayTakes } from '@mivro/words/equipment'
import { sayOffer, sayRunStep, saySpots } from '@mivro/words/run'
import {
  airInUrethane,
  deairing,
  deairingCup,
  largestDeaired,
  usualAirPot,
  usualVessel,
} from '../../matter/air/index.ts'
import { fillCurve } from '../../form/filling/index.ts'
import { ounceCups } from '../../matter/mix/index.ts'
import { whiteUrethane } from '../../matter/material/samples.ts'
import { blockOf, newMould } from '../../mould/index.ts'
import { compileBy, newPlan, pouredInto } from '../plan/index.ts'
import { sheetCure } from '../../matter/cure/index.ts'
import { sheets } from '../../matter/cure/samples.ts'
import { buildSolid } from '../../form/shape/index.ts'
import { section } from '../../form/filling/index.ts'
import { compileRun } from './compile.ts'
import { mixedFor } from './mix.ts'
import { usualHands } from './hands.ts'
import { lanesOf, ticksOf } from './lanes.ts'
import { moved } from '../../base/procedure/index.ts'
import { needsOf, sizeAs } from './needs.ts'
import { fitsInside, headroom, countPerPot } from './plates.ts'
import { newRun } from './run.ts'
import { newStudio, studioSchema } from '../../studio/index.ts'
import { readDocument } from '../../base/document/index.ts'
import { keycap, lawOf } from './samples.ts'
import { runSteps, staysOf, weighingOf } from './steps.ts'

const mm = 1e-3
const ml = 1e-6
const tools = { pot: usualAirPot, vessel: usualVessel }
const bench = { hands: usualHands, tools, largestCup: 1e-3 }
const pressed = { ...newRun('Keycaps'), way: 'pressure', room: 289.15 } as const

describe('a run as steps', () => {
  const { loads } = compileRun(pressed, [keycap({ casts: 3, prefills: 1, vents: 1 })], bench)
  const steps = runSteps(loads, pressed, tools)

  it('lays out, weighs every cup before the first is mixed, pours, shuts the pot, takes out', () => {
    const [first] = loads
    const own = steps.filter(({ load }) => load === first).map(({ step }) => step)
    expect(own[0]).toBe('lay out')
    expect(own.indexOf('mix')).toBeGreaterThan(own.lastIndexOf('weigh'))
    expect(own.slice(-3)).toEqual(['pressure', 'clean', 'demould'])
  })

  it('every line of safety stands once, the pot before its lid, the gloves before the first bottle', () => {
    const lines = steps.flatMap(({ safety }) => safety.map(({ id }) => id))
    expect(new Set(lines).size).toBe(lines.length)
    const at = (id: string) =>
      steps.findIndex(({ safety }) => safety.some((line) => line.id === id))
    expect(steps[at('gloves')].step).toBe('weigh')
    expect(steps[at('pressure')].step).toBe('pressure')
  })

  it('what is weighed fills its moulds', () => {
    for (const { mix, load, weighing } of steps.filter(({ step }) => step === 'weigh')) {
      expect(weighing!.total).toBeCloseTo(mix!.mass, 9)
      expect(weighing).toEqual(weighingOf(mix!, load))
    }
  })

  // Parts of a fast urethane that meet on the scale are hard before the last mould (common
  // practice, no source).
  it('a fast resin’s last part is weighed in a cup of its own, on paper and at the bench', () => {
    const { weighing } = steps.find(({ step }) => step === 'weigh')!
    const [a, b] = weighing!.steps
    expect(weighing!.apart).toBe(true)
    expect(b.reading).toBeCloseTo(b.mass, 4)
    expect(b.reading).toBeLessThan(a.reading + b.mass / 2)
  })

  it('every layer and all that is set in stands on it in its order, and in the calendar', () => {
    const slow = keycap({ casts: 2, moulds: 2 }, sheets.coating)
    const [layer] = slow.layers
    const petals = { name: 'Petal', count: 9, how: 'with the pour' as const }
    const stars = { name: 'Star', count: 2, how: 'on the gel' as const, from: 0, until: 60 }
    const layers = [
      { ...layer, sets: [{ ...petals, from: 0.8 * layer.gel, until: layer.gel }] },
      { ...layer, name: 'Cover', wait: 1.2 * layer.gel, sets: [stars] },
    ]
    const open = { ...newRun('Coasters'), room: layer.room }
    const found = compileRun(open, [{ ...slow, closed: false, bands: 0, layers }], bench)
    const all = runSteps(found.loads, open, tools)
    const order = all.map(({ step, set }) => (set ? `${set.count} ${set.name}` : step))
    expect(order).toEqual([
      'lay out',
      ...['weigh', 'mix', 'fill', '18 Petal'],
      ...['4 Star', 'weigh', 'mix', 'fill'],
      ...['clean', 'demould'],
    ])
    const set = all.find((one) => one.set?.name === 'Petal')!
    expect(set.at! / layer.gel).toBeCloseTo(0.8, 6)
    expect(set.set!.until / layer.gel).toBeCloseTo(1, 6)
    const stays = staysOf(all).map(({ step }) => step)
    expect(stays).toEqual(['lay out', 'set', 'set', 'mix', 'demould'])
    // What follows within minutes is no stay of its own.
    expect(staysOf(steps).map(({ step }) => step)).toEqual(
      loads.flatMap(() => ['lay out', 'demould']),
    )
  })

  it('in cups that are sold where the person is', () => {
    const weighed = runSteps(loads, pressed, tools, ounceCups).find(({ step }) => step === 'weigh')!
    expect(ounceCups).toContain(weighed.weighing!.cupSize)
  })

  it('says where dabs go, how long resin stands in the vents, what is held until when', () => {
    const said = (step: string) =>
      steps
        .filter((one) => one.step === step)
        .map((one) => sayRunStep(one, pressed, { gauge: 2.8e5 }))[0]
    expect(said('prefill')).toContain('still open, a dab of about 0.10 ml into each tight place')
    // Bands are on the clock of the cup that prefills: 10 s for each of the first two moulds.
    expect(said('close')).toMatch(/close what is prefilled.* takes 20 s of the/)
    expect(said('fill')).toContain('every vent for 5 to 10 s')
    expect(said('pressure')).toContain('to 2.8 bar')
    expect(said('pressure')).toContain('never open it under pressure')
    expect(said('lay out')).toContain('the pot open, its valve shut')
  })
})

describe('a load on the clock', () => {
  const [load] = compileRun(pressed, [keycap({ casts: 2 })], bench).loads
  const lanes = lanesOf(load, pressed)

  it('hands do one thing after the other', () => {
    for (const hand of lanes.hands) {
      hand.slice(1).forEach((span, i) => expect(span.from).toBeGreaterThanOrEqual(hand[i].until))
    }
  })

  it('the pot is shut when the last mould is in, and by the time it has to be', () => {
    const [lid, filling, held] = lanes.pot
    const last = Math.max(...lanes.hands.flat().map(({ until }) => until))
    expect(lid.from).toBeCloseTo(last, 9)
    expect(filling.from).toBeCloseTo(lid.until, 9)
    expect(held.from).toBeLessThanOrEqual(lanes.lidBy!)
  })

  it('marks are round and few', () => {
    for (const end of [40, 200, 900, 7200, 90_000]) {
      const ticks = ticksOf(end)
      expect(ticks.length).toBeLessThanOrEqual(7)
      expect(ticks[0]).toBe(0)
    }
  })
})

describe('a piece as a run needs it', () => {
  const form = buildSolid({ solid: 'block', width: 20 * mm, depth: 20 * mm, height: 10 * mm })
  const plan = {
    ...newPlan('One shot'),
    mould: 'closed' as const,
    layers: [
      {
        id: 'body',
        name: 'Body',
        fill: { by: 'height' as const, top: 10 * mm },
        resin: 'white',
        tints: [],
        inclusions: [],
        join: 'crisp' as const,
      },
    ],
  }
  const mould = {
    ...newMould('Two', 'p', [0, 0, 1], 20 * mm),
    cavities: 2,
    count: 3,
    prefills: [{ id: 'a', at: [0, 0, 5 * mm] as [number, number, number] }],
  }
  const shelf = new Map([['white', whiteUrethane]])
  const curve = fillCurve(form, [0, 0, 1])
  const into = pouredInto(plan, mould, { up: [0, 0, 1], lowest: 0, height: 10 * mm })
  const compiled = compileBy(sheetCure, plan, curve, shelf, { into })
  const about = {
    name: 'Block',
    plan,
    compiled,
    shelf,
    mould,
    lawOf,
    drawn: section(form, [0, 0, 1]),
    size: { width: 20 * mm, depth: 20 * mm, height: 10 * mm },
  }

  it('both cavities and their gates; the reserve is mixed on top and stays in the cup', () => {
    const needs = needsOf({ id: 'x', casts: 7 }, about)
    // 4 ml a copy, two of them.
    const { volume } = needs.layers[0]
    expect(volume).toBeCloseTo(2 * (4 * ml + into.gate), 12)
    expect(mixedFor([{ pour: needs }, { pour: needs }], 0).volume).toBeCloseTo(2.2 * volume, 12)
    expect(needs.moulds).toBe(3)
    expect(needsOf({ id: 'x', casts: 7, moulds: 1 }, about).moulds).toBe(1)
    expect(needs.spots).toContainEqual({ what: 'prefill', across: 0, height: 5 * mm })
    expect(saySpots(needs)).toEqual(['Prefill (yellow) at 5.0 mm'])
    expect(needs.prefills).toBe(2)
  })

  it('sides follow the axis that is up', () => {
    const bounds = { low: [0, 0, 0], high: [1, 2, 3] }
    expect(sizeAs(bounds, [1, 0, 0])).toEqual({ width: 2, depth: 3, height: 1 })
  })

  it('a block of a mould: cavities in a row, walls between and around, none above an open one', () => {
    const size = { width: 20 * mm, depth: 20 * mm, height: 10 * mm }
    const { side, over, under } = mould.box
    const block = blockOf(mould, size)
    expect(block.width).toBeCloseTo(40 * mm + 3 * side, 9)
    expect(block.height).toBeCloseTo(10 * mm + over + under, 9)
    expect(blockOf({ ...mould, kind: 'open block' }, size).height).toBeCloseTo(10 * mm + under, 9)
  })
})

describe('what fits, and how a mix froths', () => {
  it('as many of a mould as find room, none that is too high', () => {
    const block = { width: 50 * mm, depth: 50 * mm, height: 50 * mm, round: false }
    expect(countPerPot(block, { diameter: 0.24, height: 0.26 })).toBeGreaterThanOrEqual(9)
    expect(countPerPot({ ...block, height: 0.3 }, { diameter: 0.24, height: 0.26 })).toBe(0)
    expect(sayTakes(0, headroom({ height: 0.26 }), 0.3)).toContain('too high')
  })

  const mix = (volume: number, cup: number, gauge = -98_200) =>
    deairing({ volume, cup, share: 0.005, gas: airInUrethane }, { ...usualVessel, gauge })

  // Facts of the trade: it swells three to four times; filled to a fifth it stays in its cup.
  it('in a cup filled to a fifth nothing comes over the brim', () => {
    const found = mix(100 * ml, 500 * ml)
    expect(found.batches).toBe(1)
    expect(found.pauses).toBe(0)
    expect(found.highest).toBeLessThan(1)
    expect(found.highest).toBeGreaterThan(0.3)
  })

  it('the cup for it is the smallest of which it is a fifth', () => {
    for (const volume of [5 * ml, 100 * ml, 400 * ml]) {
      const cup = deairingCup(volume)
      expect(largestDeaired(1, cup)).toBeGreaterThanOrEqual(volume)
      expect(mix(volume, cup).batches).toBe(1)
    }
    expect(deairingCup(9)).toBe(0.005)
  })

  it('in a fuller one there is more than one batch', () => {
    expect(mix(300 * ml, 500 * ml).batches).toBe(3)
    expect(largestDeaired(1, 500 * ml)).toBeCloseTo(100 * ml, 12)
    expect(sayDeairing(mix(300 * ml, 500 * ml))).toContain('In 3 batches')
  })

  it('the gauge falls to what is pumped to, stands, and comes back to nothing', () => {
    const { moments } = mix(100 * ml, 500 * ml)
    expect(Math.min(...moments.map(({ gauge }) => gauge))).toBeCloseTo(-98_200, 0)
    expect(moments.at(-1)!.gauge).toBeCloseTo(0, 6)
    expect(moments.at(-1)!.level).toBeCloseTo(0.2, 6)
  })

  // ICAO standard atmosphere: 89 875 Pa at 1000 m.
  it('a vacuum that sea level allows is refused where the air is thinner', () => {
    const studio = { ...newStudio, vessel: { ...usualVessel, gauge: -95_000 } }
    expect(() => readDocument(studioSchema, studio)).not.toThrow()
    expect(() => readDocument(studioSchema, { ...studio, altitude: 1000 })).toThrow(
      'vacuum-over-air',
    )
  })

  it('a mould is turned to find room', () => {
    const block = { width: 0.3, depth: 0.1, height: 0.1, round: false }
    expect(fitsInside(block, { width: 0.15, depth: 0.35, height: 0.2 })).toBe(true)
    expect(fitsInside(block, { width: 0.25, depth: 0.25, height: 0.2 })).toBe(false)
    expect(sayFits([], 2)).toBe('no mould fits')
  })

  it('a list with one of its entries moved keeps all of them', () => {
    expect(moved(['a', 'b', 'c', 'd'], 0, 2)).toEqual(['b', 'c', 'a', 'd'])
  })

  it('an offer is said with what it comes to', () => {
    const then = { perMix: 4, mixes: 2, casts: 8, days: 1, until: 0, loads: 1 }
    expect(sayOffer({ what: 'cooler room', amount: 289.15, then })).toBe(
      'The room at 16 °C: 8 casts in 2 mixes and 1 load, 1 day.',
    )
  })
})

import { describe, expect, it } from 'vitest'
import { sayCaution } from '@mivro/words/caution'
import { sayFix } from '@mivro/words/fix'
import { safetyFor } from '../../../base/caution/index.ts'
import { calibrate, learn, modelCure, type Learned } from '../../../matter/cure/index.ts'
import type { Material, Resin } from '../../../matter/material/index.ts'
import { whiteUrethane } from '../../../matter/material/samples.ts'
import { sheets } from '../../../matter/cure/samples.ts'
import { buildSolid } from '../../../form/shape/index.ts'
import { fillCurve } from '../../../form/filling/index.ts'
import { compileBy } from '../compile/compile.ts'
import { fixesOf } from '../fixes.ts'
import { pouredInto } from '../pouredInto.ts'
import { newPlan, planSchema, type Layer, type Plan } from '../plan.ts'
import { readDocument } from '../../../base/document/index.ts'
import { fieldCells, pourHeat, pourHeatQuestion } from './pourHeat.ts'
import { checkWay, cupsFor, waysOut, type WaysContext } from './waysOut.ts'

const hour = 3600
const coating: Resin = { ...sheets.coating, maxDepth: 0.01 }
const deep: Resin = { ...sheets.deep, name: 'Deep clear epoxy 3:1', maxDepth: 0.08 }
const shelf = new Map<string, Material>([
  ['coating', coating],
  ['deep', deep],
  ['urethane', whiteUrethane],
])
const laws = new Map<Resin, Learned>()
const lawOf = (resin: Resin): Learned => {
  if (!laws.has(resin)) laws.set(resin, learn(calibrate(resin), resin))
  return laws.get(resin)!
}
const cure = (batch: Parameters<typeof modelCure>[1]) => modelCure(lawOf(batch.resin), batch)

const mesh = buildSolid({ solid: 'block', width: 0.1, depth: 0.1, height: 0.06 })
const curve = fillCurve(mesh, [0, 0, 1])
const layer = (id: string, top: number, more: Partial<Layer> = {}): Layer => ({
  id,
  name: id,
  fill: { by: 'height', top },
  resin: 'coating',
  tints: [],
  inclusions: [],
  join: 'crisp',
  ...more,
})
const plan = (layers: Layer[], more: Partial<Plan> = {}): Plan => ({
  ...newPlan('heat'),
  layers,
  room: 296.15,
  ...more,
})
const compiled = (p: Plan) => compileBy(cure, p, curve, shelf)
const codes = (p: Plan) => compiled(p).cautions.map(({ code }) => code)
const intoNothing = (p: Plan) => pouredInto(p, undefined, { up: p.up, lowest: 0, height: 0.06 })
const context = (p: Plan): WaysContext => ({ plan: p, curve, shelf, into: intoNothing(p), lawOf })

describe('coating epoxy 60 mm deep', () => {
  const tooDeep = plan([layer('all', 0.06)])

  it('is refused with a number', () => {
    const found = compiled(tooDeep).cautions.find(({ code }) => code === 'layer-runs-away')!
    expect(found.severity).toBe('stop')
    expect(sayCaution(found)).toMatch(
      /60\.0 mm deep, would run away: about \d{3} °C \(up to \d{3} °C\)/,
    )
    expect(codes(tooDeep)).toContain('layer-too-deep')
  })

  it('has ways out that the field confirms: pours and waits, or the deep epoxy', () => {
    const ways = waysOut(context(tooDeep), 'all')
    const checked = (way: (typeof ways)[number]) => checkWay(context(tooDeep), way, mesh)
    expect(
      checkWay(context(tooDeep), { way: 'cool', room: 296.15, plan: tooDeep }, mesh).holds,
    ).toBe(false)
    const splits = ways.filter(({ way }) => way === 'split').values()
    let split = checked(splits.next().value!)
    for (const next of splits) {
      if (split.holds) break
      split = checked(next)
    }
    expect(split.holds).toBe(true)
    expect(split.peak).toBeLessThanOrEqual(split.limit!)
    expect(split.way.plan.layers.length).toBeGreaterThan(5)
    const other = ways.find(({ way }) => way === 'resin')!
    expect(other).toMatchObject({ name: deep.name })
    expect(checked(other).holds).toBe(true)
  }, 60_000)

  it('no advice goes deeper than the sheet’s own greatest depth', () => {
    const ways = waysOut(context(tooDeep), 'all')
    expect(ways.length).toBeGreaterThan(3)
    for (const { plan: next } of ways) {
      for (const found of compiled(next).layers) {
        const { maxDepth } = found.batch!.resin
        expect(found.depth).toBeLessThanOrEqual(maxDepth! * (1 + 1e-9))
      }
      readDocument(planSchema, next)
    }
  })

  it('a split keeps the amounts, and what is set in lies on the first pour', () => {
    const star = { id: 's', name: 'Star', count: 1, mass: 0.001, density: 8500 }
    const holding = plan([layer('all', 0.06, { inclusions: [star] })])
    const [{ plan: next }] = waysOut(context(holding), 'all')
    const all = (p: Plan) => compiled(p).layers.reduce((sum, found) => sum + found.resin, 0)
    expect(all(next)).toBeCloseTo(all(holding), 12)
    expect(next.layers.map(({ inclusions }) => inclusions.length).slice(0, 3)).toEqual([0, 1, 0])
  })

  it('its cup is dangerous too, and cups of a pot each are not', () => {
    const { batch } = compiled(tooDeep).layers[0]
    const cups = cupsFor(batch!, 1)
    expect(cups).toBe(Math.ceil(batch!.mass / 0.1))
    expect(codes(tooDeep)).toContain('cup-runs-hot')
    expect(codes(plan([layer('all', 0.06, { cups })]))).not.toContain('batch-over-pot-mass')
  })
})

describe('the field of a pour', () => {
  it('follows layers at the clock’s times, and leaves out one without resin', () => {
    const two = plan([
      layer('a', 0.006),
      layer('b', 0.012, { resin: undefined }),
      layer('c', 0.018),
    ])
    const found = compiled(two)
    const question = pourHeatQuestion(two, found, fieldCells.quick)
    const { layers } = pourHeat(mesh, question, lawOf, { frames: 4 })
    expect(layers[0].series.at[0]).toBeCloseTo(found.layers[0].clock!.pourAt, 6)
    expect(layers[1].series.at).toEqual([])
    expect(layers[2].series.at[0]).toBeGreaterThanOrEqual(found.layers[2].clock!.pourAt - 1e-6)
    expect(layers[0].hot.temperature).toBeGreaterThan(296.15)
  })
})

describe('what heat asks to be shown before the step', () => {
  it('thick pour, exotherm and hot mould each have their line, and calm thin pours have none', () => {
    const hazards = (p: Plan) => compiled(p).layers[0].hazards
    const thick = hazards(plan([layer('all', 0.06)]))
    expect(safetyFor('mix', thick).map(({ id }) => id)).toContain('exotherm')
    expect(safetyFor('pour', thick).map(({ id }) => id)).toContain('deep')
    const warm = hazards(
      plan([layer('a', 0.003, { resin: 'urethane' })], { mouldTemperature: 366.15 }),
    )
    expect(safetyFor('pour', warm).map(({ id }) => id)).toContain('hot-mould')
    const calm = hazards(plan([layer('a', 0.003, { resin: 'deep' })], { copies: 1 }))
    expect(calm).not.toContain('exotherm')
    expect(calm).not.toContain('hot mould')
    expect(calm).not.toContain('deep pour')
  })
})

describe('room, mould and air', () => {
  it('a room of 60 °C is refused at its field, a mould of 93 °C is allowed and shortens all', () => {
    const thin = [layer('a', 0.003, { resin: 'urethane' })]
    expect(() => readDocument(planSchema, plan(thin, { room: 333.15 }))).toThrow(
      'out-of-range at room',
    )
    const hot = plan(thin, { mouldTemperature: 366.15 })
    readDocument(planSchema, hot)
    const found = compiled(hot)
    expect(found.layers[0].clock!.gelAt).toBeLessThan(
      compiled(plan(thin)).layers[0].clock!.gelAt / 2,
    )
    const said = found.cautions.find(({ code }) => code === 'mould-hot')!
    expect(sayCaution(said)).toContain('In a mould of 93 °C')
  })

  it('damp air blushes epoxy and foams urethane; cold parts gather dew', () => {
    const epoxy = [layer('a', 0.003)]
    expect(codes(plan(epoxy, { humidity: 0.85 }))).toContain('damp-blush')
    expect(codes(plan(epoxy, { humidity: 0.5 }))).not.toContain('damp-blush')
    expect(codes(plan([layer('a', 0.003, { resin: 'urethane' })], { humidity: 0.7 }))).toContain(
      'damp-foam',
    )
    expect(codes(plan(epoxy, { humidity: 0.6, materialTemperature: 283.15 }))).toContain(
      'damp-on-cold',
    )
    expect(codes(plan(epoxy, { humidity: 0.6, mouldTemperature: 290.15 }))).toContain(
      'near-dew-point',
    )
    expect(compiled(plan(epoxy, { humidity: 0.5, room: 298.15 })).dewPoint! - 273.15).toBeCloseTo(
      13.9,
      1,
    )
  })

  it('organic things set in lower the limit to 60 °C; a limit of one’s own wins', () => {
    const petal = { id: 'p', name: 'Petal', count: 1, mass: 0.0001, density: 400 }
    expect(compiled(plan([layer('a', 0.003)])).heatLimit).toEqual({ at: 353.15, by: 'class' })
    expect(compiled(plan([layer('a', 0.003, { inclusions: [petal] })])).heatLimit).toEqual({
      at: 333.15,
      by: 'inside',
      name: 'Petal',
    })
    expect(compiled(plan([layer('a', 0.003)], { heatLimit: 343.15 })).heatLimit!.by).toBe('plan')
    // An opaque fast urethane has none of its own.
    expect(compiled(plan([layer('a', 0.003, { resin: 'urethane' })])).heatLimit).toBeUndefined()
  })

  it('a mix that stands until it gels can’t be poured', () => {
    const waiting = plan([layer('a', 0.003)], { standing: 3 * hour })
    expect(codes(waiting)).toContain('gels-in-cup')
  })
})

describe('the day', () => {
  const two = [layer('a', 0.003), layer('b', 0.006)]
  it('a pour at three in the morning is said, with the hour to begin that avoids it', () => {
    const day = { from: 8 * hour, until: 22 * hour }
    const { pourAt } = compiled(plan(two)).layers[1].clock!
    const late = plan(two, {
      begin: 27 * hour - pourAt - 24 * hour * Math.floor((27 * hour - pourAt) / (24 * hour)),
      awake: day,
    })
    const found = compiled(late).cautions.find(({ code }) => code === 'pour-at-night')!
    expect(found.place.layer).toBeDefined()
    const { begin } = found.amounts as { begin: number }
    expect(codes({ ...late, begin })).not.toContain('pour-at-night')
    expect(sayCaution(found)).toMatch(/Begin at \d\d:\d\d and every pour falls within it\.$/)
  })

  it('where no hour helps, that is said', () => {
    const slow = [layer('a', 0.003, { resin: 'deep' }), layer('b', 0.006, { resin: 'deep' })]
    const day = { from: 9 * hour, until: 10 * hour }
    const found = compiled(plan(slow, { begin: 9 * hour, awake: day })).cautions.find(
      ({ code }) => code === 'pour-at-night',
    )!
    expect(sayCaution(found)).toContain('No hour to begin keeps every pour within it')
    // One click: it hardens overnight, and the next is poured on what is scuffed.
    const before = plan(slow, { begin: 9 * hour, awake: day })
    const over = fixesOf(found, before, compiled(before)).find(({ fix }) => fix === 'overnight')!
    expect(sayFix(over.fix, over.amounts)).toMatch(
      /^Let it harden overnight, scuff it, and pour at 09:\d\d, day \d$/,
    )
    expect(codes(over.plan)).not.toContain('pour-at-night')
  })

  it('a bench that closes before it opens is refused', () => {
    const wrong = plan(two, { awake: { from: 20 * hour, until: 8 * hour } })
    expect(() => readDocument(planSchema, wrong)).toThrow('day-too-short at awake.until')
  })
})

describe('a wait of one’s own', () => {
  const two = (wait: number) => plan([layer('a', 0.003), layer('b', 0.006, { wait })])
  const below = compiled(plan([layer('a', 0.003), layer('b', 0.006)])).layers[0].clock!
  it.each([
    ['bled', 0.5 * below.bleedsUntil],
    ['soft', (below.bleedsUntil + below.gelAt) / 2 - below.pourAt],
    ['crisp', below.gelAt + 0.5 * (below.joinUntil - below.gelAt) - below.pourAt],
    ['late', below.joinUntil + hour - below.pourAt],
  ])('%s: says what the layer meets', (meets, wait) => {
    const found = compiled(two(wait))
    expect(found.layers[1].clock!.meets).toBe(meets)
    expect(found.layers[1].clock!.pourAt).toBeCloseTo(below.pourAt + wait, 6)
    expect(found.cautions.some(({ code }) => code === 'join-missed')).toBe(meets === 'late')
  })
})

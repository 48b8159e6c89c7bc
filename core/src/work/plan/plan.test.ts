import fc from 'fast-check'
import { sayCaution } from '@mivro/words/caution'
import { sayProblem } from '@mivro/words/problem'
import { describe, expect, it } from 'vitest'
import { readDocument } from '../../base/document/index.ts'
import { Problems } from '../../base/problem/index.ts'
import type { Material } from '../../matter/material/index.ts'
import { slowEpoxy, violet } from '../../matter/material/samples.ts'
import { buildSolid } from '../../form/shape/index.ts'
import { fillCurve } from '../../form/filling/index.ts'
import { parseQuantity } from '../../base/units/index.ts'
import { compile } from './compile/compile.ts'
import { addLayer, moveSurface, removeLayer, splitLayer, withLayer } from './edit.ts'
import { newPlan, planSchema, type Layer, type Plan } from './plan.ts'

const mm = 1e-3
const ml = 1e-6
const gram = 1e-3
/** A block of 40 x 50 x 30 mm holds 2 ml for each mm: sums can be done in the head. */
const curve = fillCurve(
  buildSolid({ solid: 'block', width: 40 * mm, depth: 50 * mm, height: 30 * mm }),
  [0, 0, 1],
)
const shelf = new Map<string, Material>([
  ['epoxy', slowEpoxy],
  ['violet', violet],
])

const layer = (id: string, top: number, more: Partial<Layer> = {}): Layer => ({
  id,
  name: id.toUpperCase(),
  fill: { by: 'height', top: top * mm },
  resin: 'epoxy',
  tints: [],
  inclusions: [],
  join: 'crisp',
  ...more,
})
const plan = (layers: Layer[], more: Partial<Plan> = {}): Plan => ({
  ...newPlan('test'),
  room: 296.15,
  layers,
  ...more,
})
const answer = (layers: Layer[], more: Partial<Plan> = {}) =>
  compile(plan(layers, more), curve, shelf)
const says = (layers: Layer[], more: Partial<Plan> = {}) =>
  answer(layers, more).cautions.map((c) => sayCaution(c))
const stars = { id: 's', name: 'Brass stars', count: 10, mass: 0.4 * gram, density: 8500 }

describe('layers', () => {
  it('heights, depths and volumes: 10, 15 and 5 mm of 2 ml/mm', () => {
    const { layers, volume } = answer([layer('a', 10), layer('b', 25), layer('c', 30)])
    expect(volume / ml).toBeCloseTo(60, 9)
    expect(layers.map((l) => l.depth / mm)).toEqual([10, 15, 5].map((d) => expect.closeTo(d, 9)))
    expect(layers.map((l) => l.resin / ml)).toEqual([20, 30, 10].map((v) => expect.closeTo(v, 9)))
  })

  it('a layer by volume ends where its resin and what is set in reach', () => {
    const byVolume = layer('b', 0, { fill: { by: 'volume', volume: 20 * ml }, inclusions: [stars] })
    const [, b] = answer([layer('a', 10), byVolume]).layers
    const brass = (10 * 0.4) / 8.5
    expect(b.inclusions / ml).toBeCloseTo(brass, 9)
    expect(b.resin / ml).toBeCloseTo(20, 9)
    expect(b.top / mm).toBeCloseTo(10 + (20 + brass) / 2, 9)
  })

  it('weights by hand: 10 brass charms of 0.4 g, six copies, gate 1 ml, reserve 10 %', () => {
    const { layers } = answer(
      [
        layer('a', 10),
        layer('b', 30, { inclusions: [stars], tints: [{ material: 'violet', fraction: 0.002 }] }),
      ],
      {
        copies: 6,
        gate: 1 * ml,
        reserve: 0.1,
      },
    )
    // a: 20 ml · 6 · 1.1 = 132 ml. 2 ml of A at 1.14 and 1 ml of B at 1.02 g/ml: 3.3 g in 3 ml.
    expect(layers[0].weighing!.total / gram).toBeCloseTo((132 * 3.3) / 3, 6)
    // b: (40 − 0.470588 + 1) · 6 · 1.1 ml with 0.2 % dye on top.
    const volume = (40 - 4 / 8.5 + 1) * 6 * 1.1
    const resin = volume / (3 / 3.3 + 0.002 / 1.1)
    const [a, dye, b] = layers[1].weighing!.steps
    expect(a.mass / gram).toBeCloseTo((resin * 2 * 1.14) / 3.3, 6)
    expect(dye.mass / gram).toBeCloseTo(resin * 0.002, 6)
    expect(b.mass / gram).toBeCloseTo((resin * 1.02) / 3.3, 6)
    // What stays in the cup is poured into no mould: each gets its 20 ml, 22 g.
    expect(layers[0].each!.mass / gram).toBeCloseTo(22, 6)
  })

  it('heavy things lie on the floor of their layer, light ones under its surface', () => {
    const cork = { ...stars, id: 'c', name: 'Cork', density: 240 }
    const [{ setIn }] = answer([layer('a', 10, { inclusions: [stars, cork] })]).layers
    expect(setIn.map(({ lies }) => lies)).toEqual(['floor', 'surface'])
  })

  it('what everything needs is the sum over the layers', () => {
    const { needs, layers } = answer([layer('a', 10), layer('b', 30)], { copies: 3 })
    const total = layers.reduce((sum, l) => sum + l.weighing!.total, 0)
    expect(needs.map((n) => n.name)).toEqual([
      'Clear slow epoxy 2:1, Part A, resin',
      'Clear slow epoxy 2:1, Part B, hardener',
    ])
    expect(needs.reduce((sum, n) => sum + n.mass, 0)).toBeCloseTo(total, 12)
  })

  it('for any surfaces in order the layers share out the whole volume', () => {
    const cuts = fc.array(fc.double({ min: 1, max: 29, noNaN: true }), {
      minLength: 1,
      maxLength: 6,
    })
    fc.assert(
      fc.property(cuts, (tops) => {
        const sorted = [...new Set(tops)].sort((a, b) => a - b)
        const { layers } = answer([...sorted, 30].map((top, i) => layer(`l${i}`, top)))
        expect(layers.reduce((sum, l) => sum + l.cavity, 0) / ml).toBeCloseTo(60, 6)
      }),
    )
  })

  it('a top typed as it is shown is the top, though the file says a hair less', () => {
    const hair = { ...curve, height: curve.height - 3e-9 }
    const { cautions, layers } = compile(plan([layer('a', 30)]), hair, shelf)
    expect(cautions.map(({ code }) => code)).not.toContain('layer-above-top')
    expect(cautions.map(({ code }) => code)).not.toContain('top-left-empty')
    expect(layers[0].top).toBe(hair.height)
  })
})

describe('the clock', () => {
  const hours = (seconds: number) => seconds / 3600
  const clocks = (join: Layer['join'], room = 296.15) => {
    const [a, b] = answer([layer('a', 10), layer('b', 30, { join })], { room }).layers
    return [a.clock!, b.clock!] as const
  }

  it('crisp is poured in the join window, soft in the syrup, bled while it runs', () => {
    const [below, crisp] = clocks('crisp')
    expect(crisp.pourAt).toBeGreaterThan(below.gelAt)
    expect(crisp.pourAt).toBeLessThan(below.joinUntil)
    const [, soft] = clocks('soft')
    expect(soft.pourAt).toBeGreaterThan(below.bleedsUntil)
    expect(soft.pourAt).toBeLessThan(below.gelAt)
    const [, bled] = clocks('bled')
    expect(bled.pourAt).toBeGreaterThan(below.pourAt)
    expect(bled.pourAt).toBeLessThan(below.bleedsUntil)
  })

  it('mixing is done when the layer is poured', () => {
    const [below, crisp] = clocks('crisp')
    expect(below.mixAt).toBe(0)
    expect(crisp.pourAt - crisp.mixAt).toBeCloseTo(slowEpoxy.mixTime, 9)
  })

  it('a room of 33 °C halves every wait of one of 23 °C', () => {
    const [cool] = clocks('crisp')
    const [warm] = clocks('crisp', 306.15)
    expect(warm.gelAt / cool.gelAt).toBeCloseTo(0.5, 9)
    expect(hours(cool.gelAt)).toBeCloseTo(2, 9)
  })

  it('everything comes out when the last layer may', () => {
    const { demouldAt, layers } = answer([layer('a', 10), layer('b', 30)])
    expect(demouldAt).toBe(layers[1].clock!.demouldAt)
  })

  it('a bled join that mixing would miss is said', () => {
    const slow = new Map<string, Material>([['epoxy', { ...slowEpoxy, mixTime: 40 * 60 }]])
    const { cautions } = compile(
      plan([layer('a', 10), layer('b', 30, { join: 'bled' })]),
      curve,
      slow,
    )
    expect(cautions.map((c) => sayCaution(c)).join()).toMatch(
      /mixing takes 40 min. Mix both cups before/,
    )
  })
})

describe('what cannot be poured is said at its layer, and the others are still answered', () => {
  it('a layer above the top', () => {
    expect(says([layer('a', 10), layer('b', 35)])[0]).toBe(
      'B goes up to 35.0 mm, but the piece ends at 30.0 mm. Bring it down to 30.0 mm or less.',
    )
  })

  it('layers out of order', () => {
    const { cautions, layers } = answer([layer('a', 20), layer('b', 12), layer('c', 30)])
    expect(sayCaution(cautions[0])).toBe(
      'B ends at 12.0 mm, below the top of A at 20.0 mm. Raise B, or lower A.',
    )
    expect(cautions[0].place).toEqual({ layer: 'b', field: 'fill' })
    expect(layers[2].depth / mm).toBeCloseTo(10, 9)
  })

  it('more volume than is left', () => {
    expect(
      says([layer('a', 20), layer('b', 0, { fill: { by: 'volume', volume: 50 * ml } })])[0],
    ).toBe(
      'B asks for 50.0 ml, but only 20.0 ml is left above the layer below. Take 20.0 ml or less.',
    )
  })

  it('inclusions bigger than their layer', () => {
    const ball = { ...stars, name: 'Steel ball', count: 1, mass: 100 * gram, density: 7800 }
    const { cautions, layers } = answer([layer('a', 5, { inclusions: [ball] }), layer('b', 30)])
    expect(sayCaution(cautions[0])).toBe(
      'The inclusions take 12.8 ml and A holds 10.0 ml in all, so no resin is left to hold them. Take fewer, or make the layer deeper.',
    )
    expect(layers[0].weighing).toBeUndefined()
    expect(layers[1].weighing).toBeDefined()
  })

  it.each<[string, Layer[], Partial<Plan>, RegExp]>([
    [
      'too thick to lie in it',
      [layer('a', 3, { inclusions: [{ ...stars, thickness: 4 * mm }] })],
      {},
      /4.0 mm thick in a layer 3.0 mm deep, so it would stick out/,
    ],
    [
      'heavy',
      [layer('a', 10), layer('b', 30, { inclusions: [stars] })],
      {},
      /Brass stars: heavier than the resin, so each sinks .* would lie on A/,
    ],
    [
      'light',
      [
        layer('a', 10, {
          inclusions: [{ ...stars, name: 'Cork', density: 240, mass: 0.1 * gram }],
        }),
      ],
      {},
      /Cork: lighter/,
    ],
    [
      'deeper than the sheet',
      [layer('a', 30)],
      {},
      /30.0 mm deep and the sheet of Clear slow epoxy 2:1 allows 20.0 mm.* into how many pours/,
    ],
    ['a film', [layer('a', 0.5)], {}, /only 0.5 mm deep/],
    [
      'too much dye',
      [layer('a', 10, { tints: [{ material: 'violet', fraction: 0.02 }] })],
      {},
      /Violet dye at 2 % is over its sheet's 0.5 %/,
    ],
    [
      'dye under the scale',
      [layer('a', 10, { tints: [{ material: 'violet', fraction: 0.002 }] })],
      {},
      /Violet dye is 0.048 g and the scale reads to 0.1 g: take 0.48 g of it thinned 1 to 10,/,
    ],
    [
      'a batch too small for the scale',
      [layer('a', 1)],
      { scaleStep: gram },
      /is little for this scale: one step off/,
    ],
    [
      'a batch over the pot',
      [layer('a', 15)],
      { copies: 20 },
      /sets off sooner than the sheet says: the pot life .* was measured on 100.0 g/,
    ],
    ['a batch over the largest cup', [layer('a', 15)], { copies: 200 }, /Mix it in 2 cups/],
    ['no resin', [layer('a', 10, { resin: undefined })], {}, /Choose the resin of A/],
    [
      'a resin that is gone',
      [layer('a', 10, { resin: 'lost' })],
      {},
      /no longer among your materials/,
    ],
    [
      'a tint that is gone',
      [layer('a', 10, { tints: [{ material: 'lost', fraction: 0.01 }] })],
      {},
      /tint of A is no longer/,
    ],
    ['not full', [layer('a', 10)], {}, /ends 20.0 mm below the rim, so 40.0 ml stays empty/],
    ['nothing yet', [], {}, /Nothing is poured yet/],
    [
      'a cold room',
      [layer('a', 10)],
      { room: 283.15 },
      /room of 10 °C is outside the 15 °C to 35 °C/,
    ],
  ])('%s', (_, layers, more, expected) => {
    expect(says(layers, more).join('\n')).toMatch(expected)
  })

  it('a good plan is left in peace', () => {
    expect(says([layer('a', 15), layer('b', 30)])).toEqual([])
  })
})

describe('the document refuses what no layer can be, at its field', () => {
  const refused = (change: Record<string, unknown>) => {
    try {
      readDocument(planSchema, { ...plan([layer('a', 10)]), ...change })
    } catch (error) {
      if (error instanceof Problems) return error.list.map((p) => `${p.path}: ${sayProblem(p)}`)
    }
    return []
  }

  it.each<[string, Record<string, unknown>, RegExp]>([
    [
      'a negative tint',
      { layers: [{ ...layer('a', 10), tints: [{ material: 'violet', fraction: -0.01 }] }] },
      /^layers.0.tints.0.fraction: −1 % is outside/,
    ],
    ['no copies', { copies: 0 }, /^copies: 0 has to be a whole number from 1 to 1000/],
    ['no direction', { up: [0, 0, 0] }, /^up: Which way is up/],
    [
      'a room for baking',
      { room: 273.15 + 93 },
      /^room: 93 °C is outside what makes sense here: 5 °C to 45 °C/,
    ],
    [
      'half a charm',
      { layers: [{ ...layer('a', 10), inclusions: [{ ...stars, count: 0.5 }] }] },
      /^layers.0.inclusions.0.count: 0.5 has to be/,
    ],
    ['a scale of nothing', { scaleStep: 0 }, /^scaleStep/],
  ])('%s', (_, change, expected) => expect(refused(change)[0]).toMatch(expected))
})

describe('plans from before a layer could hold several tints', () => {
  const old = (more: object) => {
    const bare = { ...layer('a', 10), ...more, tints: undefined }
    const written = JSON.parse(JSON.stringify({ ...plan([]), layers: [bare] })) as unknown
    return readDocument(planSchema, written).layers[0].tints
  }
  it('keep the one they had, or none', () => {
    expect(old({ tint: { material: 'violet', fraction: 0.002 } })).toEqual([
      { material: 'violet', fraction: 0.002 },
    ])
    expect(old({})).toEqual([])
  })
})

describe('editing', () => {
  const three = plan([layer('a', 10), layer('b', 20), layer('c', 30)])
  const compiled = compile(three, curve, shelf)
  const tops = (p: Plan) => compile(p, curve, shelf).layers.map((l) => +(l.top / mm).toFixed(6))

  it('a dragged surface stops short of its neighbours', () => {
    expect(tops(moveSurface(three, compiled, 1, 14.2 * mm))).toEqual([10, 14.2, 30])
    expect(tops(moveSurface(three, compiled, 1, 99 * mm))).toEqual([10, 29.5, 30])
    expect(tops(moveSurface(three, compiled, 1, -5 * mm))).toEqual([10, 10.5, 30])
    expect(tops(moveSurface(three, compiled, 2, 99 * mm))).toEqual([10, 20, 30])
  })

  it('a typed 1/2 in is where the surface stands', () => {
    const moved = withLayer(three, 0, {
      fill: { by: 'height', top: parseQuantity('1/2 in', 'length') },
    })
    expect(tops(moved)).toEqual([12.7, 20, 30])
  })

  it('split: a base without and a cover with what is set in', () => {
    const starry = withLayer(three, 1, { inclusions: [stars] })
    const split = splitLayer(starry, compiled, 1, 'new')
    expect(tops(split)).toEqual([10, 15, 20, 30])
    expect(split.layers.map((l) => l.inclusions.length)).toEqual([0, 0, 1, 0])
    expect(split.layers[2].join).toBe('crisp')
  })

  it('split twice, or added after one was removed, no two layers have one name', () => {
    const again = (p: Plan, index: number) =>
      splitLayer(p, compile(p, curve, shelf), index, `n${p.layers.length}`)
    const twice = again(again(three, 1), 2)
    expect(new Set(twice.layers.map(({ name }) => name)).size).toBe(5)
    expect(twice.layers[2].name).toMatch(/, base 2$/)
    const added = addLayer(three, compiled, 'd')
    const gone = removeLayer(added, 0)
    const more = addLayer(gone, compile(gone, curve, shelf), 'e')
    expect(new Set(more.layers.map(({ name }) => name)).size).toBe(4)
  })

  it('removed: the layer above reaches down', () => {
    const { layers } = compile(removeLayer(three, 1), curve, shelf)
    expect(layers[1].bottom / mm).toBeCloseTo(10, 9)
  })

  it('added: on top, or the last one halved when it is full', () => {
    expect(tops(addLayer(three, compiled, 'd'))).toEqual([10, 20, 25, 30])
    const short = plan([layer('a', 10)])
    expect(tops(addLayer(short, compile(short, curve, shelf), 'd'))).toEqual([10, 30])
    const empty = plan([])
    expect(tops(addLayer(empty, compile(empty, curve, shelf), 'd'))).toEqual([30])
  })
})

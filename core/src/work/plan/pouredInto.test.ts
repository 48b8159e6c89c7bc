import { describe, expect, it } from 'vitest'
import { fillCurve } from '../../form/filling/index.ts'
import { whiteUrethane } from '../../matter/material/samples.ts'
import { newMould, seatsOf, withKind, type Mould } from '../../mould/index.ts'
import { wholeMass } from '../../matter/mix/index.ts'
import { buildSolid } from '../../form/shape/index.ts'
import { compile } from './compile/compile.ts'
import { newPlan, type Plan } from './plan.ts'
import { pouredInto } from './pouredInto.ts'

const mm = 1e-3
const block = buildSolid({ solid: 'block', width: 60 * mm, depth: 40 * mm, height: 20 * mm })
const curve = fillCurve(block, [0, 0, 1])
const standing = { up: [0, 0, 1] as const, lowest: 0, height: 20 * mm }
const gate: Mould['openings'][number] = {
  id: 'g',
  what: 'gate',
  at: [0, 0, 20 * mm],
  bore: 6 * mm,
  made: 'cast in',
}
const mould = (values: Partial<Mould> = {}): Mould => {
  const made = newMould('m', 'p', [0, 0, 1], 60 * mm)
  return { ...made, box: { ...made.box, over: 12 * mm, under: 8 * mm }, ...values }
}
const plan = (values: Partial<Plan> = {}): Plan => ({
  ...newPlan('one shot'),
  reserve: 0,
  layers: [
    {
      id: 'a',
      name: 'A',
      fill: { by: 'height', top: 20 * mm },
      resin: 'u',
      tints: [],
      inclusions: [],
      join: 'crisp',
    },
  ],
  ...values,
})
const shelf = new Map([['u', whiteUrethane]])

describe('what of the mould bears on a pour', () => {
  // A rod of 6 mm through 12 mm of silicone: π/4 · 0.6² · 1.2 = 0.339 ml. The block holds 48 ml.
  it('gates and vents count by themselves, and the mould says that it is closed', () => {
    const p = plan({ gate: 5e-6, mould: 'open' })
    const into = pouredInto(p, mould({ openings: [gate] }), standing)
    expect(into.gate * 1e6).toBeCloseTo(0.3393, 4)
    expect([into.mould, into.mouldBy, into.gateBy]).toEqual(['closed', 'mould', 'mould'])
    const { weighing } = compile(p, curve, shelf, { into }).layers[0]
    expect((weighing!.volume * weighing!.cups) / 1e-6).toBeCloseTo(48 + 0.3393, 3)
  })

  it('it is held as the pour says, beside how its master stood; a bought one stood in no box', () => {
    const over = plan({ up: [0, 0, -1] })
    expect(pouredInto(plan(), mould(), standing).held?.as).toBe('as it stood')
    expect(pouredInto(over, mould(), standing).held?.as).toBe('turned over')
    expect(pouredInto(over, mould({ kind: 'bought' }), standing).held).toBeUndefined()
    expect(pouredInto(over, undefined, standing).held).toBeUndefined()
  })

  it('without a mould, or without gates in it, the plan says what stays in the gate', () => {
    const p = plan({ gate: 2e-6, mould: 'closed' })
    expect(pouredInto(p, undefined, standing)).toMatchObject({ gate: 2e-6, mould: 'closed' })
    expect(pouredInto(p, mould(), standing)).toMatchObject({ gate: 2e-6, gateBy: 'plan' })
    expect(pouredInto(p, mould({ kind: 'bought' }), standing).mouldBy).toBe('plan')
  })

  it('an open block is open and has no channels', () => {
    const open = withKind(mould({ openings: [gate] }), 'open block')
    expect(pouredInto(plan(), open, standing)).toMatchObject({ mould: 'open', gate: 0 })
  })

  it('one warmth: as the mould likes it, unless this pour says otherwise', () => {
    const warm = mould({ liking: { ...mould().liking, warmth: 333.15 } })
    expect(pouredInto(plan(), warm, standing)).toMatchObject({ warmth: 333.15, warmthBy: 'mould' })
    const here = plan({ mouldTemperature: 313.15 })
    expect(pouredInto(here, warm, standing)).toMatchObject({ warmth: 313.15, warmthBy: 'plan' })
    expect(pouredInto(plan(), mould(), standing).warmth).toBeUndefined()
    const hot = compile(plan(), curve, shelf, { into: pouredInto(plan(), warm, standing) })
    expect(hot.layers[0].batch!.mouldTemperature).toBe(333.15)
  })

  it('more copies of one mix than the moulds on hand hold is said', () => {
    const codes = (copies: number, values: Partial<Mould>) => {
      const p = plan({ copies })
      const into = pouredInto(p, mould(values), standing)
      return compile(p, curve, shelf, { into }).cautions.map(({ code }) => code)
    }
    expect(codes(12, {})).toContain('copies-over-cavities')
    expect(codes(12, { cavities: 4, count: 3 })).not.toContain('copies-over-cavities')
  })

  // 48 ml of 1:1 by weight at 1.1 and 1.0 g/ml (1.0476 in the mix): 50.29 g a copy, three in three cups.
  it('cups, copies and the shelf add up to the same', () => {
    const p = plan({ copies: 3 })
    p.layers[0].cups = 3
    const { layers, needs } = compile(p, curve, shelf)
    const [{ weighing, each }] = layers
    expect(weighing!.cups).toBe(3)
    expect(weighing!.total * 1000).toBeCloseTo(50.286, 2)
    expect(each!.mass).toBeCloseTo(wholeMass(weighing!) / 3, 12)
    expect(needs.reduce((sum, { mass }) => sum + mass, 0)).toBeCloseTo(3 * weighing!.total, 12)
  })
})

describe('how gates and vents sit', () => {
  const seat = (at: [number, number, number], up: [number, number, number] = [0, 0, 1]) =>
    seatsOf(block, up, [{ ...gate, at }])[0]

  it('on a flat top with all of the bore: π/4 · 6² = 28.3 mm²', () => {
    const { touches, through } = seat([0, 0, 20 * mm])
    expect(touches * 1e6).toBeCloseTo(28.27, 1)
    expect(through).toBe(0)
  })

  // Half of the disc lies beyond the edge of the block.
  it('over an edge with half of it', () => {
    expect(seat([30 * mm, 0, 20 * mm]).touches * 1e6).toBeCloseTo(28.27 / 2, -1)
  })

  // A cup of 1.6 mm wall: a strip of 1.6 mm across a bore of 6 mm, less what its ends lose:
  // 2·∫₀^0.8 2√(9 − x²) dx = 9.5 mm².
  it('a bore of 6 mm on a wall of 1.6 mm touches a strip of it', () => {
    const wall = buildSolid({ solid: 'block', width: 60 * mm, depth: 1.6 * mm, height: 20 * mm })
    const [found] = seatsOf(wall, [0, 0, 1], [gate])
    expect(found.touches * 1e6).toBeGreaterThan(8.5)
    expect(found.touches * 1e6).toBeLessThan(10.5)
  })

  it('a piece that is turned leaves its old gate below: the channel would run through it', () => {
    const turned = seat([0, 0, 20 * mm], [0, 0, -1])
    // 20 mm of piece, less the bore that is still called touching.
    expect(turned.through / mm).toBeCloseTo(14, 1)
    const over = { up: [0, 0, -1] as const, lowest: -20 * mm, height: 20 * mm }
    const into = pouredInto(plan({ up: [0, 0, -1] }), mould({ openings: [gate] }), over, [turned])
    expect(into.gate).toBe(0)
    expect(into.openings[0].through / mm).toBeCloseTo(14, 1)
  })
})

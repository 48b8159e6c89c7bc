import fc from 'fast-check'
import { sayCaution } from '@mivro/words/caution'
import { describePlan } from '@mivro/words/plan'
import { describe, expect, it } from 'vitest'
import type { CureModel } from '../../../matter/cure/index.ts'
import type { Material } from '../../../matter/material/index.ts'
import { slowEpoxy, violet, whiteUrethane } from '../../../matter/material/samples.ts'
import { buildSolid } from '../../../form/shape/index.ts'
import { fillCurve } from '../../../form/filling/index.ts'
import { type Mesh, type Vec3 } from '../../../form/mesh/index.ts'
import { imperial } from '../../../base/units/index.ts'
import { newPlan, planSchema, type Layer, type Plan } from '../plan.ts'
import { readDocument } from '../../../base/document/index.ts'
import { compile, compileBy } from './compile.ts'
import { schedule, type Ripening } from './schedule.ts'

const shelf = new Map<string, Material>([
  ['epoxy', slowEpoxy],
  ['urethane', whiteUrethane],
  ['violet', violet],
])
const drop = buildSolid({ solid: 'drop', width: 0.038, height: 0.052, facets: 8 })
const curve = fillCurve(drop, [0, 0, 1])

const layer = (id: string, share: number, more: Partial<Layer> = {}): Layer => ({
  id,
  name: id,
  fill: { by: 'height', top: share * 0.052 },
  resin: 'epoxy',
  tints: [],
  inclusions: [],
  join: 'crisp',
  ...more,
})
const plan = (layers: Layer[], more: Partial<Plan> = {}): Plan => ({
  ...newPlan('laws'),
  layers,
  ...more,
})

const layers = fc
  .array(
    fc.record({
      share: fc.double({ min: -0.2, max: 1.3, noNaN: true }),
      join: fc.constantFrom('crisp' as const, 'soft' as const, 'bled' as const),
      resin: fc.constantFrom('epoxy', 'urethane', 'gone', undefined),
      byVolume: fc.boolean(),
      grams: fc.double({ min: 0, max: 60, noNaN: true }),
    }),
    { maxLength: 7 },
  )
  .map((list) =>
    list.map(({ share, join, resin, byVolume, grams }, i) =>
      layer(`l${i}`, Math.max(0.002, share), {
        join,
        resin,
        ...(byVolume
          ? { fill: { by: 'volume' as const, volume: Math.max(1e-8, share * 3e-5) } }
          : {}),
        inclusions:
          grams > 20
            ? [{ id: 'x', name: 'Ball', count: 1, mass: grams / 1000, density: 7800 }]
            : [],
      }),
    ),
  )

describe('laws of a compiled plan, for any plan at all', () => {
  it('never throws, never a number that is none, and every caution has a sentence', () => {
    fc.assert(
      fc.property(layers, fc.integer({ min: 1, max: 50 }), (list, copies) => {
        const compiled = compile(plan(list, { copies }), curve, shelf)
        const numbers: unknown[] = []
        JSON.stringify(compiled, (_, value) => {
          if (typeof value === 'number') numbers.push(value)
          return value
        })
        expect(numbers.every(Number.isFinite)).toBe(true)
        for (const found of compiled.cautions) {
          expect(sayCaution(found)).toMatch(/^[^{}]*\S\.$/)
          expect(sayCaution(found, imperial)).not.toMatch(/undefined|NaN/)
        }
      }),
      { numRuns: 300 },
    )
  })

  it('layers never overlap, never leave the piece, and never hold more than it', () => {
    fc.assert(
      fc.property(layers, (list) => {
        const compiled = compile(plan(list), curve, shelf)
        let bottom = 0
        for (const found of compiled.layers) {
          expect(found.bottom).toBe(bottom)
          expect(found.top).toBeGreaterThanOrEqual(found.bottom)
          expect(found.top).toBeLessThanOrEqual(curve.height * (1 + 1e-12))
          bottom = found.top
        }
        const held = compiled.layers.reduce((sum, found) => sum + found.cavity, 0)
        expect(held).toBeLessThanOrEqual(curve.volume * (1 + 1e-9))
      }),
    )
  })

  it('time runs forward: no layer is poured before the one below it', () => {
    fc.assert(
      fc.property(layers, (list) => {
        const clocks = compile(plan(list), curve, shelf).layers.flatMap(
          (found) => found.clock ?? [],
        )
        clocks.forEach((clock, i) => {
          expect(clock.mixAt).toBeGreaterThanOrEqual(0)
          expect(clock.pourAt).toBeGreaterThan(clock.mixAt)
          expect(clock.gelAt).toBeGreaterThanOrEqual(clock.bleedsUntil)
          expect(clock.demouldAt).toBeGreaterThanOrEqual(clock.gelAt)
          if (i > 0) expect(clock.pourAt).toBeGreaterThan(clocks[i - 1].pourAt)
        })
      }),
    )
  })

  it('twice the copies is twice the weight', () => {
    const one = compile(plan([layer('a', 0.4), layer('b', 1)]), curve, shelf)
    const two = compile(plan([layer('a', 0.4), layer('b', 1)], { copies: 2 }), curve, shelf)
    two.layers.forEach((found, i) => {
      expect(found.weighing!.total / one.layers[i].weighing!.total).toBeCloseTo(2, 12)
    })
  })

  it('a piece turned over together with its up direction gives the same plan', () => {
    const angle = 0.7
    const turn = ([x, y, z]: Vec3): Vec3 => [
      x,
      y * Math.cos(angle) - z * Math.sin(angle),
      y * Math.sin(angle) + z * Math.cos(angle),
    ]
    const turned: Mesh = { positions: drop.positions.slice(), triangles: drop.triangles }
    for (let v = 0; v < turned.positions.length; v += 3) {
      turned.positions.set(
        turn([drop.positions[v], drop.positions[v + 1], drop.positions[v + 2]]),
        v,
      )
    }
    const cut = plan([layer('a', 0.3), layer('b', 1)])
    const there = compile(cut, fillCurve(turned, turn([0, 0, 1])), shelf)
    compile(cut, curve, shelf).layers.forEach((found, i) => {
      expect(there.layers[i].resin / found.resin).toBeCloseTo(1, 9)
    })
  })

  it('any other cure model can stand behind the clock', () => {
    const seen: number[] = []
    const fixed: CureModel = ({ mass }) => {
      seen.push(mass)
      const basis = { pourable: 'rule', gel: 'rule', join: 'rule', demould: 'rule' } as const
      return {
        pourable: 600,
        bleedsUntil: 600,
        gel: 1000,
        joinUntil: 2000,
        trim: 5000,
        demould: 9000,
        basis,
      }
    }
    const two = plan([layer('a', 0.5), layer('b', 1)])
    const { layers: found, wanted } = compileBy(fixed, two, curve, shelf)
    expect(wanted).toEqual([])
    expect(found[0].clock!.gelAt).toBe(1000)
    expect(found[1].clock!.pourAt).toBe(1250)
    expect(seen).toEqual(found.map((l) => l.weighing!.total))
  })
})

describe('the schedule', () => {
  const basis = { pourable: 'sheet', gel: 'sheet', join: 'sheet', demould: 'sheet' } as const
  const times = {
    pourable: 3000,
    bleedsUntil: 3000,
    gel: 7200,
    joinUntil: 11000,
    trim: 48600,
    demould: 90000,
    basis,
  }
  const ripening = (join: Layer['join'], inCup = 240): Ripening => ({
    layer: layer('x', 1, { join }),
    inCup,
    cups: 1,
    times,
  })

  it.each([
    ['crisp', 7200 + 0.25 * 3800],
    ['soft', (3000 + 7200) / 2],
    ['bled', 480],
  ] as const)('%s on an epoxy mixed at 0 is poured at %d s', (join, pourAt) => {
    expect(schedule([ripening('crisp'), ripening(join)]).clocks[1].pourAt).toBe(pourAt)
  })

  it('a mix begun for a bled join waits for the hands to be free', () => {
    const { clocks } = schedule([ripening('crisp'), ripening('bled')])
    expect(clocks[1].mixAt).toBe(clocks[0].pourAt)
  })
})

describe('a plan in words', () => {
  it('names what two versions may differ in', () => {
    const lines = describePlan(
      plan(
        [
          layer('Night', 0.25, { tints: [{ material: 'violet', fraction: 0.002 }] }),
          layer('Day', 1, { resin: 'lost' }),
        ],
        {
          copies: 6,
          note: 'For the market',
        },
      ),
      shelf,
    )
    expect(lines).toEqual([
      '6 copies, open mould, room 21 °C',
      'gate 0.0 ml, reserve 10 %, scale step 0.1 g',
      '1 Night: up to 13.0 mm, Clear slow epoxy 2:1, Violet dye 0.2 %, crisp join',
      '2 Day: up to 52.0 mm, no longer among the materials, crisp join',
      'For the market',
    ])
  })

  it('a new plan is a plan', () =>
    expect(readDocument(planSchema, newPlan('x'))).toEqual(newPlan('x')))
})

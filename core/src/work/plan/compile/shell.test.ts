import { describe, expect, it } from 'vitest'
import { fillCurve } from '../../../form/filling/index.ts'
import { buildSolid } from '../../../form/shape/index.ts'
import { wallDepths } from '../../../form/wall/index.ts'
import { calibrate, modelCure, type Batch } from '../../../matter/cure/index.ts'
import { whiteUrethane } from '../../../matter/material/samples.ts'
import { mixDensity, wholeMass } from '../../../matter/mix/index.ts'
import { addLayer, isHollow, splitLayer, usualShell, withLayer, withWall } from '../edit.ts'
import { fixesOf } from '../fixes.ts'
import { newPlan, type Layer, type Plan, type ShellFill } from '../plan.ts'
import { pouredInto } from '../pouredInto.ts'
import { pourSheet } from '../pourSheet.ts'
import { compile, compileBy } from './compile.ts'
import { wallFor } from './shell.ts'

const mm = 1e-3
const minute = 60
const box = buildSolid({ solid: 'block', width: 0.06, depth: 0.04, height: 0.02 })
const curve = fillCurve(box, [0, 0, 1])
const depths = wallDepths(box, [0, 0, 1])
const shelf = new Map([['u', whiteUrethane]])
const layerOf = (id: string, fill: Layer['fill']): Layer => ({
  ...{ id, name: id, fill, resin: 'u', tints: [], inclusions: [], join: 'crisp' },
})
const shell = (more: Partial<ShellFill> = {}): ShellFill => ({ ...usualShell, ...more })
const planOf = (fills: Layer['fill'][], more: Partial<Plan> = {}): Plan => ({
  ...newPlan('hollow'),
  mould: 'closed',
  layers: fills.map((fill, i) => layerOf(`l${i}`, fill)),
  ...more,
})
const calibrated = calibrate(whiteUrethane)
const model = (batch: Batch) => modelCure(calibrated, batch)
const compiled = (plan: Plan) => compileBy(model, plan, curve, shelf, { depths })
const codes = (plan: Plan) => compiled(plan).cautions.map(({ code }) => code)
/** Of a box of 60 × 40 × 20 mm, what a wall takes, m³. */
const wallOfBox = (t: number) => (48_000 - (60 - 2 * t) * (40 - 2 * t) * (20 - 2 * t)) * mm ** 3

describe('a layer that is cast as a wall', () => {
  it('takes what a smaller box leaves, and is weighed for each shot', () => {
    const [layer] = compiled(planOf([shell({ wall: 0.003 })])).layers
    expect(layer.resin / wallOfBox(3)).toBeCloseTo(1, 2)
    expect(layer.shell!.share).toBeCloseTo(wallOfBox(3) / (48_000 * mm ** 3), 2)
    expect(layer.weighing!.cups).toBe(2)
    const density = mixDensity(whiteUrethane.ratio, whiteUrethane)
    expect(wholeMass(layer.weighing!) / (layer.resin * density * 1.1)).toBeCloseTo(1, 2)
    // Shots alike in weight: the first is thinner than half, since the walls are wider outside.
    const [first, all] = layer.shell!.inner
    expect(all).toBeCloseTo(0.003, 9)
    expect(first).toBeLessThan(0.0015)
    expect(wallOfBox(first / mm) / wallOfBox(3)).toBeCloseTo(0.5, 1)
  })

  it('a third of solid is told as the wall that it would make', () => {
    const { third } = compiled(planOf([shell()])).layers[0].shell!
    expect(wallOfBox(third / mm) / (16_000 * mm ** 3)).toBeCloseTo(1, 2)
  })

  it('stands over what is solid below it, and a second one within the first', () => {
    const plan = planOf([
      { by: 'height', top: 0.006 },
      shell({ wall: 0.002, shots: 1 }),
      shell({ wall: 0.001, shots: 1 }),
    ])
    const { layers, cautions } = compiled(plan)
    const left = (t: number) =>
      (60 * 40 * 14 - (60 - 2 * t) * (40 - 2 * t) * (14 - 2 * t)) * mm ** 3
    expect(layers[1].resin / left(2)).toBeCloseTo(1, 1)
    expect((layers[1].resin + layers[2].resin) / left(3)).toBeCloseTo(1, 1)
    expect(layers[2].shell).toMatchObject({ from: layers[1].shell!.to })
    expect(cautions.filter(({ severity }) => severity === 'stop')).toEqual([])
    // Level on a hollow nothing lies.
    const over = planOf([shell(), { by: 'height', top: 0.02 }])
    expect(codes(over)).toContain('layer-over-shell')
    expect(compiled(over).layers[1].resin).toBe(0)
  })

  it('backwards a volume is the wall that it makes', () => {
    const { layers } = compiled(planOf([shell({ wall: 0.002 }), shell({ wall: 0.0015 })]))
    for (const { shell: one, resin } of layers) {
      expect(wallFor(one!, depths, resin)).toBeCloseTo(one!.fill.wall, 6)
    }
  })

  it('waits for the depths of its walls, and says nothing false meanwhile', () => {
    const { layers } = compile(planOf([shell()]), curve, shelf)
    expect(layers[0]).toMatchObject({ resin: 0, shell: undefined, weighing: undefined })
  })

  it('each shot is mixed when the one before has gelled, and it hardens half as long again', () => {
    const at = (shots: number) => compiled(planOf([shell({ shots })])).layers[0]
    const [one, two] = [at(1), at(2)]
    const gel = two.clock!.gelAt - two.clock!.lastPourAt + two.batch!.inCup!
    expect(two.clock!.lastPourAt - two.clock!.pourAt).toBeCloseTo(gel, 6)
    const { demouldAt, lastPourAt } = one.clock!
    expect(lastPourAt).toBe(one.clock!.pourAt)
    expect(demouldAt / model(one.batch!).demould).toBeCloseTo(1.5, 6)
  })

  it('a film gels later than the same resin in its cup', () => {
    const { clock, batch } = compiled(planOf([shell()])).layers[0]
    expect(batch!.width).toBe(Infinity)
    expect(batch!.walls!.cover).toBeUndefined()
    expect(batch!.depth).toBeCloseTo(0.0015, 9)
    expect(clock!.gelAt - clock!.lastPourAt).toBeGreaterThan(clock!.cupUntil - clock!.pourAt)
  })

  it('knows from when turning counts: earlier the faster it turns, and not before it is poured', () => {
    const counts = (turns: number) => compiled(planOf([shell({ turns })])).layers[0].turning!
    const [slow, fast] = [counts(2), counts(20)]
    expect(fast.countsFrom).toBeLessThanOrEqual(slow.countsFrom)
    for (const { countsFrom, stopsAt, gelAt } of [slow, fast]) {
      expect(countsFrom).toBeGreaterThanOrEqual(whiteUrethane.mixTime)
      expect(stopsAt).toBeGreaterThanOrEqual(countsFrom)
      expect(gelAt).toBeGreaterThanOrEqual(stopsAt)
    }
  })

  it('is turned on its sheet, after each pour, with what may hurt', () => {
    const sheet = pourSheet(compiled(planOf([shell()])))
    expect(sheet.map(({ step }) => step)).toEqual(['weigh', 'mix', 'pour', 'turn', 'demould'])
    const turn = sheet.find(({ step }) => step === 'turn')!
    expect(turn.safety.map(({ id }) => id)).toEqual(['turn-gloves', 'turn-plug'])
  })
})

// Limits of the trade (common practice, no source).
describe('what is said of a hollow cast', () => {
  it.each([
    [{ wall: 0.0015 }, 'cast-wall-thin'],
    [{ wall: 0.007 }, 'cast-wall-thick'],
    [{ wall: 0.012 }, 'cast-wall-fills'],
    [{ turns: 12 }, 'turns-by-hand'],
    [{ turned: 'machine', turns: 1, wall: 0.006, shots: 1 }, 'turns-too-few'],
  ] as const)('%o: %s', (more, code) => {
    expect(codes(planOf([shell(more)]))).toContain(code)
  })

  it('nothing of a figure of 3 mm that hands turn', () => {
    expect(codes(planOf([shell()])).filter((code) => /wall|hollow|turn/.test(code))).toEqual([])
  })

  it('copies are turned one by one, a slow resin for too long, vents let it out', () => {
    expect(codes(planOf([shell()], { copies: 3 }))).toContain('turned-one-by-one')
    const slow = { ...whiteUrethane, potLife: 40 * minute, demould: 24 * 60 * minute }
    const law = calibrate(slow)
    const late = compileBy(
      (batch) => modelCure(law, batch),
      planOf([shell()]),
      curve,
      new Map([['u', slow]]),
      {
        depths,
      },
    )
    expect(late.cautions.map(({ code }) => code)).toContain('turns-for-long')
    const plan = planOf([shell()])
    const into = {
      ...pouredInto(plan, undefined, { up: plan.up, lowest: 0, height: 0.02 }),
      mouldBy: 'mould' as const,
    }
    const said = (openings: unknown[], more: object = {}) =>
      compile(plan, curve, shelf, {
        depths,
        into: { ...into, openings, ...more } as typeof into,
      }).cautions.map(({ code }) => code)
    expect(said([{ what: 'gate' }, { what: 'vent' }])).toContain('hollow-vents')
    expect(said([])).toContain('hollow-port')
    expect(said([{ what: 'gate' }], { soft: true })).toContain('hollow-jacket')
    expect(said([{ what: 'gate' }], { soft: false })).not.toContain('hollow-jacket')
  })

  it('too few turns are mended by more shots, in one click', () => {
    const plan = planOf([shell({ wall: 0.004, shots: 1 })])
    const found = compiled(plan)
    const said = found.cautions.find(({ code }) => code === 'turns-too-few')!
    expect(said.amounts).toMatchObject({ shots: 2 })
    const [fix] = fixesOf(said, plan, found)
    expect(fix.plan.layers[0].fill).toMatchObject({ shots: 2 })
    expect(codes(fix.plan)).not.toContain('turns-too-few')
    // By a machine that hardly turns no number of shots helps, and none is offered.
    const never = planOf([shell({ wall: 0.006, shots: 1, turned: 'machine', turns: 1 })])
    const left = compiled(never)
    const none = left.cautions.find(({ code }) => code === 'turns-too-few')!
    expect(none.amounts).toMatchObject({ shots: null })
    expect(fixesOf(none, never, left)).toEqual([])
  })
})

describe('editing a wall', () => {
  it('keeps to it: another one within, two of half, another thickness', () => {
    const plan = planOf([shell()])
    const added = addLayer(plan, compiled(plan), 'x')
    expect(added.layers[1].fill).toEqual(shell())
    const split = splitLayer(plan, compiled(plan), 0, 'y')
    expect(split.layers.map(({ fill }) => fill)).toEqual([
      shell({ wall: 0.0015 }),
      shell({ wall: 0.0015 }),
    ])
    expect(withWall(plan, 0, 0.004).layers[0].fill).toMatchObject({ wall: 0.004, shots: 2 })
    expect(isHollow(plan)).toBe(true)
    const solid = withLayer(plan, 0, { fill: { by: 'height', top: 0.02 } })
    expect(withWall(solid, 0, 0.004)).toBe(solid)
    expect(isHollow(solid)).toBe(false)
  })
})

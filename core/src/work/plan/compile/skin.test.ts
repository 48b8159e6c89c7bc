import { describe, expect, it } from 'vitest'
import { fillCurve } from '../../../form/filling/index.ts'
import { buildSolid } from '../../../form/shape/index.ts'
import { wallDepths } from '../../../form/wall/index.ts'
import { calibrate, modelCure } from '../../../matter/cure/index.ts'
import type { Material, Tint } from '../../../matter/material/index.ts'
import { whiteUrethane } from '../../../matter/material/samples.ts'
import { mixDensity } from '../../../matter/mix/index.ts'
import { timesThicker } from '../../../matter/turning/index.ts'
import { usualShell } from '../edit.ts'
import { fixesOf } from '../fixes.ts'
import { newPlan, type MetalSkin, type Plan } from '../plan.ts'
import { pourSheet } from '../pourSheet.ts'
import { compileBy } from './compile.ts'
import { clingFor, warmsFilled } from './skin.ts'

const mm = 1e-3
const box = buildSolid({ solid: 'block', width: 0.06, depth: 0.04, height: 0.02 })
const [curve, depths] = [fillCurve(box, [0, 0, 1]), wallDepths(box, [0, 0, 1])]
const bronze: Tint = {
  ...{ kind: 'tint', name: 'Bronze powder', form: 'powder', colour: '#a87432', density: 8800 },
  ...{ limit: 0.9, note: '', flake: 40e-6 },
}
const resin = { ...whiteUrethane, viscosity: 0.5 }
const shelf = new Map<string, Material>([
  ['u', resin],
  ['bronze', bronze],
  ['mica', { ...bronze, name: 'Mica', form: 'mica' }],
  ['thick', { ...resin, name: 'Thick', viscosity: 9 }],
  ['unsaid', { ...resin, name: 'Unsaid', viscosity: undefined }],
])
const calibrated = calibrate(resin)
const planOf = (skin: MetalSkin | undefined, more: Partial<Plan> = {}, of = 'u'): Plan => ({
  ...newPlan('skin'),
  ...{ mould: 'closed', layers: [{ ...layer, resin: of, fill: { ...usualShell, skin } }] },
  ...more,
})
const layer = { id: 'a', name: 'Wall', tints: [], inclusions: [], join: 'crisp' as const }
const compiled = (plan: Plan) =>
  compileBy((batch) => modelCure(calibrated, batch), plan, curve, shelf, { depths })
const codes = (plan: Plan) => compiled(plan).cautions.map(({ code }) => code)
const dusted: MetalSkin = { powder: 'bronze', school: 'dusted', share: 1 }

describe('a metal skin', () => {
  it('takes 15 mg of dust on a square centimetre, for each copy', () => {
    const area = 2 * (60 * 40 + 60 * 20 + 40 * 20) * mm ** 2
    const { skin } = compiled(planOf(dusted)).layers[0]
    expect(Math.abs(skin!.dust / (0.15 * area) - 1)).toBeLessThan(0.02)
    expect(skin!.face).toBeUndefined()
    const three = compiled(planOf(dusted, { copies: 3 })).layers[0].skin!
    expect(three.dust).toBeCloseTo(3 * skin!.dust, 9)
    // Weighed before and after, for two copies: so much clings the next time.
    const plan = planOf(dusted, { copies: 2 })
    const cling = clingFor(compiled(plan).layers[0].shell!, 2, 0.0012)
    const learned = compiled(planOf({ ...dusted, cling }, { copies: 4 })).layers[0].skin!
    expect(learned.dust).toBeCloseTo(0.0024, 9)
  })

  it('a filled face takes powder for half of one shot, and is as thick as its share makes it', () => {
    const plan = planOf({ ...dusted, school: 'filled' })
    const { layers, needs } = compiled(plan)
    const { skin, weighing } = layers[0]
    const { face, dust } = skin!
    const cup = weighing!.steps.reduce((sum, { mass }) => sum + mass, 0)
    expect(face!.resin).toBeCloseTo(cup / 2, 9)
    expect(face!.powder).toBeCloseTo(face!.resin, 9)
    const density = mixDensity(resin.ratio, resin)
    expect(face!.share).toBeCloseTo(1 / 8800 / (1 / 8800 + 1 / density), 9)
    expect(face!.viscosity).toBeCloseTo(0.5 * timesThicker(face!.share), 9)
    expect(needs.find(({ name }) => name === 'Bronze powder')!.mass).toBeCloseTo(
      dust + face!.powder,
      9,
    )
  })

  // By weight, of heat capacities of a handbook: bronze 377, this class of resin 1850 J/(kg·K), from memory.
  it('a filled face warms itself less: as much metal as resin by weight leaves some 83 of 100', () => {
    const { face } = compiled(planOf({ ...dusted, school: 'filled' })).layers[0].skin!
    expect(Math.abs(face!.warms / (1850 / (1850 + 377)) - 1)).toBeLessThan(0.02)
    const more = compiled(planOf({ ...dusted, school: 'filled', share: 3 })).layers[0].skin!
    expect(Math.abs(more.face!.warms / (1850 / (1850 + 3 * 377)) - 1)).toBeLessThan(0.05)
    expect(warmsFilled('fast urethane', 0)).toBe(1)
  })

  it('too much of it is told, and one button takes as much as still pours', () => {
    const plan = planOf({ ...dusted, school: 'filled', share: 12 })
    const found = compiled(plan)
    const said = found.cautions.find(({ code }) => code === 'skin-too-thick')!
    const [fix] = fixesOf(said, plan, found)
    expect(codes(fix.plan)).not.toContain('skin-too-thick')
    const { fill } = fix.plan.layers[0]
    expect(fill.by === 'shell' && fill.skin!.share).toBeGreaterThan(3)
  })

  it.each([
    ['no powder chosen', planOf({ school: 'dusted', share: 1 }), 'skin-no-powder'],
    ['a powder that is gone', planOf({ ...dusted, powder: 'gone' }), 'skin-no-powder'],
    ['mica', planOf({ ...dusted, powder: 'mica' }), 'skin-not-metal'],
    [
      'a resin too thick for any',
      planOf({ ...dusted, school: 'filled' }, {}, 'thick'),
      'skin-too-thick',
    ],
  ])('%s is told at its place', (_, plan, code) => {
    const said = compiled(plan).cautions.find((one) => one.code === code)
    expect(said?.place).toMatchObject({ layer: 'a', field: 'skin' })
  })

  it('within another wall no dust reaches the mould', () => {
    const inner = {
      ...layer,
      id: 'b',
      resin: 'u',
      fill: { ...usualShell, wall: 0.001, skin: dusted },
    }
    const plan = planOf(undefined)
    expect(codes({ ...plan, layers: [...plan.layers, inner] })).toContain('skin-not-outer')
  })

  it('what its sheet does not say is not made up', () => {
    const { face } = compiled(planOf({ ...dusted, school: 'filled' }, {}, 'unsaid')).layers[0].skin!
    expect(face).toMatchObject({ share: expect.any(Number) })
    expect([face!.viscosity, face!.most, face!.sinks]).toEqual([undefined, undefined, undefined])
  })

  it('has the caution of powders before it is weighed', () => {
    const weigh = pourSheet(compiled(planOf(dusted))).find(({ step }) => step === 'weigh')!
    expect(weigh.safety.map(({ id }) => id)).toContain('dust')
  })
})

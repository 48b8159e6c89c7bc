import { describe, expect, it } from 'vitest'
import { calibrate, learn, modelCure } from '../../../matter/cure/index.ts'
import { fillCurve } from '../../../form/filling/index.ts'
import { dabSets, type PlanInclusion } from '../../../matter/inclusion/index.ts'
import { slowEpoxy } from '../../../matter/material/samples.ts'
import { buildSolid } from '../../../form/shape/index.ts'
import { fixesOf } from '../fixes.ts'
import { newPlan, type Plan } from '../plan.ts'
import { pouredInto } from '../pouredInto.ts'
import { pourSheet } from '../pourSheet.ts'
import { compileBy } from './compile.ts'

const curve = fillCurve(
  buildSolid({ solid: 'block', width: 0.04, depth: 0.05, height: 0.03 }),
  [0, 0, 1],
)
const shelf = new Map([['epoxy', slowEpoxy]])
const thing = (more: Partial<PlanInclusion>): PlanInclusion => ({
  id: 't',
  name: 'Charm',
  count: 4,
  mass: 0.2e-3,
  density: 8500,
  ...more,
})
const planWith = (inclusion: PlanInclusion, top = 0.03): Plan => {
  const layer = { resin: 'epoxy', tints: [], join: 'crisp' as const }
  return {
    ...newPlan('x'),
    layers: [
      { ...layer, id: 'base', name: 'Base', fill: { by: 'height', top: 0.01 }, inclusions: [] },
      {
        ...layer,
        id: 'cover',
        name: 'Cover',
        fill: { by: 'height', top },
        inclusions: [inclusion],
      },
    ],
  }
}
const compiled = (plan: Plan, gate?: number) => {
  const into = pouredInto(plan, undefined, { up: plan.up, lowest: 0, height: 0.03 })
  return compileBy(
    (one) => modelCure(learn(calibrate(one.resin), one.resin), one),
    plan,
    curve,
    shelf,
    {
      into: { ...into, through: gate },
    },
  )
}
const codes = (plan: Plan, gate?: number) => compiled(plan, gate).cautions.map(({ code }) => code)

describe('what is known of a thing', () => {
  it.each([
    ['porous', 'inclusion-drinks'],
    ['bleeds', 'inclusion-bleeds'],
    ['has a face', 'inclusion-face'],
    ['magnetic', 'inclusion-magnetic'],
    ['carries load', 'inclusion-load'],
    ['damp', 'inclusion-organic'],
  ] as const)('%s is said', (trait, code) => {
    expect(codes(planWith(thing({ traits: [trait] })))).toContain(code)
    expect(codes(planWith(thing({})))).not.toContain(code)
  })

  it('a porous one is weighed out with what it drinks', () => {
    const chips = thing({ density: 1000, mass: 1e-3, drinks: 0.5 })
    const [dry, wet] = [{ ...chips, drinks: 0 }, chips].map(
      (one) => compiled(planWith(one)).layers[1],
    )
    expect(wet.resin - dry.resin).toBeCloseTo(0.5 * 4e-6, 12)
    expect(wet.drunk).toBeCloseTo(2e-6, 12)
  })

  it('what would rise goes in once its layer holds it: panel, pour sheet and bench say one moment', () => {
    const petals = thing({ name: 'Petal', density: 400, mass: 1e-5, lift: 0.005 })
    const found = compiled(planWith(petals))
    const { clock, setIn } = found.layers[1]
    const [{ when, settling }] = setIn
    expect(when!.how).toBe('once it holds')
    expect(when!.from).toBe(clock!.mixAt + settling!.holdsFrom)
    expect(when!.from).toBeGreaterThan(clock!.pourAt)
    expect(when!.until).toBe(clock!.gelAt)
    const step = pourSheet(found).find(({ step }) => step === 'set')
    expect(step).toMatchObject({ at: when!.from, set: { when } })
    // Poured over before that, they would lie under it or not get in at all.
    const plan = planWith(petals)
    const top = { ...plan.layers[1], id: 'top', name: 'Top', inclusions: [], join: 'soft' as const }
    const [base, cover] = plan.layers
    const low = { ...cover, fill: { by: 'height', top: 0.02 } as const }
    const over = (join: 'soft' | 'crisp') =>
      compiled({ ...plan, layers: [base, low, { ...top, join }] }).cautions
    const early = over('soft').find(({ code }) => code === 'covered-before-set')
    expect(early?.place).toEqual({ layer: 'cover', field: 'inclusions' })
    expect(over('crisp').map(({ code }) => code)).not.toContain('covered-before-set')
    // A star of brass that lies on the floor anyway needs no wait.
    const [star] = compiled(planWith(thing({}))).layers[1].setIn
    expect(star.when!.how).toBe('on the gel')
  })

  it('a thing that the gate does not pass is said, unless it is laid in before the mould is closed', () => {
    const wide = thing({ mass: 2e-3 })
    expect(codes(planWith(wide), 0.004)).toContain('inclusion-over-gate')
    expect(codes(planWith(wide), 0.02)).not.toContain('inclusion-over-gate')
    const { layers, ...plan } = planWith(wide)
    const alone = { ...plan, layers: [{ ...layers[1], id: 'only' }] }
    expect(codes(alone, 0.004)).not.toContain('inclusion-over-gate')
  })
})

describe('what floats', () => {
  const cork = thing({ density: 240, mass: 0.02e-3 })

  it('is told, and dabbed in one click', () => {
    const plan = planWith(cork)
    const found = compiled(plan)
    const floats = found.cautions.find(({ code }) => code === 'inclusion-floats')!
    const dab = fixesOf(floats, plan, found).find(({ fix }) => fix === 'dab')!
    const after = compiled(dab.plan)
    expect(after.cautions.map(({ code }) => code)).not.toContain('inclusion-floats')
    expect(after.layers[1].setIn[0]).toMatchObject({ lies: 'floor', when: { how: 'dab' } })
  })

  it('its dab holds before it is covered, or the cover waits', () => {
    const dabbed = planWith(thing({ ...cork, held: 'dab' }))
    const found = compiled(dabbed)
    const late = found.cautions.find(({ code }) => code === 'dab-no-time')
    const { when } = found.layers[1].setIn[0]
    expect(when!.until).toBeCloseTo(found.layers[1].clock!.pourAt - dabSets, 6)
    if (late) {
      const [wait] = fixesOf(late, dabbed, found)
      expect(codes(wait.plan)).not.toContain('dab-no-time')
    } else expect(when!.until).toBeGreaterThanOrEqual(when!.from)
  })

  it('a cover that is poured too soon for its dab is told to wait', () => {
    const plan = planWith(thing({ ...cork, held: 'dab' }))
    plan.layers[1].wait = compiled(plan).layers[0].clock!.gelAt - 200
    const found = compiled(plan)
    const late = found.cautions.find(({ code }) => code === 'dab-no-time')!
    const [wait] = fixesOf(late, plan, found)
    expect(codes(wait.plan)).not.toContain('dab-no-time')
  })
})

describe('what carries load', () => {
  it('hangs in a jig between pouring and gel, on the sheet at its moment', () => {
    const plan = planWith(thing({ traits: ['carries load'] }))
    const found = compiled(plan)
    const load = found.cautions.find(({ code }) => code === 'inclusion-load')!
    const [jig] = fixesOf(load, plan, found)
    expect(jig.fix).toBe('jig')
    const after = compiled(jig.plan)
    expect(after.cautions.map(({ code }) => code)).not.toContain('inclusion-load')
    const { clock } = after.layers[1]
    const steps = pourSheet(after)
    const set = steps.findIndex(({ step }) => step === 'set')
    expect(steps[set]).toMatchObject({
      at: clock!.pourAt,
      set: { when: { how: 'jig', until: clock!.gelAt } },
    })
    expect(steps[set - 1]).toMatchObject({ step: 'pour', layer: { id: 'cover' } })
    expect(steps[set].safety.map(({ id }) => id)).toContain('hands')
  })

  it('what lies on a gel is laid before its cover is weighed', () => {
    const steps = pourSheet(compiled(planWith(thing({ lift: 0 })))).map(({ step }) => step)
    expect(steps).toEqual(['weigh', 'mix', 'pour', 'set', 'weigh', 'mix', 'pour', 'demould'])
  })

  it('magnets and what conducts bring their own lines of safety', () => {
    const lines = pourSheet(
      compiled(planWith(thing({ lift: 0, traits: ['magnetic', 'conducts'] }))),
    ).flatMap(({ safety }) => safety.map(({ id }) => id))
    expect(lines).toEqual(expect.arrayContaining(['magnets', 'no-battery']))
  })
})

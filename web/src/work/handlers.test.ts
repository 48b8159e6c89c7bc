import { describe, expect, it } from 'vitest'
import type { Material } from '@mivro/core/matter/material'
import type { Form } from '@mivro/core/form/piece'
import { compileBy, pouredInto, newPlan, pourHeatQuestion, type Plan } from '@mivro/core/work/plan'
import { fillCurve } from '@mivro/core/form/filling'
import { type Vec3 } from '@mivro/core/form/mesh'
import { slowEpoxy } from '../../../core/src/matter/material/samples.ts'
import { handlers } from './handlers.ts'
import { cureTimes, lawOf } from './laws.ts'
import { jobContext } from './onThisThread.ts'

const form: Form = {
  from: 'sizes',
  solid: { solid: 'block', width: 0.06, depth: 0.06, height: 0.05 },
}
const coating = { ...slowEpoxy, gelTime: undefined, recoatUntil: undefined, maxDepth: 0.012 }
const shelf: [string, Material][] = [
  ['coating', coating],
  [
    'deep',
    {
      ...coating,
      name: 'Deep',
      class: 'deep epoxy',
      potLife: 6 * 3600,
      potMass: 1,
      demould: 60 * 3600,
      viscosity: 0.25,
      maxDepth: 0.08,
    },
  ],
]
const plan: Plan = {
  ...newPlan('deep'),
  layers: [
    {
      id: 'all',
      name: 'All',
      fill: { by: 'height', top: 0.05 },
      resin: 'coating',
      tints: [],
      inclusions: [],
      join: 'crisp',
    },
  ],
}

const into = pouredInto(plan, undefined, { up: plan.up, lowest: 0, height: 0.05 })

describe('heat off the main thread', () => {
  it('a sheet is calibrated once, however often it is asked', () => {
    expect(lawOf({ ...coating })).toBe(lawOf({ ...coating }))
    expect(lawOf({ ...coating, potLife: 1000 })).not.toBe(lawOf(coating))
  })

  it('follows a pour, saying how far it is', async () => {
    const { mesh } = await jobContext().cavity(form)
    const cure = (batch: Parameters<typeof cureTimes>[0][number]) => cureTimes([batch])[0]
    const compiled = compileBy(cure, plan, fillCurve(mesh, plan.up), new Map(shelf))
    const pour = pourHeatQuestion(plan, compiled, 3000)
    const shares: number[] = []
    const field = await handlers.heat(
      { form, pour },
      jobContext((share: number) => shares.push(share)),
    )
    expect(field.layers[0].hot.temperature - 273.15).toBeGreaterThan(100)
    expect(shares.at(-1)!).toBeLessThanOrEqual(1.01)
    expect([...shares].sort((a, b) => a - b)).toEqual(shares)
    const { batch } = compiled.layers[0]
    const deepest = await handlers.deepest({ batch: batch!, limit: compiled.heatLimit!.at })
    expect(deepest.advised).toBeLessThan(0.012)
  }, 30_000)

  it('ways out hold in the field: one split that joins, one that scuffs, other resins', async () => {
    const shares: number[] = []
    const found = await handlers.ways(
      { form, plan, shelf, into, layer: 'all' },
      jobContext((share: number) => shares.push(share)),
    )
    expect(found.length).toBeGreaterThan(1)
    expect(found.every(({ holds, peak, limit }) => holds && peak <= limit!)).toBe(true)
    expect(found.some(({ way }) => way.way === 'resin')).toBe(true)
    expect(found.filter(({ way }) => way.way === 'split' && !way.scuff).length).toBeLessThanOrEqual(
      1,
    )
    expect(shares.at(-1)).toBe(1)
  }, 60_000)
})

describe('what takes seconds', () => {
  const cup: Form = {
    from: 'sizes',
    solid: { solid: 'cup', foot: 0.04, diameter: 0.04, height: 0.05, wall: 0.004 },
  }

  it('the search says how far it is, from nothing to all', async () => {
    const shares: number[] = []
    const gate = { at: [0, 0, 0.002] as Vec3, bore: 0.003 }
    const tilts = await handlers.tilts(
      { form: cup, up: [0, 0, 1], gate },
      jobContext((share: number) => shares.push(share)),
    )
    expect(shares[0]).toBe(0)
    expect(shares.at(-1)).toBe(1)
    expect([...shares].sort((a, b) => a - b)).toEqual(shares)
    expect(tilts).toHaveLength(5)
    // The ring goes all round: one vent at its top clears it, whatever the tilt.
    expect(tilts[0].left).toBe(0)
    expect(tilts[0].vents).toHaveLength(1)
  })

  it('the geometry says what is being looked for', async () => {
    const steps: string[] = []
    const geometry = await handlers.geometry(
      { form: cup, up: [0, 0, 1] },
      jobContext((step: string) => steps.push(step)),
    )
    expect(steps).toHaveLength(4)
    expect(geometry.foot.height).toBeCloseTo(0.05, 6)
    expect(geometry.handles).toBe(0)
  })
})

import { describe, expect, it } from 'vitest'
import type { Material } from '@mivro/core/material'
import { readForm, type Form } from '@mivro/core/piece'
import { compile, newPlan, pourHeatQuestion, type Plan } from '@mivro/core/plan'
import { fillCurve } from '@mivro/core/shape'
import { slowEpoxy } from '../../../core/src/material/samples.ts'
import { cureTimes, findDeepest, findWays, followHeat, lawOf } from './heatJobs.ts'

const form: Form = {
  from: 'sizes',
  solid: { solid: 'block', width: 0.06, depth: 0.06, height: 0.05 },
}
const read = (asked: Form) => readForm(asked)
const walls = { floor: 0.01, wall: 0.01 }
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
      inclusions: [],
      join: 'crisp',
    },
  ],
}

describe('heat off the main thread', () => {
  it('a sheet is calibrated once, however often it is asked', () => {
    expect(lawOf({ ...coating })).toBe(lawOf({ ...coating }))
    expect(lawOf({ ...coating, potLife: 1000 })).not.toBe(lawOf(coating))
  })

  it('follows a pour, saying how far it is', async () => {
    const { mesh } = await read(form)
    const cure = (batch: Parameters<typeof cureTimes>[0][number]) => cureTimes([batch])[0]
    const compiled = compile(plan, fillCurve(mesh, plan.up), new Map(shelf), { cure, walls })
    const pour = pourHeatQuestion(plan, compiled, walls, 3000)
    const shares: number[] = []
    const field = await followHeat({ form, pour }, read, (share) => shares.push(share))
    expect(field.layers[0].hot.temperature - 273.15).toBeGreaterThan(100)
    expect(shares.at(-1)!).toBeLessThanOrEqual(1.01)
    expect([...shares].sort((a, b) => a - b)).toEqual(shares)
    const { batch } = compiled.layers[0]
    expect(findDeepest({ batch: batch!, limit: compiled.heatLimit }).advised).toBeLessThan(0.012)
  }, 30_000)

  it('ways out hold in the field: one split that joins, one that scuffs, other resins', async () => {
    const shares: number[] = []
    const found = await findWays({ form, plan, shelf, walls, layer: 'all' }, read, (s) =>
      shares.push(s),
    )
    expect(found.length).toBeGreaterThan(1)
    expect(found.every(({ holds, peak, limit }) => holds && peak <= limit)).toBe(true)
    expect(found.some(({ way }) => way.way === 'resin')).toBe(true)
    expect(found.filter(({ way }) => way.way === 'split' && !way.scuff).length).toBeLessThanOrEqual(
      1,
    )
    expect(shares.at(-1)).toBe(1)
  }, 60_000)
})

import { describe, expect, it } from 'vitest'
import { thicknessProfile } from '../../../form/cells/index.ts'
import {
  calibrate,
  learn,
  modelCure,
  type CureModel,
  type Learned,
} from '../../../matter/cure/index.ts'
import { sheets } from '../../../matter/cure/samples.ts'
import { fillCurve } from '../../../form/filling/index.ts'
import type { Material, Resin } from '../../../matter/material/index.ts'
import { buildSolid, type Solid } from '../../../form/shape/index.ts'
import { compileBy, type CompileOptions } from '../compile/compile.ts'
import type { PlanInclusion } from '../../../matter/inclusion/index.ts'
import { newPlan, type Plan } from '../plan.ts'

const deep: Resin = { ...sheets.deep, maxDepth: 0.05 }
const shelf = new Map<string, Material>([
  ['deep', deep],
  ['fast', { ...sheets.fast, mixTime: 30 }],
  ['coating', { ...sheets.coating, maxDepth: 0.01 }],
])
const laws = new Map<Resin, Learned>()
const cure: CureModel = (batch) => {
  const law = laws.get(batch.resin) ?? learn(calibrate(batch.resin), batch.resin)
  laws.set(batch.resin, law)
  return modelCure(law, batch)
}

const rod: Solid = { solid: 'block', width: 0.02, depth: 0.014, height: 0.095 }
const judged = (
  solid: Solid,
  resin: string,
  inclusions: PlanInclusion[] = [],
  options: CompileOptions = {},
  more: Partial<Plan> = {},
) => {
  const mesh = buildSolid(solid)
  const curve = fillCurve(mesh, [0, 0, 1])
  const fill = { by: 'height', top: curve.height } as const
  const plan: Plan = {
    ...newPlan('heat'),
    layers: [{ id: 'a', name: 'All', fill, resin, tints: [], inclusions, join: 'crisp' }],
    ...more,
  }
  return compileBy(cure, plan, curve, shelf, {
    thickness: thicknessProfile(mesh, [0, 0, 1]),
    ...options,
  })
}
const severities = ({ cautions }: ReturnType<typeof judged>) =>
  Object.fromEntries(cautions.map(({ code, severity }) => [code, severity]))

describe('what is at stake when a cast gets warm', () => {
  it('a figure of 95 mm that is 14 mm thick is no deep pour', () => {
    const found = judged(rod, 'deep')
    expect(found.layers[0].thick).toBeGreaterThan(0.012)
    expect(found.layers[0].thick).toBeLessThan(0.016)
    expect(found.layers[0].depth).toBeCloseTo(0.095, 9)
    expect(Object.values(severities(found))).not.toContain('stop')
  })

  it('a slab over its sheet stays a stop, whatever a field says', () => {
    const slab: Solid = { solid: 'slab', diameter: 0.1, thickness: 0.06, bevel: 0 }
    const cool = new Map([['a', { temperature: 300, at: 3600 }]])
    expect(severities(judged(slab, 'deep', [], { field: cool }))['layer-too-deep']).toBe('stop')
  })

  it('for a standing piece the field, once reckoned, overrules the sheet', () => {
    const post: Solid = { solid: 'block', width: 0.06, depth: 0.06, height: 0.2 }
    expect(severities(judged(post, 'deep'))['layer-too-deep']).toBe('stop')
    const field = new Map([['a', { temperature: 313.15, at: 36_000 }]])
    const overruled = judged(post, 'deep', [], { field })
    expect(severities(overruled)['layer-too-deep']).toBeUndefined()
    expect(overruled.layers[0].clock!.peak).toMatchObject({ temperature: 313.15, by: 'field' })
  })

  // Its adiabatic rise alone is near 100 K: a solid cast of 10 g passes 80 °C every day.
  it('a solid cast of 10 g of a fast urethane is warm and no fault', () => {
    const cast: Solid = { solid: 'block', width: 0.02, depth: 0.02, height: 0.024 }
    const found = judged(cast, 'fast')
    expect(found.layers[0].clock!.peak!.temperature).toBeGreaterThan(343)
    expect(severities(found)['fast-resin-warm']).toBe('note')
    expect(Object.values(severities(found))).not.toContain('stop')
    const warmed = judged(cast, 'fast', [], {}, { mouldTemperature: 333.15 })
    expect(Object.values(severities(warmed))).not.toContain('stop')
  })

  it('a petal in it is at stake, and a thing with a limit of its own', () => {
    const cast: Solid = { solid: 'block', width: 0.02, depth: 0.02, height: 0.024 }
    const petal = { id: 'p', name: 'Petal', count: 1, mass: 1e-5, density: 400 }
    expect(severities(judged(cast, 'fast', [petal]))['layer-runs-hot']).toBe('stop')
    const chip = { ...petal, name: 'Chip', density: 2000, heatLimit: 323.15 }
    expect(severities(judged(cast, 'fast', [chip]))['layer-runs-hot']).toBe('stop')
  })

  it('an epoxy that runs away is a stop, one that only yellows a warning', () => {
    const block: Solid = { solid: 'block', width: 0.1, depth: 0.1, height: 0.06 }
    expect(severities(judged(block, 'coating'))['layer-runs-away']).toBe('stop')
    const field = new Map([['a', { temperature: 273.15 + 89, at: 3600 }]])
    expect(severities(judged(block, 'coating', [], { field }))['layer-runs-hot']).toBe('warn')
  })
})

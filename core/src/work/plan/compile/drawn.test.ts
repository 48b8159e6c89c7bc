import { expect, it } from 'vitest'
import { deltaE, linearOf } from '../../../matter/colour/index.ts'
import { fillCurve } from '../../../form/filling/index.ts'
import type { Material } from '../../../matter/material/index.ts'
import { slowEpoxy, violet } from '../../../matter/material/samples.ts'
import { buildSolid } from '../../../form/shape/index.ts'
import { newPlan, type Layer } from '../plan.ts'
import { compile } from './compile.ts'

const curve = fillCurve(
  buildSolid({ solid: 'block', width: 0.04, depth: 0.05, height: 0.03 }),
  [0, 0, 1],
)
const shelf = new Map<string, Material>([
  ['epoxy', slowEpoxy],
  ['violet', violet],
  ['teal', { ...violet, name: 'Teal dye', colour: '#1f7a6b' }],
])

it('a layer is drawn as its mix looks, not as the first of its tints', () => {
  const of = (...materials: string[]) => {
    const tints = materials.map((material) => ({ material, fraction: 0.002 }))
    const layer: Layer = {
      id: 'a',
      name: 'A',
      fill: { by: 'height', top: 0.01 },
      resin: 'epoxy',
      tints,
      inclusions: [],
      join: 'crisp',
    }
    return compile({ ...newPlan('x'), layers: [layer] }, curve, shelf).layers[0].colour
  }
  const mix = of('violet', 'teal')
  expect(of('teal', 'violet')).toBe(mix)
  for (const one of ['violet', 'teal']) {
    expect(deltaE(linearOf(mix), linearOf(of(one)))).toBeGreaterThan(5)
  }
  expect(of()).toBe(slowEpoxy.colour)
})

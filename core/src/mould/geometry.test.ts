import { beforeAll, describe, expect, it } from 'vitest'
import { referenceKernel, type ReferenceKernel } from '../form/mesh/manifold.reference.ts'
import { geometrySteps, mouldGeometry } from './geometry.ts'
import { geometryOf, geometryOfSolid } from './samples.ts'
import { buildSolid } from '../form/shape/index.ts'
import { cavityOf } from '../form/mesh/index.ts'

let reference: ReferenceKernel
beforeAll(async () => {
  reference = await referenceKernel()
})

describe('what a mould needs to know of a piece', () => {
  it('a tapered slab comes out upward, a ball is held by its lower half', () => {
    const cone = geometryOfSolid({
      solid: 'lathe',
      profile: [
        { radius: 0.03, height: 0 },
        { radius: 0.02, height: 0.02 },
      ],
    })
    expect(cone.blocked[0]).toBe(0)
    expect(cone.inner).toBe(0)
    const ball = geometryOfSolid({ solid: 'ball', diameter: 0.04 })
    // Under the lower half: a cylinder less half a ball, π r³ (1 − 2/3).
    expect(ball.blocked[0] / (Math.PI * 0.02 ** 3 * (1 / 3))).toBeCloseTo(1, 1)
    expect((ball.parting.from + ball.parting.to) / 2).toBeCloseTo(0.02, 3)
    expect(ball.parting.blocked).toBeLessThan(0.02 * ball.volume)
  })

  it('a ring lying flat has one hole, and parts across its middle', () => {
    const { kernel, meshOf } = reference
    const ring = kernel.Manifold.revolve(kernel.CrossSection.circle(5, 40).translate([18, 0]), 80)
    const found = geometryOf(meshOf(ring))
    expect(found.handles).toBe(1)
    expect(found.parting.from).toBeLessThanOrEqual(0.0051)
    expect(found.parting.to).toBeGreaterThanOrEqual(0.0049)
    expect(found.tongues).toEqual([])
  })

  it('a comb of 1.2 mm slots leaves tongues, its teeth of 0.8 mm are thin walls', () => {
    const { box, meshOf } = reference
    let comb = box([0, 0, 0], [30, 10, 20])
    for (const x of [5, 7, 9]) comb = comb.subtract(box([x, -1, 8], [x + 1.2, 11, 21]))
    const found = geometryOf(meshOf(comb))
    expect(found.tongues.map(({ kind }) => kind)).toEqual(['tongue', 'tongue', 'tongue'])
    expect(found.walls.length).toBeGreaterThanOrEqual(2)
    for (const { at } of found.tongues) expect(at[2]).toBeGreaterThan(0.008)
  })

  it('tells its steps in order', () => {
    const heard: string[] = []
    const block = cavityOf(buildSolid({ solid: 'block', width: 0.03, depth: 0.02, height: 0.01 }))
    const { foot, volume } = mouldGeometry(block, [0, 1, 0], { onStep: (step) => heard.push(step) })
    expect(heard).toEqual([...geometrySteps])
    expect(foot.height).toBeCloseTo(0.02, 9)
    expect(volume).toBeCloseTo(6e-6, 12)
  })
})

import { beforeAll, describe, expect, it } from 'vitest'
import { fillCurve, volumeAt } from '../filling/index.ts'
import { referenceKernel, type ReferenceKernel } from './manifold.reference.ts'
import { measure } from './measure.ts'
import { readStl } from './stl/readStl.ts'
import { writeStl } from './stl/writeStl.ts'
import { buildSolid } from '../shape/solids/solid.ts'
import { weld } from './weld.ts'

let reference: ReferenceKernel
beforeAll(async () => {
  reference = await referenceKernel()
})

describe('volumes equal those of manifold-3d to 1e-6', () => {
  it('a knotted part cut from balls and boxes, through an STL file', () => {
    const { Manifold } = reference.kernel
    const part = Manifold.sphere(20, 96)
      .subtract(Manifold.cylinder(60, 6, 9, 64, true))
      .add(Manifold.cube([44, 8, 8], true))
      .subtract(Manifold.sphere(7, 48).translate([12, 3, 9]))
    const file = writeStl(reference.meshOf(part, 1), 1)
    const read = weld(readStl(file).mesh)
    const solid = reference.solidOf(read)
    expect(solid.status()).toBe('NoError')
    expect(Math.abs(measure(read).volume / solid.volume() - 1)).toBeLessThan(1e-6)
    expect(Math.abs(measure(read).area / solid.surfaceArea() - 1)).toBeLessThan(1e-6)
    // Everything below a level is the part cut by a half space.
    const curve = fillCurve(read, [0, 0, 1])
    const base = measure(read).low[2]
    for (const h of [4.2, 11.7, 20, 31]) {
      const below = solid.trimByPlane([0, 0, -1], -(base + h))
      expect(Math.abs(volumeAt(curve, h) / below.volume() - 1)).toBeLessThan(1e-5)
    }
  })

  it.each([
    { solid: 'slab', diameter: 0.1, thickness: 0.008, bevel: 0.001 },
    { solid: 'drop', width: 0.038, height: 0.052, facets: 8 },
    { solid: 'dome', diameter: 0.05, height: 0.02 },
  ] as const)('$solid, written in millimetres and read back', (sizes) => {
    const read = weld(readStl(writeStl(buildSolid(sizes))).mesh)
    expect(Math.abs(measure(read).volume / reference.solidOf(read).volume() - 1)).toBeLessThan(1e-6)
  })
})

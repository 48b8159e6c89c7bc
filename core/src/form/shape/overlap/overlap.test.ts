import { beforeAll, describe, expect, it } from 'vitest'
import { closureOf, isClosed } from '../../mesh/closure.ts'
import { fillCurve } from '../../filling/index.ts'
import { referenceKernel, type ReferenceKernel } from '../../mesh/manifold.reference.ts'
import { measure } from '../../mesh/measure.ts'
import { turnInPlace, type Mesh } from '../../mesh/mesh.ts'
import { shellsOf } from '../../mesh/repair/shells.ts'
import { buildSolid } from '../solids/solid.ts'
import { cellsInside, cellVolume } from '../../cells/voxel/grid.ts'
import { voxelise } from '../../cells/voxel/voxelise.ts'
import { bodyOf } from './body.ts'
import { groupsThatMeet } from './boxes.ts'
import { joined } from './parts.ts'
import { skinOfCells } from './skinOfCells.ts'

let reference: ReferenceKernel
beforeAll(async () => {
  reference = await referenceKernel()
})
const cube = (side: number) =>
  buildSolid({ solid: 'block', width: side, depth: side, height: side })
const ball = (diameter: number) => buildSolid({ solid: 'ball', diameter })
const shifted = ({ positions, triangles }: Mesh, ...by: number[]): Mesh => ({
  positions: Float64Array.from(positions, (x, i) => x + by[i % 3]),
  triangles: triangles.slice(),
})
const without = (mesh: Mesh, ...faces: number[]): Mesh => ({
  ...mesh,
  triangles: mesh.triangles.filter((_, i) => !faces.includes(Math.floor(i / 3))),
})
const body = (...meshes: Mesh[]) => bodyOf(joined(meshes), async () => reference.kernel)
const codes = ({ cautions }: { cautions: { code: string }[] }) => cautions.map(({ code }) => code)
const mm3 = 1e-9

describe('parts of one file', () => {
  // geometry.md of the design: two cubes of 10 mm that share half of each hold 1500 mm3.
  it('two cubes that share half of each hold what their union holds, at every height', async () => {
    const found = await body(cube(0.01), shifted(cube(0.01), 0, 0, 0.005))
    expect(measure(found.mesh).volume / mm3).toBeCloseTo(1500, 3)
    expect(isClosed(found.closure)).toBe(true)
    expect(found.cautions).toMatchObject([
      {
        code: 'mesh-united',
        amounts: {
          parts: 2,
          counted: expect.closeTo(2e-6, 12),
          filled: expect.closeTo(1.5e-6, 12),
        },
      },
    ])
    const curve = fillCurve(found.mesh, [0, 0, 1])
    expect(curve.height).toBeCloseTo(0.015, 7)
    expect(shellsOf(found.mesh)).toHaveLength(1)
  })

  it('agrees with the solid library on parts across one another', async () => {
    const { kernel, solidOf } = reference
    const parts = [
      ball(0.02),
      shifted(ball(0.012), 0.008, 0.001, 0.003),
      shifted(cube(0.009), -0.007, 0, 0),
    ]
    const found = await body(...parts)
    const expected = kernel.Manifold.union(parts.map(solidOf)).volume()
    expect(measure(found.mesh).volume / expected).toBeCloseTo(1, 6)
  })

  it('a part wholly inside another adds nothing; one that looks inward leaves a void out', async () => {
    const inner = shifted(cube(0.01), 0, 0, 0.01)
    const overlap = await body(cube(0.03), inner)
    expect(measure(overlap.mesh).volume).toBeCloseTo(27e-6, 10)
    expect(codes(overlap)).toEqual(['mesh-united'])
    const hollow = await body(cube(0.03), turnInPlace(shifted(cube(0.01), 0, 0, 0.01)))
    expect(measure(hollow.mesh).volume).toBeCloseTo(27e-6, 10)
    expect(codes(hollow)).toEqual(['mesh-void'])
  })

  it('parts that stand apart or only touch stay as they are', async () => {
    const apart = await body(cube(0.01), shifted(cube(0.01), 0.02, 0, 0))
    expect(codes(apart)).toEqual(['mesh-parts'])
    expect(measure(apart.mesh).volume).toBeCloseTo(2e-6, 12)
    // Their bounds meet, they do not.
    const corner = await body(ball(0.01), shifted(ball(0.01), 0.0075, 0.0075, 0))
    expect(codes(corner)).toEqual(['mesh-parts'])
  })

  it('what is inside out is turned and says so', async () => {
    const turned = await body(turnInPlace(cube(0.02)))
    expect(measure(turned.mesh).volume).toBeCloseTo(8e-6, 12)
    expect(codes(turned)).toEqual(['mesh-turned'])
  })

  it('where no solid can be made, cells tell what is held, with a band that holds the truth', async () => {
    const block = (shift: number) => shifted(cube(0.02), shift, 0, 0)
    const dented = without(ball(0.02), 40, 41, 42, 43)
    const found = await body(shifted(dented, 0, 0, 0.01), block(0.01))
    expect(found.cautions).toMatchObject([{ code: 'mesh-in-cells', amounts: { parts: 2 } }])
    const { kernel, solidOf } = reference
    const truth = kernel.Manifold.union([
      solidOf(shifted(ball(0.02), 0, 0, 0.01)),
      solidOf(block(0.01)),
    ]).volume()
    const { volume } = measure(found.mesh)
    const { band } = found.cautions[0].amounts as { band: number }
    expect(Math.abs(volume - truth)).toBeLessThan(band)
    expect(Math.abs(volume / truth - 1)).toBeLessThan(0.02)
    expect(found.closure.openEdges).toBe(0)
  })

  it('where too much is missing to tell inside from outside, nothing is joined', async () => {
    const found = await body(without(cube(0.02), 2, 3, 4, 5), shifted(cube(0.02), 0.01, 0, 0))
    expect(codes(found)).toEqual(['mesh-parts'])
    expect(found.closure.openEdges).toBeGreaterThan(0)
  })

  it('walls that enclose a hollow between them: the hollow is said, and left out', async () => {
    const wall = (width: number, depth: number, height: number) =>
      buildSolid({ solid: 'block', width, depth, height })
    const box = [
      shifted(wall(0.02, 0.02, 0.004), 0, 0, 0),
      shifted(wall(0.02, 0.02, 0.004), 0, 0, 0.016),
      shifted(wall(0.004, 0.02, 0.02), 0.008, 0, 0),
      shifted(wall(0.004, 0.02, 0.02), -0.008, 0, 0),
      shifted(wall(0.02, 0.004, 0.02), 0, 0.008, 0),
      shifted(wall(0.02, 0.004, 0.02), 0, -0.008, 0),
    ]
    const found = await body(...box)
    expect(codes(found)).toEqual(['mesh-united', 'mesh-void'])
    expect(measure(found.mesh).volume / 8e-6).toBeCloseTo(1, 5)
  })
})

describe('what may overlap', () => {
  it('is found by bounds, also through others, and nothing else is looked at', () => {
    const at = (x: number) => ({ low: [x, 0, 0] as const, high: [x + 1, 1, 1] as const })
    expect(groupsThatMeet([at(0), at(5), at(0.5), at(1.2), at(7), at(7.9)])).toEqual([
      [0, 2, 3],
      [4, 5],
    ])
  })
})

describe('the skin of cells', () => {
  it('is closed and holds what the cells hold, whichever way they stand', () => {
    for (const up of [
      [0, 0, 1],
      [0.3, -0.5, 0.8],
    ] as const) {
      const grid = voxelise(ball(0.02), up, { longest: 24 })
      const skin = skinOfCells(grid)
      expect(measure(skin).volume / (cellsInside(grid) * cellVolume(grid))).toBeCloseTo(1, 9)
      expect(closureOf(skin).openEdges).toBe(0)
    }
  })
})

import fc from 'fast-check'
import { beforeAll, describe, expect, it } from 'vitest'
import { referenceKernel, stool, type ReferenceKernel } from '../../mesh/manifold.reference.ts'
import { measure } from '../../mesh/measure.ts'
import type { Mesh } from '../../mesh/mesh.ts'
import { buildSolid } from '../../shape/solids/solid.ts'
import { unit, type Vec3 } from '../../mesh/vector.ts'
import { cellsInside, cellVolume, inCells, middleOf } from './grid.ts'
import { voxelise } from './voxelise.ts'

let reference: ReferenceKernel
beforeAll(async () => {
  reference = await referenceKernel()
})

const volumeOf = (mesh: Mesh, up: Vec3, longest: number) => {
  const grid = voxelise(mesh, up, { longest })
  return cellsInside(grid) * cellVolume(grid)
}

/** The mesh without one face in `every`. */
const holed = ({ positions, triangles }: Mesh, every: number): Mesh => ({
  positions,
  triangles: triangles.filter((_, i) => Math.floor(i / 3) % every !== 0),
})

describe('a piece in cells', () => {
  it('cells tile the bounds, so a block is exact at any count', () => {
    const block = buildSolid({ solid: 'block', width: 0.06, depth: 0.04, height: 0.013 })
    for (const longest of [5, 17, 64]) {
      expect(volumeOf(block, [0, 0, 1], longest)).toBeCloseTo(0.06 * 0.04 * 0.013, 12)
    }
  })

  it('a cube of side 1 in tenths has a thousand cells', () => {
    const cube = buildSolid({ solid: 'block', width: 0.1, depth: 0.1, height: 0.1 })
    expect(cellsInside(voxelise(cube, [0, 0, 1], { longest: 10 }))).toBe(1000)
  })

  // The stool of 24 mm legs up in whole cells of 0.25 mm: exact, and never a leaking column.
  it('the stool is exact where its faces fall between cells', () => {
    expect(volumeOf(stool(reference), [0, 0, 1], 128) * 1e9).toBeCloseTo(4096 + 1280, 6)
  })

  it('any direction gives the volume of the surface within its grid', () => {
    const { kernel, meshOf } = reference
    const part = meshOf(
      kernel.Manifold.sphere(20, 64).subtract(kernel.Manifold.cylinder(60, 6, 9, 48, true)),
    )
    const { volume } = measure(part)
    fc.assert(
      fc.property(fc.tuple(...[0, 1, 2].map(() => fc.integer({ min: -9, max: 9 }))), (v) => {
        if (v.every((x) => x === 0)) return
        expect(volumeOf(part, v as unknown as Vec3, 64) / volume).toBeCloseTo(1, 1.7)
      }),
      { numRuns: 25 },
    )
  })

  it('shells that overlap are joined, and turned faces are borne by parity', () => {
    const one = buildSolid({ solid: 'block', width: 0.02, depth: 0.02, height: 0.02 })
    const moved = Float64Array.from(one.positions, (x, i) => (i % 3 === 0 ? x + 0.01 : x))
    const both: Mesh = {
      positions: Float64Array.of(...one.positions, ...moved),
      triangles: Uint32Array.of(...one.triangles, ...one.triangles.map((v) => v + 8)),
    }
    expect(volumeOf(both, [0, 0, 1], 60)).toBeCloseTo(0.03 * 0.02 * 0.02, 12)

    const flipped = one.triangles.slice()
    ;[flipped[0], flipped[1]] = [flipped[1], flipped[0]]
    const grid = voxelise({ ...one, triangles: flipped }, [0, 0, 1], {
      longest: 20,
      rule: 'parity',
    })
    expect(cellsInside(grid)).toBe(8000)
  })

  it('small holes are outvoted; a surface with many is refused', () => {
    const { kernel, meshOf } = reference
    const ball = meshOf(kernel.Manifold.sphere(20, 96))
    const { volume } = measure(ball)
    expect(volumeOf(holed(ball, 60), [0, 0, 1], 64) / volume).toBeCloseTo(1, 1.5)
    expect(() => volumeOf(holed(ball, 4), [0, 0, 1], 64)).toThrow('mesh-too-open')
  })

  it('a cell says where it lies in the piece', () => {
    const grid = voxelise(stool(reference), unit([0.3, -0.2, -1]), { longest: 40 })
    const cell = grid.inside.indexOf(1)
    const [x, y, z] = inCells(grid, middleOf(grid, cell))
    expect((Math.round(y) * grid.counts[0] + Math.round(x)) * grid.counts[2] + Math.round(z)).toBe(
      cell,
    )
  })
})

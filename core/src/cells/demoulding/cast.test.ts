import fc from 'fast-check'
import { beforeAll, describe, expect, it } from 'vitest'
import { referenceKernel, stool, type ReferenceKernel } from '../../mesh/manifold.reference.ts'
import { buildSolid } from '../../shape/solids/solid.ts'
import { voxelise } from '../voxel/voxelise.ts'
import { nearDistance } from './distance.ts'
import { principalDirections } from './principal.ts'
import { thinSilicone, thinWalls } from './thin.ts'
import { bestPulls, undercuts } from './undercuts.ts'

let reference: ReferenceKernel
beforeAll(async () => {
  reference = await referenceKernel()
})
const mm3 = 1e9

describe('undercuts', () => {
  // Whole cells of 0.25 mm: the figures are those of elementary geometry.
  const grid = () => voxelise(stool(reference), [0, 0, 1], { longest: 128 })

  it('a stool parts within its seat with nothing blocked', () => {
    const { best, inner } = undercuts(grid())
    expect(best.from).toBeCloseTo(0.02, 9)
    expect(best.to).toBeCloseTo(0.024, 9)
    expect(best.blocked).toBe(0)
    expect(inner).toBe(0)
  })

  it('parted at the bottom, 960 mm² of seat holds 20 mm of silicone: 19 200 mm³', () => {
    expect(undercuts(grid()).blocked[0] * mm3).toBeCloseTo(19200, 6)
  })

  it('pulled along x, 3200 mm³ between the legs has to be torn out', () => {
    const along = undercuts(voxelise(stool(reference), [1, 0, 0], { longest: 128 }))
    expect(along.inner * mm3).toBeCloseTo(3200, 6)
    expect(along.best.blocked * mm3).toBeCloseTo(3200, 6)
  })

  it('is convex in the height of the parting', () => {
    const { blocked } = undercuts(voxelise(stool(reference), [0.4, 0.3, 1], { longest: 64 }))
    for (let h = 1; h + 1 < blocked.length; h++) {
      expect(blocked[h - 1] + blocked[h + 1] - 2 * blocked[h]).toBeGreaterThan(-1e-15)
    }
  })

  it('the best pull of a stool is upright', () => {
    const [best] = bestPulls(stool(reference), [1, 0, 0])
    expect(Math.abs(best.direction[2])).toBeCloseTo(1, 6)
    expect(best.blocked).toBe(0)
  })

  it('the longest principal direction of a block is its longest side', () => {
    const block = buildSolid({ solid: 'block', width: 0.03, depth: 0.09, height: 0.02 })
    const [longest, , shortest] = principalDirections(block)
    expect(Math.abs(longest[1])).toBeCloseTo(1, 9)
    expect(Math.abs(shortest[2])).toBeCloseTo(1, 9)
  })
})

describe('what is thin', () => {
  const thinIn = (solid: ReturnType<ReferenceKernel['box']>, t: number) =>
    thinSilicone(reference.meshOf(solid), [0, 0, 1], 0.04, t)
  const block = () => reference.box([0, 0, 0], [40, 24, 20])

  it('a slot of 1.5 mm leaves a tongue of silicone where 2 mm is asked', () => {
    const found = thinIn(block().subtract(reference.box([19, -1, 8], [20.5, 25, 21])), 2e-3)
    expect(found.map(({ kind }) => kind)).toEqual(['tongue'])
    expect(found[0].reach).toBeGreaterThan(5e-3)
  })

  it('a hole of 1.5 mm right through leaves a pin held at both ends', () => {
    const drill = reference.kernel.Manifold.cylinder(30, 0.75, 0.75, 32).translate([20, 12, -5])
    expect(thinIn(block().subtract(drill), 2e-3).map(({ kind }) => kind)).toEqual(['pin'])
  })

  it('a slot of 6 mm and the outer edges of a block are thick enough', () => {
    expect(thinIn(block().subtract(reference.box([17, -1, 8], [23, 25, 21])), 2e-3)).toEqual([])
    expect(thinIn(block(), 2e-3)).toEqual([])
  })

  it('a wall of 1 mm is found where 1.5 mm is asked, one of 3 mm is not', () => {
    const cup = (wall: number) =>
      reference.meshOf(block().subtract(reference.box([wall, wall, 3], [40 - wall, 24 - wall, 21])))
    expect(thinWalls(cup(1), [0, 0, 1], 0.04, 1.5e-3).length).toBeGreaterThan(0)
    expect(thinWalls(cup(3), [0, 0, 1], 0.04, 1.5e-3)).toEqual([])
  })

  it('a piece thin all over is thin apart from anything', () => {
    const leaf = reference.meshOf(reference.box([0, 0, 0], [40, 24, 1]))
    expect(thinWalls(leaf, [0, 0, 1], 0.04, 2e-3).map(({ kind }) => kind)).toEqual(['apart'])
  })
})

it('distances are those to the nearest source, looked up one by one, as far as was asked', () => {
  const counts = [7, 5, 6] as const
  const cell = [1, 0.5, 2] as const
  const reach = 2.5
  fc.assert(
    fc.property(
      fc.array(fc.boolean(), { minLength: 210, maxLength: 210 }),
      fc.nat(8),
      (bits, sparse) => {
        const source = Uint8Array.from(bits, (on, i) => (on && i % (sparse + 1) === 0 ? 1 : 0))
        const found = nearDistance({ counts, cell }, source, reach)
        const place = (i: number) => {
          const column = Math.floor(i / 6)
          return [(column % 7) * cell[0], Math.floor(column / 7) * cell[1], (i % 6) * cell[2]]
        }
        for (let i = 0; i < 210; i += 13) {
          const at = place(i)
          const least = Math.min(
            ...[...source].flatMap((on, j) =>
              on ? [place(j).reduce((sum, x, k) => sum + (x - at[k]) ** 2, 0)] : [],
            ),
          )
          if (least <= reach ** 2) expect(found[i]).toBeCloseTo(least, 5)
          else expect(found[i]).toBeGreaterThan(reach ** 2)
        }
      },
    ),
    { numRuns: 100 },
  )
})

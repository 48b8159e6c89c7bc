import fc from 'fast-check'
import { beforeAll, describe, expect, it } from 'vitest'
import { referenceKernel, stool, type ReferenceKernel } from '../../mesh/manifold.reference.ts'
import { axesFor } from '../../mesh/axes.ts'
import type { Vec3 } from '../../mesh/vector.ts'
import { buildSolid, type Solid } from '../../shape/solids/solid.ts'
import type { Grid } from '../voxel/grid.ts'
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

  const solidGrid = (solid: Solid, up: Vec3 = [0, 0, 1]) =>
    voxelise(buildSolid(solid), up, { longest: 96 })

  it('a tapered cup parts at its rim with nothing blocked, mouth up or down', () => {
    const cup: Solid = { solid: 'cup', foot: 0.05, diameter: 0.07, height: 0.08, wall: 0.003 }
    const upright = undercuts(solidGrid(cup))
    expect(upright.inner).toBe(0)
    expect(upright.blocked[upright.blocked.length - 1]).toBe(0)
    expect(upright.best.to).toBeCloseTo(0.08, 9)
    expect(undercuts(solidGrid(cup, [0, 0, -1])).blocked[0]).toBe(0)
    expect(bestPulls(buildSolid(cup), [0, 0, 1])[0].blocked).toBe(0)
  })

  it('a straight cup parts at its rim, and anywhere within its floor', () => {
    const cup: Solid = { solid: 'cup', foot: 0.06, diameter: 0.06, height: 0.048, wall: 0.004 }
    const { blocked, row } = undercuts(solidGrid(cup))
    expect(blocked[Math.floor(0.002 / row)]).toBe(0)
    expect(blocked[blocked.length - 1]).toBe(0)
  })

  it('a keycap parts at its rim: what fills its skirt belongs to the upper half', () => {
    const cap: Solid = { solid: 'keycap', units: 1, height: 0.0095, wall: 0.0015, taper: 0.0025 }
    const { blocked, inner } = undercuts(solidGrid(cap))
    expect(inner).toBe(0)
    expect(blocked[blocked.length - 1]).toBe(0)
  })

  it('a ball parts at its equator', () => {
    const { best } = undercuts(solidGrid({ solid: 'ball', diameter: 0.04 }))
    expect(best.blocked).toBe(0)
    expect((best.from + best.to) / 2).toBeCloseTo(0.02, 3)
  })

  it('is what a flood by its definition finds, on small grids by chance', () => {
    const side = 5
    fc.assert(
      fc.property(
        fc.array(fc.boolean(), { minLength: side ** 3, maxLength: side ** 3 }),
        fc.integer({ min: 1, max: 4 }),
        (bits, sparse) => {
          const grid = gridOf(side, (i) => bits[i] && i % sparse === 0)
          if (!grid.inside.includes(1)) return
          const { blocked } = undercuts(grid)
          for (let h = 0; h <= side; h++) expect(blocked[h]).toBe(blockedByFlood(grid, h))
        },
      ),
      { numRuns: 400 },
    )
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

/** Cells of 1 m with a rim of one. */
function gridOf(side: number, filled: (i: number) => boolean): Grid {
  const n = side + 2
  const inside = new Uint8Array(n ** 3)
  for (let i = 0; i < side ** 3; i++) {
    const [x, y, z] = [i % side, Math.floor(i / side) % side, Math.floor(i / side ** 2)]
    inside[((y + 1) * n + x + 1) * n + z + 1] = filled(i) ? 1 : 0
  }
  const axes = axesFor([0, 0, 1])
  return { axes, counts: [n, n, n], cell: [1, 1, 1], low: [0, 0, 0], inside }
}

/** Blocked silicone for a parting after `h` rows: the definition, cell by cell. */
function blockedByFlood({ counts: [n], inside }: Grid, h: number): number {
  const below = (z: number) => z <= h
  /** Silicone of one side of the parting that hangs together with the outside on that side. */
  const hanging = (side: (z: number) => boolean) => {
    const seen = new Set<number>()
    const queue: number[] = []
    const reach = (x: number, y: number, z: number) => {
      if (x < 0 || y < 0 || z < 0 || x >= n || y >= n || z >= n || !side(z)) return
      const cell = (y * n + x) * n + z
      if (inside[cell] || seen.has(cell)) return
      seen.add(cell)
      queue.push(cell)
    }
    for (let a = 0; a < n; a++) {
      for (let b = 0; b < n; b++) {
        for (const end of [0, n - 1]) {
          reach(end, a, b)
          reach(a, end, b)
          reach(a, b, end)
        }
      }
    }
    for (const cell of queue) {
      const [x, y, z] = [Math.floor(cell / n) % n, Math.floor(cell / n / n), cell % n]
      reach(x + 1, y, z)
      reach(x - 1, y, z)
      reach(x, y + 1, z)
      reach(x, y - 1, z)
      reach(x, y, z + 1)
      reach(x, y, z - 1)
    }
    return seen
  }
  const [lower, upper] = [hanging(below), hanging((z) => !below(z))]
  let blocked = 0
  for (let cell = 0; cell < inside.length; cell++) {
    const z = cell % n
    if (inside[cell] || z === 0 || z === n - 1) continue
    const column = cell - z
    const piece = (from: number, to: number) =>
      inside.subarray(column + from, column + to).includes(1)
    // A pool below the parting leaves upward with the other half, a bell above it downward.
    const down = below(z) ? lower.has(cell) : !upper.has(cell)
    if (down ? piece(0, z) : piece(z + 1, n)) blocked++
    else if (piece(0, z) && piece(z + 1, n)) blocked++
  }
  return blocked
}

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

import { beforeAll, describe, expect, it } from 'vitest'
import { Vector3 } from 'three'
import { middleOf, voxelise } from '../cells/index.ts'
import { section } from '../filling/index.ts'
import { measure, type Vec3 } from '../mesh/index.ts'
import { referenceKernel, type ReferenceKernel } from '../mesh/manifold.reference.ts'
import { buildSolid } from '../shape/index.ts'
import { nearestFaces } from './nearestFaces.ts'
import { treeOf } from './tree.ts'
import {
  depthLines,
  depthsOnSection,
  narrowPlaces,
  shellVolume,
  wallDepths,
  wallOf,
} from './index.ts'

let reference: ReferenceKernel
beforeAll(async () => {
  reference = await referenceKernel()
})
const ball = () => {
  const { kernel, meshOf } = reference
  return meshOf(kernel.Manifold.sphere(20, 80).translate([0, 0, 20]))
}
const up: Vec3 = [0, 0, 1]
const mm = 1e-3
/** Found over wanted. */
const near = (found: number, wanted: number, share: number) =>
  expect(Math.abs(found / wanted - 1)).toBeLessThan(share)

// By elementary geometry, each to 1 %.
describe('the shell of a cavity', () => {
  it('of a ball is 4/3 π (R³ − (R − t)³), and all of it at its middle', () => {
    const depths = wallDepths(ball(), up)
    for (const t of [1, 2, 3, 6, 12]) {
      const wanted = (4 / 3) * Math.PI * (20 ** 3 - (20 - t) ** 3) * mm ** 3
      near(shellVolume(depths, t * mm), wanted, 0.01)
    }
    near(shellVolume(depths, 1), (4 / 3) * Math.PI * 20 ** 3 * mm ** 3, 0.005)
    expect(depths.deepest / mm).toBeCloseTo(20, 0)
  })

  it('of a box is what a smaller box leaves, standing on any side', () => {
    const box = buildSolid({ solid: 'block', width: 0.06, depth: 0.04, height: 0.02 })
    for (const way of [up, [1, 0, 0], [0.3, -0.5, 0.8]] as Vec3[]) {
      const depths = wallDepths(box, way)
      for (const t of [1, 2, 3, 5]) {
        const inner = (60 - 2 * t) * (40 - 2 * t) * (20 - 2 * t)
        near(shellVolume(depths, t * mm), (48_000 - inner) * mm ** 3, 0.01)
      }
    }
  })

  it('of a cylinder, and of two balls that overlap by the lens of their inner balls', () => {
    const { kernel, meshOf } = reference
    const depths = wallDepths(meshOf(kernel.Manifold.cylinder(50, 15, 15, 180)), up)
    const left = Math.PI * 12 ** 2 * 44
    near(shellVolume(depths, 3 * mm), (Math.PI * 15 ** 2 * 50 - left) * mm ** 3, 0.01)

    const one = kernel.Manifold.sphere(15, 96)
    const pair = meshOf(one.add(one.translate([20, 0, 0])))
    const t = 2
    // Near the waist the walls of both are nearer by the rim between them: a ring around it stays.
    const found = shellVolume(wallDepths(pair, up), t * mm)
    const { volume } = measure(pair)
    const inner = 2 * (4 / 3) * Math.PI * 13 ** 3 - lens(13, 20)
    expect(found).toBeGreaterThan((volume / mm ** 3 - inner) * 0.99 * mm ** 3)
    // Independent: the tube around the rim where they meet, r √(R² − d²/4), takes what lies within t of it.
    expect(found).toBeLessThan((volume / mm ** 3 - inner + rimTube(15, 20, t)) * 1.01 * mm ** 3)
  })

  // Steiner: S(t) = A t − M t² + …, M the integral of mean curvature, π times the mean width.
  it('begins as Steiner says of a convex piece', () => {
    const box = buildSolid({ solid: 'block', width: 0.06, depth: 0.04, height: 0.02 })
    const t = 1.5 * mm
    const area = 2 * (60 * 40 + 60 * 20 + 40 * 20) * mm ** 2
    // 4 (a + b + c) t² at the edges of a box, counted inwards.
    near(shellVolume(wallDepths(box, up), t), area * t - 4 * 120 * mm * t * t, 0.01)
  })

  it('above its solid foot is that much less, and without its mouth has no wall there', () => {
    const box = buildSolid({ solid: 'block', width: 0.06, depth: 0.04, height: 0.02 })
    const t = 3
    // The film lies on what is solid too.
    const above = 60 * 40 * 14 - (60 - 2 * t) * (40 - 2 * t) * (14 - 2 * t)
    near(shellVolume(wallDepths(box, up), t * mm, 6 * mm), above * mm ** 3, 0.01)
    const open = (48_000 - (60 - 2 * t) * (40 - 2 * t) * (20 - t)) * mm ** 3
    const opened = wallDepths(box, up, { mouth: true })
    near(shellVolume(opened, t * mm), open, 0.01)
    // Nothing lies over its mouth: the middle of that is deepest.
    expect(Math.abs(opened.deepest / mm - 20)).toBeLessThan(0.2)
  })

  it('is known from what was poured: back to the wall that it made', () => {
    const depths = wallDepths(buildSolid({ solid: 'dome', diameter: 0.05, height: 0.02 }), up)
    for (const t of [1.2, 2.7, 4]) {
      expect(wallOf(depths, shellVolume(depths, t * mm)) / mm).toBeCloseTo(t, 6)
    }
    expect(wallOf(depths, 1)).toBe(depths.deepest)
    expect(wallOf(depths, 0)).toBeLessThan(1e-9)
  })
})

// Against three-mesh-bvh, which searches all faces for each place.
describe('the nearest faces of cells', () => {
  it('are as far as a search through all finds, to 10 µm on average, and near the walls exactly', () => {
    const egg = buildSolid({ solid: 'egg', width: 40 * mm, height: 55 * mm })
    for (const way of [up, [0.3, -0.5, 0.8]] as Vec3[]) {
      const grid = voxelise(egg, way, { longest: 56, rim: 2 })
      const nearest = nearestFaces(grid, egg, grid.inside)
      const tree = treeOf(egg)
      const off: number[] = []
      grid.inside.forEach((within, cell) => {
        if (within === 0 || cell % 7 > 0) return
        const { distance } = tree.closestPointToPoint(new Vector3(...middleOf(grid, cell)))!
        const apart = Math.abs(nearest.from(cell, new Vector3()) - distance)
        // Middles are floats in that tree.
        if (distance < grid.cell[0]) expect(apart).toBeLessThan(1e-7)
        off.push(apart)
      })
      expect(off.length).toBeGreaterThan(5000)
      expect(off.reduce((sum, one) => sum + one, 0) / off.length).toBeLessThan(1e-5)
      expect(Math.max(...off)).toBeLessThan(0.1 * mm)
    }
  })

  it('are none where nothing is asked for', () => {
    const box = buildSolid({ solid: 'block', width: 0.06, depth: 0.04, height: 0.02 })
    const grid = voxelise(box, up, { longest: 10 })
    const nearest = nearestFaces(grid, box, new Uint8Array(grid.inside.length))
    expect(nearest.from(0, new Vector3())).toBe(Infinity)
  })
})

describe('the wall on a cut', () => {
  it('of a ball is a circle less by the wall, wherever it is cut', () => {
    const mesh = ball()
    for (const turn of [0, 0.7]) {
      const lines = depthLines(depthsOnSection(mesh, section(mesh, up, turn)), 3 * mm)
      expect(lines).toHaveLength(1)
      for (let k = 0; k < lines[0].length; k += 2) {
        expect(Math.hypot(lines[0][k], lines[0][k + 1] - 0.02) / mm).toBeCloseTo(17, 1)
      }
    }
  })

  it('opens where the mould is open', () => {
    const box = buildSolid({ solid: 'block', width: 0.06, depth: 0.04, height: 0.02 })
    const highest = (mouth: boolean) => {
      const [line] = depthLines(depthsOnSection(box, section(box, up), { mouth }), 3 * mm)
      return Math.max(...line.filter((_, i) => i % 2 === 1)) / mm
    }
    expect(highest(false)).toBeCloseTo(17, 1)
    expect(highest(true)).toBeGreaterThan(19.5)
  })

  it('is none where the wall fills the piece', () => {
    const slab = buildSolid({ solid: 'slab', diameter: 0.1, thickness: 0.008, bevel: 0 })
    expect(depthLines(depthsOnSection(slab, section(slab, up)), 5 * mm)).toEqual([])
  })
})

describe('narrow places of a hollow cast', () => {
  it('are what two walls fill, and what a brush of 8 mm goes to: a rod on a ball, blind', () => {
    const { kernel, meshOf } = reference
    const rod = (r: number) =>
      meshOf(kernel.Manifold.sphere(15, 48).add(kernel.Manifold.cylinder(40, r, r, 48)))
    const { solid, brush } = narrowPlaces(rod(2), up, 3 * mm)
    expect(solid).toHaveLength(1)
    expect(solid[0].blind).toBe(true)
    // What stands out of the ball: 25 mm of a rod of 4 mm.
    near(solid[0].volume, Math.PI * 4 * 25 * mm ** 3, 0.25)
    expect(brush[0].at[2]).toBeGreaterThan(0.015)
    // A wall of 1 mm leaves a hollow in a rod of 10 mm, and a brush is not needed there.
    expect(narrowPlaces(rod(5), up, 1 * mm)).toEqual({ solid: [], brush: [] })
  })
})

/** What two balls of radius r, d apart, have in common, from their caps. */
function lens(r: number, d: number): number {
  return (Math.PI * (4 * r + d) * (2 * r - d) ** 2) / 12
}

/** At most: a tube of radius t around the rim where two balls meet. */
function rimTube(r: number, d: number, t: number): number {
  return 2 * Math.PI * Math.sqrt(r * r - (d * d) / 4) * Math.PI * t * t
}

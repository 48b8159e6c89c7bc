import { beforeAll, describe, expect, it } from 'vitest'
import {
  cavityOf,
  readStl,
  scaleInPlace,
  weld,
  writeStl,
  type Mesh,
} from '../../form/mesh/index.ts'
import { referenceKernel, type ReferenceKernel } from '../../form/mesh/manifold.reference.ts'
import { areaOfLoop, buildSolid } from '../../form/shape/index.ts'
import { boxOf } from '../box/boxOf.ts'
import { buildBox } from '../box/box.ts'
import { inARow } from '../box/row.ts'
import { findClimbing, partingHeights, partingKeys } from '../parting/index.ts'
import type { MouldGeometry } from '../geometry.ts'
import { geometryOf, sampleMould } from '../samples.ts'
import { mouldBed } from './bed.ts'

let reference: ReferenceKernel
beforeAll(async () => {
  reference = await referenceKernel()
})
const card = 0.004

const ball = buildSolid({ solid: 'ball', diameter: 0.04 })
const climbing = (mesh: Mesh) => ({
  ...geometryOf(mesh),
  climbing: findClimbing(cavityOf(mesh), [0, 0, 1]),
})
const ofBall = climbing(ball)

/** In a box with 22 mm beside it keys of 6 mm find room. */
function keyed(one: MouldGeometry, { cavities = 1, side = 0.022 } = {}) {
  const mould = sampleMould({ kind: 'two-part', climbs: true, cavities })
  mould.box = { ...mould.box, side, under: 0.01, over: 0.01 }
  const geometry = inARow(one, cavities, side)
  const box = buildBox(boxOf(mould), geometry.foot)
  return { mould, geometry, box, keys: partingKeys(mould, box, geometry) }
}

function bedOf(mesh: Mesh, one: MouldGeometry, cavities = 1) {
  const { mould, geometry, box, keys } = keyed(one, { cavities })
  const { plan, under } = box
  const walls = { plan, under, foot: geometry.foot, keys, card }
  const heightAt = partingHeights(mould, geometry)
  return { ...mouldBed(reference.kernel, mesh, [0, 0, 1], heightAt, walls), box, keys }
}

/** Half balls; the odd one is drawn out by its own width: a half cylinder more. */
const dentsOf = (keys: ReturnType<typeof partingKeys>) =>
  keys.reduce((sum, { width, odd }) => {
    const r = width / 2
    return sum + (2 / 3) * Math.PI * r ** 3 + (odd ? (Math.PI / 2) * r * r * width : 0)
  }, 0)

describe('the bed of a mould in two halves', () => {
  // Half a box less half a ball, less half balls for keys; 0.05 mm of play to each wall.
  it('of a ball is half its box less half the ball and its keys', () => {
    const { bed, volume, box, keys, cards } = bedOf(ball, ofBall)
    const half = (2 / 3) * Math.PI * 0.02 ** 3
    const floor = (box.width - 1e-4) * (box.depth - 1e-4)
    expect(volume / (floor * (box.under + 0.02) - half - dentsOf(keys))).toBeCloseTo(1, 2)
    // Read back as a file: closed, and as large as its box to 0.1 mm.
    const read = weld(readStl(writeStl(bed)).mesh)
    scaleInPlace(read, 1e-3)
    const { closure, measures } = cavityOf(read)
    expect(closure.openEdges).toBe(0)
    expect(measures.volume / volume).toBeCloseTo(1, 4)
    const [width, depth] = [0, 1].map((k) => measures.high[k] - measures.low[k])
    expect(Math.abs(width - box.width)).toBeLessThan(1.01e-4)
    expect(Math.abs(depth - box.depth)).toBeLessThan(1.01e-4)
    // Cards of 4 mm make up the same bed: their areas by their thickness.
    const stacked = cards.reduce(
      (sum, loops) => sum + card * loops.reduce((all, loop) => all + areaOfLoop(loop), 0),
      0,
    )
    expect(cards).toHaveLength(8)
    expect(stacked / volume).toBeCloseTo((8 * card) / (box.under + 0.02), 1)
  })

  it('leaves the master free: nothing of it lies in the master or over its underside', () => {
    const { kernel, meshOf } = reference
    const saddle = meshOf(
      kernel.Manifold.cylinder(3, 20, 20, 96, true)
        .refine(8)
        .warp((v) => {
          v[2] += (v[0] * v[0] - v[1] * v[1]) / 40
        }),
    )
    const { bed } = bedOf(saddle, climbing(saddle))
    const made = reference.solidOf(bed)
    const { low } = cavityOf(saddle).measures
    for (const lift of [0, 4, 12, 30]) {
      const master = reference.solidOf(saddle).translate([0, 0, lift + 10 - low[2] * 1000])
      expect(made.intersect(master).volume()).toBeLessThan(2)
    }
  })

  it('of two masters side by side holds both', () => {
    const { volume, box, keys } = bedOf(ball, ofBall, 2)
    const wanted = (box.width - 1e-4) * (box.depth - 1e-4) * (box.under + 0.02)
    const balls = (4 / 3) * Math.PI * 0.02 ** 3
    expect(volume / (wanted - balls - dentsOf(keys))).toBeCloseTo(1, 2)
  })

  // 5 mm from the wall, one to two widths from the cavity, one odd (common practice, no source).
  it('has keys by their rules, and none where there is no room', () => {
    const { keys, box } = keyed(ofBall)
    expect(keys.length).toBeGreaterThanOrEqual(3)
    expect(keys.filter(({ odd }) => odd)).toHaveLength(1)
    for (const { x, y, width, height } of keys) {
      const gap = Math.hypot(x, y) - 0.02 - width / 2
      expect(gap).toBeGreaterThan(0.9 * width)
      expect(gap).toBeLessThan(2.1 * width)
      const wall = Math.min(box.width / 2 - Math.abs(x), box.depth / 2 - Math.abs(y)) - width / 2
      expect(wall).toBeGreaterThanOrEqual(0.005)
      expect(height).toBeCloseTo(0.02, 3)
    }
    for (const [i, a] of keys.entries()) {
      for (const b of keys.slice(i + 1)) {
        expect(Math.hypot(a.x - b.x, a.y - b.y)).toBeGreaterThanOrEqual(0.03)
      }
    }
    expect(keyed(ofBall, { side: 0.004 }).keys.every(({ width }) => width <= 0.003)).toBe(true)
  })
})

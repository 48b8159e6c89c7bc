import fc from 'fast-check'
import type { Manifold } from 'manifold-3d'
import { beforeAll, describe, expect, it } from 'vitest'
import { undercuts, voxelise, type Grid } from '../../form/cells/index.ts'
import { fromSection, section, type Section } from '../../form/filling/index.ts'
import { axesFor, cavityOf, toAxes, type Mesh, type Vec3 } from '../../form/mesh/index.ts'
import { referenceKernel, type ReferenceKernel } from '../../form/mesh/manifold.reference.ts'
import { buildSolid } from '../../form/shape/index.ts'
import { boxOf } from '../box/boxOf.ts'
import { buildBox } from '../box/box.ts'
import { inARow } from '../box/row.ts'
import type { MouldGeometry } from '../geometry.ts'
import { geometryOf, sampleMould } from '../samples.ts'
import { siliconeRoom } from '../silicone/room.ts'
import { climbingHeight, climbingParting, findClimbing } from './climbing.ts'
import { halvesOf } from './halves.ts'
import { turnedPull } from './turn.ts'
import { meanHeight, partingOnSection, partingHeights } from './heights.ts'

let reference: ReferenceKernel
beforeAll(async () => {
  reference = await referenceKernel()
})
const mm = 1e-3
const up: Vec3 = [0, 0, 1]
const climb = (mesh: Mesh, way = up) => findClimbing(cavityOf(mesh), way)
const climbOf = (solid: Manifold, way = up) => climb(reference.meshOf(solid), way)
const levelOf = (solid: Manifold, way = up) =>
  undercuts(voxelise(reference.meshOf(solid), way, { longest: 96 })).best
const cylinder = () => reference.kernel.Manifold.cylinder(60, 10, 10, 96, true)
const tilted = (degrees: number): Vec3 => {
  const angle = (degrees * Math.PI) / 180
  return [Math.cos(angle), 0, Math.sin(angle)]
}
/** A plate of a saddle, z = (x² − y²) / 40 mm, 3 mm thick and round. */
const saddle = () =>
  reference.kernel.Manifold.cylinder(3, 20, 20, 96, true)
    .refine(8)
    .warp((v) => {
      v[2] += (v[0] * v[0] - v[1] * v[1]) / 40
    })

describe('a parting that climbs', () => {
  // Where it is widest, by elementary geometry; a row of cells is 1/96 of the longest side.
  it('is level at the widest height of a ball, an upright cylinder, a cone', () => {
    const ball = climbOf(reference.kernel.Manifold.sphere(20, 96))
    expect(ball.from / mm).toBeCloseTo(20, 0)
    expect((ball.to - ball.from) / mm).toBeLessThan(0.1)
    expect(ball.blocked).toBe(0)
    const upright = climbOf(cylinder())
    expect(upright.from / mm).toBeCloseTo(30, 0)
    expect((upright.to - upright.from) / mm).toBeLessThan(0.1)
    const cone = climbOf(reference.kernel.Manifold.cylinder(20, 30, 10, 96))
    expect(cone.to / mm).toBeLessThan(1)
    expect(cone.blocked).toBe(0)
  })

  it('lies level in the hole of a ring too', () => {
    const { kernel } = reference
    const ring = kernel.Manifold.revolve(kernel.CrossSection.circle(5, 40).translate([18, 0]), 80)
    const found = climbOf(ring)
    for (const at of [0, 0.003, 0.03]) {
      expect(climbingHeight(found, at, 0) / mm).toBeCloseTo(5, 0)
    }
    expect(found.blocked).toBe(0)
  })

  // Along its sides the widest place of a cylinder is its axis, which rises by tan a.
  it.each([10, 20, 35])('climbs by tan %i° along a cylinder that lies askew', (degrees) => {
    const found = climbOf(cylinder(), tilted(degrees))
    const axis = toAxes(axesFor(tilted(degrees)), [0, 0, 1])
    const flat = Math.hypot(axis[0], axis[1])
    // A hair within its side, 20 mm to either side of its middle.
    const heights = [-20, 20].map((along) => {
      const [u, v] = [axis[0] / flat, axis[1] / flat]
      const aside = 9.8
      return climbingHeight(found, (along * u - aside * v) * mm, (along * v + aside * u) * mm)
    })
    const slope = (heights[1] - heights[0]) / (40 * mm)
    expect(Math.abs(slope)).toBeCloseTo(Math.tan((degrees * Math.PI) / 180), 1)
    expect(found.blocked).toBe(0)
    expect(levelOf(cylinder(), tilted(degrees)).blocked).toBeGreaterThan(50 * mm ** 3)
  })

  it('follows the rim of a saddle, and nothing is blocked', () => {
    const found = climbOf(saddle())
    expect(levelOf(saddle()).blocked / mm ** 3).toBeGreaterThan(1000)
    expect(found.blocked).toBe(0)
    const foot = reference.meshOf(saddle()).positions.filter((_, i) => i % 3 === 2)
    const lowest = Math.min(...foot)
    for (let k = 0; k < 16; k++) {
      const angle = (k * Math.PI) / 8
      const [x, y] = [19.8 * Math.cos(angle), 19.8 * Math.sin(angle)]
      const rim = (19.8 ** 2 * Math.cos(2 * angle)) / 40
      const height = climbingHeight(found, x * mm, y * mm) / mm + lowest / mm
      // Anywhere within the plate's 3 mm.
      expect(Math.abs(height - rim)).toBeLessThan(1.7)
    }
  })

  it('is no steeper than 45° beside an outline that steps', () => {
    const { box } = reference
    const stepped = box([0, 0, 0], [20, 30, 6])
      .add(box([20, 0, 24], [40, 30, 30]))
      .add(box([17, 10, 0], [23, 20, 30]))
    const { counts, cell, heights, piece, steepest } = climbOf(stepped)
    const [width, depth] = counts
    let most = 0
    for (let y = 1; y < depth - 1; y++) {
      for (let x = 1; x < width - 1; x++) {
        const at = y * width + x
        const around = [
          at,
          at + 1,
          at - 1,
          at + width,
          at - width,
          at + 2,
          at + width + 1,
          at + 1 - width,
        ]
        if (around.some((one) => piece[one])) continue
        most = Math.max(most, Math.abs(heights[at + 1] - heights[at]) / cell[0])
      }
    }
    expect(steepest).toBeGreaterThan(1)
    expect(most).toBeGreaterThan(0.5)
    expect(most).toBeLessThan(1.1)
  })
})

describe('a pull turned by hand', () => {
  it('goes by the angle that is asked, about the upright and towards it, and back again', () => {
    const from: Vec3 = [0.6, 0, 0.8]
    const five = (5 * Math.PI) / 180
    const risen = turnedPull(from, up, { about: 0, up: five })
    // 0.6 and 0.8: 53.13° above the horizontal.
    expect((Math.asin(risen[2]) * 180) / Math.PI).toBeCloseTo(58.13, 2)
    expect(Math.hypot(...risen)).toBeCloseTo(1, 12)
    const back = turnedPull(risen, up, { about: 0, up: -five })
    back.forEach((x, k) => expect(x).toBeCloseTo(from[k], 12))
    const about = turnedPull(from, up, { about: Math.PI / 2, up: 0 })
    ;[0, 0.6, 0.8].forEach((x, k) => expect(about[k]).toBeCloseTo(x, 12))
    // Straight up it leans to some side all the same.
    expect(turnedPull(up, up, { about: 0, up: -five })[2]).toBeCloseTo(Math.cos(five), 12)
  })
})

describe('what it blocks', () => {
  const solidOf = (cells: boolean[], side: number): Grid => {
    const n = side + 2
    const inside = new Uint8Array(n ** 3)
    cells.forEach((solid, i) => {
      const [x, y, z] = [i % side, Math.floor(i / side) % side, Math.floor(i / side ** 2)]
      if (solid) inside[((y + 1) * n + x + 1) * n + z + 1] = 1
    })
    const axes = axesFor([0, 0, 1])
    return { axes, counts: [n, n, n], cell: [1, 1, 1], low: [-1, -1, -1], inside }
  }

  it('of a level parting is what undercuts say, on grids by chance', () => {
    const side = 5
    fc.assert(
      fc.property(
        fc.array(fc.boolean(), { minLength: side ** 3, maxLength: side ** 3 }),
        fc.integer({ min: 0, max: side }),
        (cells, rows) => {
          const grid = solidOf(cells, side)
          expect(halvesOf(grid, () => rows).blocked).toBe(undercuts(grid).blocked[rows])
        },
      ),
      { numRuns: 300 },
    )
  })

  it('is nothing where no silicone lies between two parts of a column', () => {
    const side = 6
    fc.assert(
      fc.property(
        fc.array(fc.tuple(fc.nat(side), fc.nat(side), fc.boolean()), {
          minLength: side ** 2,
          maxLength: side ** 2,
        }),
        (columns) => {
          const cells = Array.from({ length: side ** 3 }, (_, i) => {
            const [a, b, there] = columns[i % side ** 2]
            const z = Math.floor(i / side ** 2)
            return there && z >= Math.min(a, b) && z < Math.max(a, b)
          })
          fc.pre(cells.some(Boolean))
          expect(climbingParting(solidOf(cells, side)).blocked).toBe(0)
        },
      ),
      { numRuns: 200 },
    )
  })
})

describe('two halves with a parting that climbs', () => {
  const known = (mesh: Mesh) => ({ ...geometryOf(mesh), climbing: climb(mesh) })
  let plate: { mesh: Mesh; geometry: MouldGeometry }
  beforeAll(() => {
    const mesh = reference.meshOf(saddle())
    plate = { mesh, geometry: known(mesh) }
  })
  const mould = sampleMould({ kind: 'two-part', climbs: true })

  // Half a box less half a ball: 4/6 π r³.
  it('a ball: the room below is half a box less half a ball', () => {
    const ball = buildSolid({ solid: 'ball', diameter: 0.04 })
    const geometry = known(ball)
    const box = buildBox(boxOf(mould), geometry.foot)
    const room = siliconeRoom(mould, box, geometry)
    const wanted = box.volumeTo(box.under + 0.02) - (2 / 3) * Math.PI * 0.02 ** 3
    expect(room.second / wanted).toBeCloseTo(1, 2)
    expect(room.first + room.second).toBeCloseTo(room.net, 12)
    expect(room.climbs!.from).toBeCloseTo(0.02, 3)
    // Three of them in a row: three times the ball, one box.
    const row = inARow(geometry, 3, 0.01)
    const long = buildBox(boxOf(mould), row.foot)
    const all = siliconeRoom({ ...mould, cavities: 3 }, long, row)
    const three = long.volumeTo(long.under + 0.02) - 2 * Math.PI * 0.02 ** 3
    expect(all.second / three).toBeCloseTo(1, 2)
  })

  it('a saddle turned by a quarter is itself upside down: both halves are alike', () => {
    const { geometry } = plate
    const even = { ...mould, box: { ...mould.box, under: 0.01, over: 0.01 } }
    const box = buildBox(boxOf(even), geometry.foot)
    const { first, second } = siliconeRoom(even, box, geometry)
    expect(first / second).toBeCloseTo(1, 1)
  })

  // The plate's middle at its rim lies 10 mm over its middle along x, 10 mm under it along y.
  it('is drawn on a cut as it stands there, upside down, and lying on its side', () => {
    const { mesh, geometry } = plate
    const heightAt = partingHeights(mould, geometry)
    const bounds = { left: -0.03, right: 0.03, low: -0.01, high: 0.06 }
    const pointsOn = (cut: Section): Vec3[] =>
      partingOnSection(heightAt, cut, up, geometry.foot, bounds).flatMap((line) =>
        Array.from({ length: line.length / 2 }, (_, i) =>
          fromSection(cut, line[2 * i], line[2 * i + 1]),
        ),
      )
    const lowest = geometry.foot.centre[2] - geometry.foot.height / 2
    for (const cut of [
      section(mesh, up),
      section(mesh, [0, 0, -1]),
      section(mesh, [1, 0, 0]),
      section(mesh, [1, 0, 0], Math.PI / 2),
    ]) {
      const points = pointsOn(cut)
      // The plane across the pull meets it where it stands at the middle of the plate's height.
      expect(points.length).toBeGreaterThan(90)
      for (const [x, y, z] of points) {
        expect(Math.abs(z - lowest - heightAt(x, y)) / mm).toBeLessThan(0.3)
      }
    }
    const rim = pointsOn(section(mesh, up)).filter(([x]) => Math.abs(x / mm - 19.8) < 0.4)
    for (const [, , z] of rim) expect(Math.abs(z / mm - 9.8)).toBeLessThan(1.7)
    expect(rim.length).toBeGreaterThan(0)
  })

  it('has a mean height over any floor plan: of a slope half its rise', () => {
    expect(meanHeight((x) => x, [0, 0, 0.08, 0, 0.08, 0.05, 0, 0.05])).toBeCloseTo(0.04, 9)
    const round = Array.from({ length: 96 }, (_, i) => [
      Math.cos((i * Math.PI) / 48),
      Math.sin((i * Math.PI) / 48),
    ]).flat()
    // Of a bowl, r² over a disc of radius 1: a half.
    expect(meanHeight((x, y) => x * x + y * y, round)).toBeCloseTo(0.5, 2)
  })
})

import { describe, expect, it } from 'vitest'
import { buildSolid } from '../shape/index.ts'
import { section } from '../filling/index.ts'
import { innerFace } from './innerFace.ts'
import { mapOnSection } from './mapOnSection.ts'
import { refined } from './refined.ts'
import { wallMap, type TurnedWall, type WallMap } from './wallMap.ts'

const mm = 1e-3
const up = [0, 0, 1] as const
const often = Array.from({ length: 12 }, () => 16)
const turned = (more: Partial<TurnedWall>): TurnedWall => ({
  wall: 3 * mm,
  volume: 1e-5,
  shots: 1,
  visits: often,
  thin: 2 * mm,
  ...more,
})
/** Thickness at the corner of the surface that is nearest to a place. */
function at({ positions, thickness }: WallMap, place: readonly number[]): number {
  let [best, least] = [0, Infinity]
  for (let i = 0; i < thickness.length; i++) {
    const far = Math.hypot(...place.map((x, k) => x - positions[3 * i + k]))
    if (far < least) [best, least] = [i, far]
  }
  return thickness[best]
}

describe('how evenly a turned mould is lined', () => {
  const [radius, wall] = [20 * mm, 3 * mm]
  const volume = (4 / 3) * Math.PI * (radius ** 3 - (radius - wall) ** 3)
  const ball = wallMap(buildSolid({ solid: 'ball', diameter: 2 * radius }), up, turned({ volume }))

  // By symmetry.
  it('a ball to 5 %', () => {
    for (const thick of ball.thickness) expect(Math.abs(thick / wall - 1)).toBeLessThan(0.05)
    expect([ball.under, ball.solid]).toEqual([0, 0])
  })

  // A fact of the trade: corners come out thicker than edges, edges thicker than faces.
  const block = buildSolid({ solid: 'block', width: 80 * mm, depth: 30 * mm, height: 30 * mm })
  const long = wallMap(block, up, turned({ volume: 2.8e-5, shots: 2 }))
  const half = 15 * mm
  it('a long box: corners thicker than edges, edges thicker than faces', () => {
    const face = at(long, [0, half, half])
    const edge = at(long, [0, half, 0])
    const corner = at(long, [40 * mm, half, 0])
    expect(edge).toBeGreaterThan(1.15 * face)
    expect(corner).toBeGreaterThan(edge)
    expect(long.thinnest.thickness).toBeLessThan(face * 1.01)
    expect(long.thinnest.thickness).toBeGreaterThan(0.6 * wall)
  })

  it('turned a tenth as often it is less even, and its mean is what was wished', () => {
    const seldom = wallMap(
      block,
      up,
      turned({ volume: 2.8e-5, shots: 2, visits: often.map((n) => n / 10) }),
    )
    expect(seldom.thinnest.thickness).toBeLessThan(0.8 * long.thinnest.thickness)
    expect(seldom.under).toBeGreaterThan(0.1)
  })

  it('what is narrower than two walls fills, and is no thin wall', () => {
    const plate = buildSolid({ solid: 'block', width: 40 * mm, depth: 40 * mm, height: 5 * mm })
    const map = wallMap(plate, up, turned({ volume: 8e-6 }))
    expect(at(map, [0, 0, 5 * mm])).toBe(Infinity)
    expect(map.solid).toBeGreaterThan(0.7)
  })

  it('an open mouth and what is solid below are not lined', () => {
    const map = wallMap(block, up, turned({ volume: 2e-5, mouth: true, bottom: 10 * mm }))
    expect(at(map, [0, 0, 30 * mm])).toBeNaN()
    expect(at(map, [0, half, 4 * mm])).toBeNaN()
    expect(at(map, [0, half, 20 * mm])).toBeGreaterThan(0)
  })
})

it('an inner face lies a wall inside, and is not where two walls meet', () => {
  const { positions, triangles } = innerFace(
    buildSolid({ solid: 'ball', diameter: 40 * mm }),
    3 * mm,
  )
  for (const corner of triangles) {
    const [x, y, z] = positions.subarray(3 * corner, 3 * corner + 3)
    expect(Math.abs(Math.hypot(x, y, z - 20 * mm) / mm - 17)).toBeLessThan(0.05)
  }
  expect(triangles.length).toBeGreaterThan(3000)
  const plate = buildSolid({ solid: 'block', width: 40 * mm, depth: 40 * mm, height: 5 * mm })
  expect(innerFace(plate, 3 * mm).triangles).toHaveLength(0)
  // Over a solid foot nothing of it reaches below.
  const footed = innerFace(buildSolid({ solid: 'ball', diameter: 40 * mm }), 3 * mm, {
    up,
    bottom: 15 * mm,
  })
  expect(footed.triangles.length).toBeGreaterThan(300)
  for (const corner of footed.triangles) {
    expect(footed.positions[3 * corner + 2]).toBeGreaterThan(15 * mm)
  }
})

it('a refined surface has no long edge and the same area', () => {
  const box = buildSolid({ solid: 'block', width: 80 * mm, depth: 30 * mm, height: 20 * mm })
  const { positions: p, triangles } = refined(box, 5 * mm)
  let area = 0
  for (let t = 0; t < triangles.length; t += 3) {
    const [a, b, c] = [0, 1, 2].map((k) => [
      ...p.subarray(3 * triangles[t + k], 3 * triangles[t + k] + 3),
    ])
    const length = (u: number[], v: number[]) => Math.hypot(...u.map((x, k) => x - v[k]))
    const [x, y, z] = [length(a, b), length(b, c), length(c, a)]
    expect(Math.max(x, y, z)).toBeLessThanOrEqual(5 * mm * (1 + 1e-6))
    const s = (x + y + z) / 2
    area += Math.sqrt(Math.max(0, s * (s - x) * (s - y) * (s - z)))
  }
  expect(area).toBeCloseTo(2 * (80 * 30 + 80 * 20 + 30 * 20) * mm * mm, 8)
})

describe('a wall map on a cut', () => {
  const wall = 3 * mm
  const heights = (lines: number[][]) => lines.flat().filter((_, i) => i % 2 === 1)

  it('of an even ball: a circle less by the wall, and how thick it is along its skin', () => {
    const made = buildSolid({ solid: 'ball', diameter: 40 * mm })
    const even = { ...made, thickness: new Float32Array(made.positions.length / 3).fill(wall) }
    const { inner, skin } = mapOnSection(even, section(made, up, 0.7), { wall })
    expect(inner).toHaveLength(1)
    for (let k = 0; k < inner[0].length; k += 2) {
      expect(Math.hypot(inner[0][k], inner[0][k + 1] - 20 * mm) / mm).toBeCloseTo(17, 1)
    }
    expect(skin).toHaveLength(1)
    expect(skin[0].points).toHaveLength(2 * skin[0].thickness.length)
    for (const thick of skin[0].thickness) expect(thick).toBeCloseTo(wall, 6)
  })

  it('is thicker where the map is, and has no wall where nothing is cast', () => {
    const made = buildSolid({ solid: 'block', width: 60 * mm, depth: 40 * mm, height: 30 * mm })
    const fine = refined(made, 5 * mm)
    const corners = [...Array(fine.positions.length / 3).keys()]
    const by = (thick: (x: number, z: number) => number) =>
      mapOnSection(
        {
          ...fine,
          thickness: corners.map((i) => thick(fine.positions[3 * i], fine.positions[3 * i + 2])),
        },
        section(made, up),
        { wall },
      )
    const foot = by((_, z) => (z < mm ? 2 * wall : wall))
    const lowest = (x: number) =>
      Math.min(
        ...foot.inner
          .flat()
          .filter((_, i, all) => i % 2 === 1 && Math.abs(all[i - 1] - x) < 5 * mm),
      )
    expect(lowest(0) / mm).toBeCloseTo(6, 1)
    expect(Math.max(...heights(foot.inner)) / mm).toBeCloseTo(27, 1)
    const open = by((_, z) => (z > 29 * mm ? NaN : wall))
    expect(Math.max(...heights(open.inner))).toBeGreaterThan(29 * mm)
  })

  it('has no hollow where two walls meet', () => {
    const made = buildSolid({ solid: 'block', width: 60 * mm, depth: 40 * mm, height: 5 * mm })
    const fills = { ...made, thickness: new Float32Array(8).fill(Infinity) }
    expect(mapOnSection(fills, section(made, up), { wall }).inner).toEqual([])
  })

  it('ends over a solid foot with a wall upon it', () => {
    const made = buildSolid({ solid: 'block', width: 60 * mm, depth: 40 * mm, height: 30 * mm })
    const even = { ...made, thickness: new Float32Array(made.positions.length / 3).fill(wall) }
    const { inner } = mapOnSection(even, section(made, up), { bottom: 10 * mm, wall })
    expect(Math.min(...heights(inner)) / mm).toBeCloseTo(13, 1)
  })
})

import fc from 'fast-check'
import { sayProblem } from '@mivro/words/problem'
import { describe, expect, it } from 'vitest'
import { closureOf, isClosed } from '../../mesh/closure.ts'
import { measure } from '../../mesh/measure.ts'
import { buildSolid, solidSchema, type Solid } from './solid.ts'
import { readDocument } from '../../../base/document/index.ts'
import { Problems } from '../../../base/problem/index.ts'

/** Frustum and prism of a regular polygon, cylinder, cone and spherical cap: elementary geometry. */
const frustum = (a: number, b: number, h: number) => (h / 3) * (a + b + Math.sqrt(a * b))
const circle = (r: number) => Math.PI * r * r
const polygon = (r: number, n: number) => (n / 2) * r * r * Math.sin((2 * Math.PI) / n)

describe('solids by their sizes', () => {
  const slab: Solid = { solid: 'slab', diameter: 0.1, thickness: 0.008, bevel: 0.002 }
  const dome: Solid = { solid: 'dome', diameter: 0.06, height: 0.02 }
  const drop: Solid = { solid: 'drop', width: 0.038, height: 0.052, facets: 8 }
  const block: Solid = { solid: 'block', width: 0.05, depth: 0.04, height: 0.03 }

  it.each<[string, Solid, number]>([
    ['slab with a bevel', slab, circle(0.05) * 0.006 + frustum(circle(0.048), circle(0.05), 0.002)],
    ['slab without one', { ...slab, bevel: 0 }, circle(0.05) * 0.008],
    ['dome', dome, (Math.PI * 0.02 * (3 * 0.03 ** 2 + 0.02 ** 2)) / 6],
    ['half ball', { ...dome, height: 0.03 }, (2 / 3) * Math.PI * 0.03 ** 3],
  ])('%s is within 0.1 %% of its closed form', (_, solid, volume) => {
    expect(Math.abs(measure(buildSolid(solid)).volume / volume - 1)).toBeLessThan(1e-3)
  })

  it('flat-sided solids are exact', () => {
    const rings = [
      [0.4, 0],
      [0.8, 0.1],
      [1, 0.3],
      [0.76, 0.56],
      [0.36, 0.83],
      [0, 1],
    ]
    const area = (share: number) => polygon(share * 0.019, 8)
    const volume = rings
      .slice(1)
      .reduce(
        (sum, [r, z], i) => sum + frustum(area(rings[i][0]), area(r), (z - rings[i][1]) * 0.052),
        0,
      )
    expect(measure(buildSolid(drop)).volume / volume).toBeCloseTo(1, 12)
    expect(measure(buildSolid(block)).volume).toBeCloseTo(0.05 * 0.04 * 0.03, 15)
    expect(measure(buildSolid(block)).area).toBeCloseTo(
      2 * (0.05 * 0.04 + 0.04 * 0.03 + 0.03 * 0.05),
      12,
    )
  })

  const hexagon: Solid = { solid: 'hexagon', width: 0.06, thickness: 0.01, bevel: 0.002 }
  const ball: Solid = { solid: 'ball', diameter: 0.04 }
  const egg: Solid = { solid: 'egg', width: 0.04, height: 0.055 }
  const gem: Solid = { solid: 'stepCut', width: 0.03, depth: 0.02, height: 0.014 }
  const keycap: Solid = { solid: 'keycap', units: 1, height: 0.01, wall: 0.0015, taper: 0.002 }
  const cup: Solid = { solid: 'cup', foot: 0.05, diameter: 0.07, height: 0.09, wall: 0.004 }
  const turned: Solid = {
    solid: 'lathe',
    profile: [
      { radius: 0.02, height: 0 },
      { radius: 0.01, height: 0.03 },
      { radius: 0, height: 0.05 },
    ],
  }

  it.each<[string, Solid, number]>([
    ['ball', ball, (4 / 3) * Math.PI * 0.02 ** 3],
    // Two half ellipsoids of one width: 2/3 π r² (low + high).
    ['egg', egg, (2 / 3) * Math.PI * 0.02 ** 2 * 0.055],
    [
      'turned profile',
      turned,
      frustum(circle(0.02), circle(0.01), 0.03) + (circle(0.01) * 0.02) / 3,
    ],
    [
      'cup',
      cup,
      frustum(circle(0.025), circle(0.035), 0.09) -
        frustum(circle(0.025 + (0.01 * 4) / 90 - 0.004), circle(0.031), 0.086),
    ],
  ])('%s is within 0.1 %% of its closed form', (_, solid, volume) => {
    expect(Math.abs(measure(buildSolid(solid)).volume / volume - 1)).toBeLessThan(1e-3)
  })

  it('a hexagonal slab is exact: the area between sides w apart is √3/2 · w²', () => {
    const area = (w: number) => (Math.sqrt(3) / 2) * w * w
    const volume = frustum(area(0.056), area(0.06), 0.002) + area(0.06) * 0.008
    expect(measure(buildSolid(hexagon)).volume / volume).toBeCloseTo(1, 12)
  })

  // 19.05 mm from key to key, of which 1 mm stays free (common practice).
  it.each([
    [1, 18.05],
    [1.25, 22.8125],
    [2, 37.1],
    [2.25, 41.8625],
  ])('a keycap of %d units is %d mm wide and hollow', (units, width) => {
    const mesh = buildSolid({ ...keycap, units } as Solid)
    const { low, high, volume } = measure(mesh)
    expect((high[0] - low[0]) * 1000).toBeCloseTo(width, 9)
    expect(volume).toBeLessThan(0.5 * (high[0] - low[0]) * (high[1] - low[1]) * 0.01)
  })

  it.each([slab, dome, drop, block, hexagon, ball, egg, gem, keycap, cup, turned])(
    '$solid is closed and looks outward',
    (solid) => {
      const mesh = buildSolid(solid)
      expect(isClosed(closureOf(mesh))).toBe(true)
      expect(measure(mesh).volume).toBeGreaterThan(0)
      expect(measure(mesh).volumeBand).toBeLessThan(1e-15)
    },
  )

  it('sizes that cannot be are refused where they stand', () => {
    const refused = (solid: unknown) => {
      try {
        readDocument(solidSchema, solid)
      } catch (error) {
        if (error instanceof Problems) return error.list.map((p) => [p.path, sayProblem(p)])
      }
      return []
    }
    expect(refused({ ...slab, bevel: 0.009 })).toEqual([
      ['bevel', 'A bevel of 9.0 mm does not fit: at most 7.6 mm for this slab. Make it smaller.'],
    ])
    expect(refused({ ...dome, height: 0.04 })[0][1]).toMatch(/at most 30.0 mm tall/)
    expect(refused({ ...block, width: 0 })[0][1]).toMatch(
      /0.0 mm is outside what makes sense here: 1.0 mm to 1000 mm/,
    )
    expect(refused({ ...keycap, units: 3 })[0][0]).toBe('units')
    expect(refused({ ...cup, wall: 0.03 })[0][1]).toMatch(/leaves no room inside: at most 22.5 mm/)
    const points = (...heights: number[]) => heights.map((height) => ({ radius: 0.01, height }))
    expect(refused({ solid: 'lathe', profile: points(0, 0.03, 0.02) })[0][0]).toBe(
      'profile.2.height',
    )
    expect(refused({ solid: 'lathe', profile: points(0, 0) })[0][1]).toMatch(/no height/)
    expect(refused({ ...drop, facets: 2.5 })[0]).toEqual([
      'facets',
      '2.5 has to be a whole number from 3 to 24.',
    ])
  })

  it('every slab that fits is closed', () => {
    fc.assert(
      fc.property(
        fc.double({ min: 0.005, max: 0.5, noNaN: true }),
        fc.double({ min: 0.002, max: 0.2, noNaN: true }),
        fc.double({ min: 0, max: 0.9, noNaN: true }),
        (diameter, thickness, share) => {
          const bevel = share * Math.min(thickness, diameter / 2)
          expect(
            isClosed(closureOf(buildSolid({ solid: 'slab', diameter, thickness, bevel }))),
          ).toBe(true)
        },
      ),
      { numRuns: 20 },
    )
  })
})

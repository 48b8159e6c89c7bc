import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { areaAt, areaNear, fillCurve, heightAt, volumeAt } from './index.ts'
import { measure } from '../mesh/measure.ts'
import type { Mesh } from '../mesh/mesh.ts'
import { lathe } from '../shape/solids/lathe.ts'
import { buildSolid } from '../shape/solids/solid.ts'
import type { Vec3 } from '../mesh/vector.ts'

const up: Vec3 = [0, 0, 1]
const shares = Array.from({ length: 201 }, (_, i) => i / 200)

/** Largest difference over all heights, as a share of the whole volume. */
function worst(mesh: Mesh, expected: (h: number) => number, direction: Vec3 = up): number {
  const curve = fillCurve(mesh, direction)
  return Math.max(
    ...shares.map(
      (s) =>
        Math.abs(volumeAt(curve, s * curve.height) - expected(s * curve.height)) / curve.volume,
    ),
  )
}

describe('the fill curve equals faceted closed forms to 1e-9 of the total', () => {
  const polygon = (r: number, n: number) => (n / 2) * r * r * Math.sin((2 * Math.PI) / n)

  it('a prism', () => {
    expect(
      worst(
        lathe(
          [
            [1, 0],
            [1, 2],
          ],
          7,
        ),
        (h) => polygon(1, 7) * h,
      ),
    ).toBeLessThan(1e-12)
  })

  it('a pyramid, standing and on its tip', () => {
    const volume = (polygon(3, 5) * 4) / 3
    expect(
      worst(
        lathe(
          [
            [3, 0],
            [0, 4],
          ],
          5,
        ),
        (h) => volume * (1 - (1 - h / 4) ** 3),
      ),
    ).toBeLessThan(1e-12)
    expect(
      worst(
        lathe(
          [
            [0, 0],
            [3, 4],
          ],
          5,
        ),
        (h) => volume * (h / 4) ** 3,
      ),
    ).toBeLessThan(1e-12)
  })

  it('a cube standing on a corner (its diagonal upright)', () => {
    const cube = buildSolid({ solid: 'block', width: 0.1, depth: 0.1, height: 0.1 })
    // Tetrahedra cut off a cube: V = t³/6 less three smaller ones, in units where corners lie at t = 1, 2.
    const cut = (t: number) =>
      [1, -3, 3, -1].reduce((sum, c, i) => sum + c * Math.max(0, t - i) ** 3, 0) / 6
    expect(worst(cube, (h) => cut((h / 0.1) * Math.sqrt(3)) * 1e-3, [1, 1, 1])).toBeLessThan(1e-9)
  })

  it('a tall needle, whose faces cross every level', () => {
    expect(
      worst(
        lathe(
          [
            [0, 0],
            [0.001, 1],
          ],
          64,
        ),
        (h) => (polygon(0.001, 64) / 3) * h ** 3,
      ),
    ).toBeLessThan(1e-12)
  })
})

describe('the fill curve equals smooth closed forms to 1e-3 at a fine tessellation', () => {
  it('a sphere', () => {
    const ring = (i: number) => (Math.PI * i) / 256
    const profile = Array.from({ length: 257 }, (_, i) => {
      const r = i === 0 || i === 256 ? 0 : Math.sin(ring(i))
      return [r, 1 - Math.cos(ring(i))] as const
    })
    expect(
      worst(lathe(profile, 256), (h) => (Math.PI * h * h * (3 - h)) / 3, [0.3, 0.2, 0.9]),
    ).toBeLessThan(1e-3)
  })

  it('a cone', () => {
    expect(
      worst(
        lathe(
          [
            [1, 0],
            [0, 1],
          ],
          256,
        ),
        (h) => (Math.PI / 3) * (1 - (1 - h) ** 3),
      ),
    ).toBeLessThan(1e-3)
  })

  it('a torus lying flat', () => {
    // Sections are rings: 2πR × the chord of the tube's circle (Pappus).
    const [R, r] = [3, 1]
    const segment = (h: number) =>
      r * r * Math.acos(1 - h / r) - (r - h) * Math.sqrt(Math.max(0, 2 * r * h - h * h))
    expect(worst(torus(R, r, 256, 256), (h) => 2 * Math.PI * R * segment(h))).toBeLessThan(1e-3)
  })
})

describe('the inverse', () => {
  it('h(V(h)) = h to 1e-9 of the height, for any solid and direction', () => {
    const solids = [
      buildSolid({ solid: 'drop', width: 0.038, height: 0.052, facets: 8 }),
      buildSolid({ solid: 'slab', diameter: 0.1, thickness: 0.008, bevel: 0.002 }),
      buildSolid({ solid: 'dome', diameter: 0.06, height: 0.02 }),
    ]
    const coordinate = fc.double({ min: -1, max: 1, noNaN: true })
    fc.assert(
      fc.property(
        fc.constantFrom(...solids),
        fc.tuple(coordinate, coordinate, coordinate).filter((v) => Math.hypot(...v) > 0.1),
        fc.double({ min: 0.01, max: 0.99, noNaN: true }),
        (solid, direction, share) => {
          const curve = fillCurve(solid, direction)
          const h = share * curve.height
          expect(Math.abs(heightAt(curve, volumeAt(curve, h)) - h)).toBeLessThan(
            1e-9 * curve.height,
          )
        },
      ),
      { numRuns: 150 },
    )
  })

  it('nothing fills to 0, all and more to the rim', () => {
    const curve = fillCurve(buildSolid({ solid: 'dome', diameter: 0.06, height: 0.02 }), up)
    expect(heightAt(curve, 0)).toBe(0)
    expect(heightAt(curve, 1)).toBe(curve.height)
    expect(volumeAt(curve, -1)).toBe(0)
    expect(volumeAt(curve, 9)).toBe(curve.volume)
  })
})

describe('laws', () => {
  it('the whole volume is the same in every direction, and the measured one', () => {
    const drop = buildSolid({ solid: 'drop', width: 0.038, height: 0.052, facets: 7 })
    const coordinate = fc.double({ min: -1, max: 1, noNaN: true })
    fc.assert(
      fc.property(
        fc.tuple(coordinate, coordinate, coordinate).filter((v) => Math.hypot(...v) > 0.1),
        (direction) => {
          expect(fillCurve(drop, direction).volume / measure(drop).volume).toBeCloseTo(1, 11)
        },
      ),
    )
  })

  it('what is kept of the levels is what is found at them, for any solid and direction', () => {
    const direction = fc.tuple(fc.nat(4), fc.nat(4), fc.integer({ min: 1, max: 4 }))
    const solids = [
      buildSolid({ solid: 'block', width: 0.03, depth: 0.02, height: 0.01 }),
      buildSolid({ solid: 'ball', diameter: 0.03 }),
      lathe(
        [
          [0.01, 0],
          [0.01, 0.01],
          [0.004, 0.01],
          [0.004, 0.02],
        ],
        24,
      ),
    ]
    fc.assert(
      fc.property(fc.constantFrom(...solids), direction, (solid, way) => {
        const curve = fillCurve(solid, way)
        const levels = curve.volumes.length - 1
        for (let k = 0; k < levels - 1; k += 11) {
          const h = (curve.height * k) / levels
          expect(Math.abs(curve.volumes[k] - volumeAt(curve, h))).toBeLessThan(1e-12 * curve.volume)
          const above = h + 1e-7 * curve.height
          const [near, exact] = [areaNear(curve, above), areaAt(curve, above)]
          expect(Math.abs(near - exact)).toBeLessThan((1e-3 * curve.volume) / curve.height)
        }
      }),
      { numRuns: 30 },
    )
  })

  it('the level area is the slope of the volume', () => {
    const curve = fillCurve(torus(3, 1, 48, 24), [1, 0.2, 0.1])
    for (const s of [0.11, 0.37, 0.52, 0.93]) {
      const h = s * curve.height
      const slope = (volumeAt(curve, h + 1e-5) - volumeAt(curve, h - 1e-5)) / 2e-5
      expect(areaAt(curve, h) / slope).toBeCloseTo(1, 6)
    }
  })
})

function torus(R: number, r: number, around: number, across: number): Mesh {
  const positions: number[] = []
  const triangles: number[] = []
  for (let i = 0; i < around; i++) {
    for (let j = 0; j < across; j++) {
      const [a, b] = [(2 * Math.PI * i) / around, (2 * Math.PI * j) / across]
      positions.push(
        (R + r * Math.cos(b)) * Math.cos(a),
        (R + r * Math.cos(b)) * Math.sin(a),
        r * Math.sin(b),
      )
      const at = (m: number, n: number) => (m % around) * across + (n % across)
      triangles.push(
        at(i, j),
        at(i + 1, j),
        at(i + 1, j + 1),
        at(i, j),
        at(i + 1, j + 1),
        at(i, j + 1),
      )
    }
  }
  return { positions: Float64Array.from(positions), triangles: Uint32Array.from(triangles) }
}

import fc from 'fast-check'
import { sayProblem } from '@mivro/words/problem'
import { describe, expect, it } from 'vitest'
import { readDocument } from '../../../base/document/index.ts'
import type { Problems } from '../../../base/problem/index.ts'
import { closureOf, isClosed } from '../../mesh/closure.ts'
import { measure } from '../../mesh/measure.ts'
import { extrude } from './extrude.ts'
import { loopsOfPaths, loopsOfWidth, widthOfLoops } from './fromPaths.ts'
import { areaOfLoop, crossingOf, insetLoop, perimeterOfLoop } from './loops.ts'
import { outlineSchema } from './outline.ts'

const square = (side: number, x = 0, y = 0) => [x, y, x + side, y, x + side, y + side, x, y + side]
const ring = (radius: number, points: number) =>
  Array.from({ length: points }, (_, i) => {
    const a = (2 * Math.PI * i) / points
    return [radius * Math.cos(a), radius * Math.sin(a)]
  }).flat()

describe('an outline with a thickness', () => {
  it('holds its area times its thickness, holes taken out, islands put back', () => {
    const loops = [square(0.05), square(0.03, 0.01, 0.01), square(0.01, 0.02, 0.02)]
    const mesh = extrude({ loops, thickness: 0.004, bevel: 0 })
    expect(isClosed(closureOf(mesh))).toBe(true)
    expect(measure(mesh).volume).toBeCloseTo((0.05 ** 2 - 0.03 ** 2 + 0.01 ** 2) * 0.004, 12)
  })

  it('points on its straight sides leave no gap between cap and wall', () => {
    const loop = [0, 0, 0.01, 0, 0.03, 0, 0.05, 0, 0.05, 0.05, 0.02, 0.05, 0, 0.05]
    const mesh = extrude({ loops: [loop, square(0.01, 0.01, 0.01)], thickness: 0.004, bevel: 0 })
    expect(isClosed(closureOf(mesh))).toBe(true)
    expect(measure(mesh).volume).toBeCloseTo((0.05 ** 2 - 0.01 ** 2) * 0.004, 12)
  })

  it('may run either way round', () => {
    const loop = square(0.05)
    const back = Array.from({ length: 4 }, (_, i) => [loop[6 - 2 * i], loop[7 - 2 * i]]).flat()
    const mesh = extrude({ loops: [back], thickness: 0.004, bevel: 0 })
    expect(measure(mesh).volume).toBeCloseTo(0.05 ** 2 * 0.004, 12)
  })

  // Frustum of a square pyramid: h/3 (A + B + √AB).
  it('has its bevel at the face below', () => {
    const mesh = extrude({ loops: [square(0.05)], thickness: 0.008, bevel: 0.002 })
    const [a, b] = [0.05 ** 2, 0.046 ** 2]
    expect(measure(mesh).volume).toBeCloseTo(
      (0.002 / 3) * (a + b + Math.sqrt(a * b)) + a * 0.006,
      12,
    )
    expect(isClosed(closureOf(mesh))).toBe(true)
  })

  it('a bevel that would eat a neck is refused with the widest that fits', () => {
    // Two squares joined by a neck of 4 mm.
    const loop = [
      0, 0, 20, 0, 20, 8, 40, 8, 40, 0, 60, 0, 60, 20, 40, 20, 40, 12, 20, 12, 20, 20, 0, 20,
    ]
    const metres = loop.map((x) => x / 1000)
    expect(() => extrude({ loops: [metres], thickness: 0.01, bevel: 0.003 })).toThrow(
      'bevel-too-large',
    )
    expect(isClosed(closureOf(extrude({ loops: [metres], thickness: 0.01, bevel: 0.0015 })))).toBe(
      true,
    )
  })

  it('one that crosses itself is refused with the place', () => {
    const bow = [0, 0, 0.02, 0.02, 0.02, 0, 0, 0.02]
    expect(crossingOf([bow])).toEqual({ x: 0.01, y: 0.01 })
    try {
      readDocument(outlineSchema, { loops: [bow], thickness: 0.004, bevel: 0 })
      expect.unreachable()
    } catch (error) {
      const [problem] = (error as Problems).list
      expect(sayProblem(problem)).toMatch(/crosses itself at 10.0 mm, 10.0 mm/)
    }
  })

  it('areas and perimeters come to those of a circle', () => {
    expect(areaOfLoop(ring(1, 720)) / Math.PI).toBeCloseTo(1, 4)
    expect(perimeterOfLoop(ring(1, 720)) / (2 * Math.PI)).toBeCloseTo(1, 4)
  })

  // Steiner: a convex outline moved outward by d covers A + P·d + (its corners' share of π·d²).
  it('moving a convex outline outward adds its perimeter times the distance', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 3, max: 40 }),
        fc.double({ min: 0.01, max: 2, noNaN: true }),
        (n, d) => {
          const loop = ring(3, n)
          const grown = areaOfLoop(insetLoop(loop, -d))
          const corners = n * Math.tan(Math.PI / n) * d * d
          expect(grown).toBeCloseTo(areaOfLoop(loop) + perimeterOfLoop(loop) * d + corners, 9)
        },
      ),
    )
  })
})

describe('the paths of a drawing', () => {
  const path = (points: [number, number][], closed: boolean) => ({
    points,
    closed,
    shape: 0,
    rule: 'nonzero' as const,
  })
  const corners: [number, number][] = [
    [10, 10],
    [50, 10],
    [50, 30],
    [10, 30],
  ]

  it('come upright and about their middle, in metres', () => {
    const [{ loop }] = loopsOfPaths([path(corners, true)], 1e-3)
    expect(loop.map((x) => Math.round(x * 1000))).toEqual([-20, 10, 20, 10, 20, -10, -20, -10])
    expect(widthOfLoops([loop])).toBeCloseTo(0.04, 12)
    expect(widthOfLoops(loopsOfWidth([loop], 0.1))).toBeCloseTo(0.1, 12)
  })

  it('one that ends where it began is closed, one that does not is refused with its gap', () => {
    expect(loopsOfPaths([path([...corners, [10, 10.01]], false)], 1e-3)[0].loop).toHaveLength(8)
    expect(() => loopsOfPaths([path(corners, false)], 1e-3)).toThrow('outline-open')
    try {
      loopsOfPaths([path(corners, false)], 1e-3)
    } catch (error) {
      expect(sayProblem(error as never)).toMatch(/its ends lie 20.0 mm apart/)
    }
    expect(() => loopsOfPaths([path([[1, 1]], true)], 1e-3)).toThrow('outline-empty')
  })
})

import fc from 'fast-check'
import { sayProblem } from '@mivro/words/problem'
import { describe, expect, it } from 'vitest'
import { readDocument } from '../../base/document/index.ts'
import { Problem } from '../../base/problem/index.ts'
import { areaOfLoop, insideLoop } from '../../form/shape/index.ts'
import { boxSchema, type Box } from '../mould.ts'
import { cuttingList } from '../out/cuttingList.ts'
import { block60, geometryOfSolid, sampleMould } from '../samples.ts'
import { buildBox } from './box.ts'
import { convexHull, enclosingCircle } from './footprint.ts'
import { alpha, bulge, uplift, wallPressure } from './load.ts'

const { foot } = geometryOfSolid(block60)
const box = (values: Partial<Box>): Box => ({
  ...sampleMould().box,
  side: 0.01,
  over: 0.012,
  under: 0.008,
  ...values,
})
const areaOf = (values: Partial<Box>) => buildBox(box(values), foot).areaAt(0) * 1e6

describe('boxes around a block of 60 x 40 x 20 mm at 10 mm', () => {
  // Elementary geometry; the diagonal of the block is 72.11 mm.
  const radius = Math.hypot(30, 20) + 10

  it('square, round, hexagonal', () => {
    expect(areaOf({ shape: 'square' })).toBeCloseTo(4800, 6)
    expect(areaOf({ shape: 'round' })).toBeCloseTo(Math.PI * radius ** 2, 6)
    expect(areaOf({ shape: 'hexagon' })).toBeCloseTo(2 * Math.sqrt(3) * radius ** 2, 6)
  })

  // Steiner: A + P·c + π·c² = 2400 + 2000 + 314.2 mm².
  it('hugging the outline', () => {
    expect(areaOf({ shape: 'outline' }) / (2400 + 2000 + Math.PI * 100)).toBeCloseTo(1, 3)
  })

  it('toy bricks come in steps of 8 mm', () => {
    const built = buildBox(box({ shape: 'bricks', side: 0.009 }), foot)
    expect(built.width).toBeCloseTo(0.08, 12)
    expect(built.depth).toBeCloseTo(0.064, 12)
    const [bricks] = cuttingList(built, box({ shape: 'bricks' }))
    expect(bricks.studs).toEqual([10, 8])
  })

  it('a cup is a frustum', () => {
    const own = { width: 0.1, depth: 0.08, height: 0.09 }
    const built = buildBox(box({ shape: 'cup', own }), foot)
    // h/3 · π (R² + R r + r²)
    expect(built.volumeTo(0.09)).toBeCloseTo(
      (Math.PI * 0.09 * (0.05 ** 2 + 0.05 * 0.04 + 0.04 ** 2)) / 3,
      12,
    )
  })

  it('a box smaller than the piece is refused with both sizes', () => {
    const small = () => buildBox(box({ own: { width: 0.05, depth: 0.055, height: 0.05 } }), foot)
    expect(small).toThrow(Problem)
    try {
      small()
    } catch (error) {
      expect((error as Problem).path).toBe('box.own.width')
      expect(sayProblem(error as Problem)).toMatch(/50.0 mm in width and the piece needs 60.0 mm/)
    }
    // 60 x 40 mm goes into 45 x 65 the other way round.
    const turned = buildBox(box({ own: { width: 0.045, depth: 0.065, height: 0.05 } }), foot)
    expect([turned.width, turned.depth]).toEqual([0.065, 0.045])
    const low = () => buildBox(box({ own: { width: 0.08, depth: 0.08, height: 0.025 } }), foot)
    expect(low).toThrow('box-too-small at box.own.height')
    expect(() => readDocument(boxSchema, box({ shape: 'cup' }))).toThrow()
  })

  it('walls to cut reckon their own thickness in', () => {
    const parts = cuttingList(
      buildBox(box({ shape: 'square' }), foot),
      box({ wallThickness: 0.006 }),
    )
    expect(parts.map(({ name, length }) => [name, Math.round(length * 1000)])).toEqual([
      ['floor', 112],
      ['long-wall', 92],
      ['short-wall', 60],
    ])
    expect(parts[1].height).toBeCloseTo(0.05, 12)
  })
})

describe('what pushes and lifts', () => {
  // 350 ml, 150 g in 1150 kg/m³: (0.4025 − 0.15) kg · 9.80665 m/s².
  it('a light master is lifted by what it pushes aside', () => {
    expect(uplift(350e-6, 0.15, 1150)).toBeCloseTo(2.476, 3)
    expect(uplift(350e-6, 0.6, 1150)).toBeLessThan(0)
  })

  // ρ g h: 100 mm at 1150 kg/m³ is 1.13 kPa.
  it('the foot of a wall feels ρ g h', () => {
    expect(wallPressure(0.1, 1150)).toBeCloseTo(1127.8, 1)
  })

  // Roark, 7th ed., table 11.4 case 1a: α = 0.0444 for a square plate, 0.1421 for a long strip.
  it('bulges as a plate held along its edges', () => {
    expect(alpha(1)).toBe(0.0444)
    expect(alpha(100)).toBe(0.1421)
    expect(alpha(1.5)).toBeCloseTo((0.077 + 0.0906) / 2, 12)
    const q = wallPressure(0.1, 1150) / 2
    expect(bulge(0.1, 0.1, 0.003, 'acrylic', 1150)).toBeCloseTo(
      (0.0444 * q * 0.1 ** 4) / (3.1e9 * 0.003 ** 3),
      9,
    )
    // Twice as thick gives an eighth.
    expect(
      bulge(0.2, 0.1, 0.004, 'board', 1150) / bulge(0.2, 0.1, 0.002, 'board', 1150),
    ).toBeCloseTo(1 / 8, 9)
  })
})

describe('seen from above', () => {
  const points = fc.array(
    fc.tuple(fc.integer({ min: -50, max: 50 }), fc.integer({ min: -50, max: 50 })),
    {
      minLength: 4,
      maxLength: 40,
    },
  )

  it('hull and circle hold every point', () => {
    fc.assert(
      fc.property(points, (list) => {
        const flat = Float64Array.from(list.flat())
        const hull = convexHull(flat)
        if (hull.length < 6) return
        expect(areaOfLoop(hull)).toBeGreaterThan(0)
        const { x, y, radius } = enclosingCircle(hull)
        for (const [px, py] of list) {
          expect(Math.hypot(px - x, py - y)).toBeLessThanOrEqual(radius * (1 + 1e-9))
          // Slightly towards the middle, so that corners count as inside.
          const [cx, cy] = [x + (px - x) * (1 - 1e-9), y + (py - y) * (1 - 1e-9)]
          const inside = insideLoop(hull, cx, cy) || onEdge(hull, px, py)
          expect(inside).toBe(true)
        }
      }),
    )
  })

  function onEdge(loop: number[], x: number, y: number): boolean {
    for (let i = 0; i < loop.length; i += 2) {
      const j = (i + 2) % loop.length
      const [dx, dy] = [loop[j] - loop[i], loop[j + 1] - loop[i + 1]]
      if (Math.abs(dx * (y - loop[i + 1]) - dy * (x - loop[i])) < 1e-6) return true
    }
    return false
  }
})

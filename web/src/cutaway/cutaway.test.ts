import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { buildSolid } from '@mivro/core/form/shape'
import { fillCurve, section, volumeAt } from '@mivro/core/form/filling'
import { imperial, metric } from '@mivro/core/base/units'
import { frameFor, spanAt } from './frame.ts'
import { spread } from './labels.ts'
import { lengthTicks, spaced, volumeTicks } from './ruler.ts'

const drop = buildSolid({ solid: 'drop', width: 0.038, height: 0.052, facets: 8 })
const slab = buildSolid({ solid: 'slab', diameter: 0.1, thickness: 0.008, bevel: 0 })

describe('the frame of the cutaway', () => {
  it('a place on the drawing gives back its height', () => {
    const frame = frameFor(section(drop, [0, 0, 1]), 784, 440, 'closed')
    for (const h of [0, 0.013, 0.052]) expect(frame.heightAt(frame.y(h))).toBeCloseTo(h, 12)
  })

  it('a tall piece is drawn true, a flat one with heights stretched a whole number of times', () => {
    expect(frameFor(section(drop, [0, 0, 1]), 784, 440, 'closed').stretch).toBe(1)
    const { stretch } = frameFor(section(slab, [0, 0, 1]), 784, 440, 'open')
    expect(stretch).toBeGreaterThan(3)
    expect(Number.isInteger(stretch)).toBe(true)
  })

  it('everything stays on the drawing', () => {
    for (const mesh of [drop, slab]) {
      const { block, width, height } = frameFor(section(mesh, [0, 0, 1]), 784, 440, 'closed')
      expect(block.left).toBeGreaterThan(60)
      expect(block.right).toBeLessThan(width - 180)
      expect(block.top).toBeGreaterThan(0)
      expect(block.bottom).toBeLessThan(height)
    }
  })

  it('the span of a cut is as wide as the piece there', () => {
    const span = spanAt(section(slab, [0, 0, 1]), 0.004)!
    expect(span.right - span.left).toBeCloseTo(0.1, 4)
    expect(spanAt(section(slab, [0, 0, 1]), 0.02)).toBeUndefined()
  })
})

describe('rulers', () => {
  it('stand at round figures of the chosen unit', () => {
    expect(lengthTicks(0.052, metric, 6).map((t) => t.label)).toEqual([
      '0',
      '10',
      '20',
      '30',
      '40',
      '50',
    ])
    expect(lengthTicks(0.052, imperial, 5).map((t) => t.label)).toEqual([
      '0',
      '0.5',
      '1',
      '1.5',
      '2',
    ])
  })

  it('each volume mark stands where that volume reaches', () => {
    const curve = fillCurve(drop, [0, 0, 1])
    for (const { label, height } of volumeTicks(curve, metric, 6)) {
      expect(volumeAt(curve, height) * 1e6).toBeCloseTo(Number(label), 6)
    }
  })

  it('marks that would touch are left out', () => {
    const ticks = [0, 1, 2, 30].map((height) => ({ height, label: String(height) }))
    expect(spaced(ticks, (h) => -h, 10).map((t) => t.height)).toEqual([0, 30])
  })
})

describe('labels', () => {
  it('never overlap and stay in their column, as long as there is room', () => {
    const centres = fc.array(fc.double({ min: 0, max: 400, noNaN: true }), {
      minLength: 1,
      maxLength: 6,
    })
    fc.assert(
      fc.property(centres, (wished) => {
        const placed = spread(wished, 60, 0, 400)
        const sorted = [...placed].sort((a, b) => a - b)
        expect(sorted[0]).toBeGreaterThanOrEqual(30 - 1e-9)
        expect(sorted[sorted.length - 1]).toBeLessThanOrEqual(370 + 1e-9)
        for (let i = 1; i < sorted.length; i++)
          expect(sorted[i] - sorted[i - 1]).toBeGreaterThanOrEqual(60 - 1e-9)
      }),
    )
  })
})

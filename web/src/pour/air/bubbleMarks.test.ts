import { describe, expect, it } from 'vitest'
import { section } from '@mivro/core/form/filling'
import { buildSolid } from '@mivro/core/form/shape'
import { frameForCard } from '../../cutaway/frame.ts'
import { bubbleMarks } from './bubbleMarks.ts'

const cut = section(
  buildSolid({ solid: 'block', width: 0.04, depth: 0.05, height: 0.03 }),
  [0, 0, 1],
)
const frame = frameForCard(cut, 400, 300)
const layer = { id: 'a', bottom: 0.01, top: 0.02 }

describe('bubbles on a section', () => {
  it('stand at their height in their layer, spread over its width', () => {
    const stay = Array.from({ length: 50 }, (_, index) => ({
      index,
      height: 0.5,
      diameter: 2e-4,
      pit: false,
    }))
    const marks = bubbleMarks(frame, layer, stay, 400)
    expect(marks.every(({ y }) => Math.abs(y - frame.y(0.015)) < 1e-9)).toBe(true)
    const halves = marks.filter(({ x }) => x < 200).length
    expect(halves).toBeGreaterThan(20)
    expect(halves).toBeLessThan(30)
  })

  it('a pit stands on the surface, and the smallest is still seen', () => {
    const [mark] = bubbleMarks(
      frame,
      layer,
      [{ index: 0, height: 1, diameter: 1e-6, pit: true }],
      400,
    )
    expect(mark.y).toBeCloseTo(frame.y(0.02), 9)
    expect(mark.r).toBe(1.5)
    expect(mark.pit).toBe(true)
  })
})

import { describe, expect, it } from 'vitest'
import { buildBox, footprint, newMould } from '@mivro/core/mould'
import { buildSolid } from '@mivro/core/form/shape'
import { section } from '@mivro/core/form/filling'
import { boxDrawing } from './boxDrawing.ts'

const mesh = buildSolid({ solid: 'drop', width: 0.04, height: 0.05, facets: 8 })
const foot = footprint(mesh, [0, 0, 1])
const cut = section(mesh, [0, 0, 1])
const { box } = newMould('m', 'p', [0, 0, 1], 0.05)

const draw = (shape: 'square' | 'round' | 'outline', turned = false) => {
  const built = buildBox({ ...box, shape }, foot)
  return { built, ...boxDrawing(built, foot, cut, turned, 784, 560) }
}
const numbers = (path: string) => [...path.matchAll(/-?[\d.]+/g)].map(Number)
const ys = (path: string) => numbers(path).filter((_, i) => i % 2 === 1)
const xs = (path: string) => numbers(path).filter((_, i) => i % 2 === 0)

describe('the drawing of a box', () => {
  it.each(['square', 'round', 'outline'] as const)(
    '%s: everything lies on the picture',
    (shape) => {
      const { left, right, y, built, plan, hull, planBottom } = draw(shape)
      expect(left).toBeGreaterThan(0)
      expect(y(built.height)).toBeGreaterThan(40)
      expect(y(0)).toBeLessThan(560)
      expect(Math.min(...xs(plan))).toBeGreaterThan(right)
      expect(Math.max(...xs(plan))).toBeLessThan(784)
      expect(planBottom).toBeLessThan(560)
      expect(Math.min(...xs(hull))).toBeGreaterThan(Math.min(...xs(plan)))
      expect(Math.max(...ys(hull))).toBeLessThan(Math.max(...ys(plan)))
    },
  )

  it('the piece stands on its room below and keeps its room above', () => {
    const { y, built, piece } = draw('square')
    expect(Math.max(...ys(piece))).toBeCloseTo(y(built.under), 0)
    expect(Math.min(...ys(piece))).toBeCloseTo(y(built.height - built.over), 0)
  })

  it('a master that stands the other way is drawn upside down', () => {
    // The tip of the drop is up as it is poured: narrow above, wide below.
    const widthNear = (path: string, height: number) => {
      const points = numbers(path)
      const near: number[] = []
      for (let i = 0; i < points.length; i += 2) {
        if (Math.abs(points[i + 1] - height) < 30) near.push(points[i])
      }
      return Math.max(...near) - Math.min(...near)
    }
    const upright = draw('square')
    const turned = draw('square', true)
    const top = upright.y(upright.built.height - upright.built.over)
    expect(widthNear(turned.piece, top)).toBeGreaterThan(widthNear(upright.piece, top))
  })
})

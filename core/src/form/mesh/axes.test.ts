import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { axesFor, fromAxes, toAxes } from './axes.ts'
import { buildSolid } from '../shape/solids/solid.ts'
import { fromSection, nearestOnOutline, ontoSection, section } from '../filling/section.ts'
import { cross, dot, type Vec3 } from './vector.ts'

const direction = fc
  .tuple(...[0, 1, 2].map(() => fc.double({ min: -1, max: 1, noNaN: true })))
  .filter((v) => Math.hypot(...v) > 0.01) as unknown as fc.Arbitrary<Vec3>
const angle = fc.double({ min: -4, max: 4, noNaN: true })

describe('a frame that stands on the bench', () => {
  it('is right-handed and of length 1 for every direction and turn', () => {
    fc.assert(
      fc.property(direction, angle, (up, turn) => {
        const axes = axesFor(up, turn)
        for (const axis of Object.values(axes) as Vec3[])
          expect(Math.hypot(...axis)).toBeCloseTo(1, 9)
        expect(dot(axes.right, axes.up)).toBeCloseTo(0, 9)
        const third = cross(axes.right, axes.away)
        for (const i of [0, 1, 2]) expect(third[i]).toBeCloseTo(axes.up[i], 9)
      }),
    )
  })

  it('there and back is where one was', () => {
    fc.assert(
      fc.property(direction, angle, direction, (up, turn, point) => {
        const axes = axesFor(up, turn)
        const back = fromAxes(axes, toAxes(axes, point))
        for (const i of [0, 1, 2]) expect(back[i]).toBeCloseTo(point[i], 9)
      }),
    )
  })
})

describe('places on a cut', () => {
  const mesh = buildSolid({ solid: 'block', width: 0.06, depth: 0.04, height: 0.02 })

  it('a point of the drawing is a place of the piece, on the cut', () => {
    fc.assert(
      fc.property(
        direction,
        angle,
        fc.double({ min: -0.02, max: 0.02, noNaN: true }),
        (up, turn, x) => {
          const cut = section(mesh, up, turn)
          const there = ontoSection(cut, fromSection(cut, x, 0.01))
          expect(there.x).toBeCloseTo(x, 9)
          expect(there.h).toBeCloseTo(0.01, 9)
          expect(there.behind).toBeCloseTo(0, 9)
        },
      ),
    )
  })

  it('the outline nearest to a point is a side of the rectangle', () => {
    const cut = section(mesh, [0, 0, 1])
    expect(nearestOnOutline(cut, 0.05, 0.011)).toEqual({
      x: expect.closeTo(0.03, 9),
      h: expect.closeTo(0.011, 9),
      far: expect.closeTo(0.02, 9),
    })
    expect(nearestOnOutline(cut, 0.001, 0.018)!.h).toBeCloseTo(0.02, 9)
    expect(nearestOnOutline({ ...cut, outlines: [] }, 0, 0)).toBeUndefined()
  })
})

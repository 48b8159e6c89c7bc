import { beforeAll, describe, expect, it } from 'vitest'
import { closureOf, isClosed } from '../../mesh/closure.ts'
import { referenceKernel, type ReferenceKernel } from '../../mesh/manifold.reference.ts'
import { measure } from '../../mesh/measure.ts'
import { extrude } from './extrude.ts'
import type { DrawnLoop, FillRule } from './fromPaths.ts'
import { crossingOf } from './loops.ts'
import { outlineSchema } from './outline.ts'
import { tidyLoops } from './tidy.ts'

let reference: ReferenceKernel
beforeAll(async () => {
  reference = await referenceKernel()
})
const mm = 1e-3
const drawn = (shape: number, points: number[], rule: FillRule = 'nonzero'): DrawnLoop => ({
  loop: points.map((x) => x * mm),
  shape,
  rule,
})
const square = (x: number, y: number, side: number) => [
  x,
  y,
  x + side,
  y,
  x + side,
  y + side,
  x,
  y + side,
]
const ring = (x: number, radius: number, points: number) =>
  Array.from({ length: points }, (_, i) => {
    const a = (2 * Math.PI * i) / points
    return [x + radius * Math.cos(a), radius * Math.sin(a)]
  }).flat()

/** The area in mm² that a slab of 1 mm made of the loops has, which must be a closed solid. */
async function area(...loops: DrawnLoop[]): Promise<number> {
  const tidy = await tidyLoops(loops, async () => reference.kernel)
  expect(crossingOf(tidy.loops)).toBeUndefined()
  const outline = outlineSchema.parse({ loops: tidy.loops, thickness: mm, bevel: 0 })
  const mesh = extrude(outline)
  expect(isClosed(closureOf(mesh))).toBe(true)
  return measure(mesh).volume / mm ** 3
}

describe('loops of a drawing', () => {
  it('that neither cross nor touch stay to the last bit', async () => {
    const loops = [drawn(0, square(0, 0, 10)), drawn(1, square(2, 2, 4))]
    const tidy = await tidyLoops(loops, () => {
      throw new Error('not needed')
    })
    expect(tidy).toEqual({ loops: loops.map(({ loop }) => loop), joined: 0 })
  })

  it('two shapes across one another are one', async () => {
    expect(await area(drawn(0, square(0, 0, 10)), drawn(1, square(5, 0, 10)))).toBeCloseTo(150, 2)
    expect(await area(drawn(0, square(0, 0, 10)), drawn(1, square(10, 0, 10)))).toBeCloseTo(200, 2)
  })

  it('two that touch at a corner hang together by a hair less than nothing', async () => {
    const sum = await area(drawn(0, square(0, 0, 10)), drawn(1, square(10, 10, 10)))
    expect(Math.abs(sum - 200)).toBeLessThan(0.1)
  })

  // A five-pointed star drawn in one stroke: its middle is filled by nonzero, free by evenodd.
  it('one that crosses itself is filled by its own rule', async () => {
    const star = Array.from({ length: 5 }, (_, i) => {
      const a = Math.PI / 2 + (i * 4 * Math.PI) / 5
      return [10 * Math.cos(a), 10 * Math.sin(a)]
    }).flat()
    // Pentagram of circumradius R: points 5 r R sin 36°, inner radius r = R / φ², pentagon 5/2 r² sin 72°.
    const inner = 10 / ((1 + Math.sqrt(5)) / 2) ** 2
    const whole = 5 * inner * 10 * Math.sin(Math.PI / 5)
    const pentagon = 2.5 * inner ** 2 * Math.sin((2 * Math.PI) / 5)
    expect(await area(drawn(0, star, 'nonzero'))).toBeCloseTo(whole, 1)
    // Its points touch the pentagon: they are drawn apart by a hair along 95 mm of edges.
    const free = await area(drawn(0, star, 'evenodd'))
    expect(Math.abs(free - (whole - pentagon))).toBeLessThan(0.12)
  })

  it('a shape that lies free within another stays a hole, also when others are joined', async () => {
    const sum = await area(
      drawn(0, square(0, 0, 10)),
      drawn(1, square(5, 0, 10)),
      drawn(2, square(1, 1, 2)),
    )
    expect(sum).toBeCloseTo(150 - 4, 2)
  })

  it('more points than are read are simplified to what the eye sees', async () => {
    const circle = drawn(0, ring(0, 20, 130_000))
    expect((await area(circle)) / (Math.PI * 400)).toBeCloseTo(1, 3)
  })
})

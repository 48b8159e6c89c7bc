import { describe, expect, it } from 'vitest'
import { readDocument } from '../../base/document/index.ts'
import { axesFor, closureOf, measure, type Vec3 } from '../../form/mesh/index.ts'
import { problemsOf } from '../../base/problem/index.ts'
import { buildSolid } from '../../form/shape/index.ts'
import { planInclusionSchema } from './inclusion.ts'
import { outlineOf, thingsMesh } from './mesh.ts'
import { plateFrom, solidFrom } from './ownForm.ts'
import { displacedBy, drunkBy, sizeOf, sizeShare } from './thing.ts'

const mm = 1e-3
const gram = 1e-3
const up: Vec3 = [0, 0, 1]
const atMiddle = [{ x: 0, y: 0, turn: 0 }]
/** A square frame of 20 mm with a hole of 10 mm: 300 mm². */
const frame = [
  [0, 0, 20, 0, 20, 20, 0, 20],
  [5, 5, 15, 5, 15, 15, 5, 15],
].map((loop) => loop.map((at) => at * mm))
const set = { id: 'a', name: 'Charm', count: 1, density: 1000 }

describe('an own outline', () => {
  it('comes back at the size it was drawn, when its weight is that of the drawing', () => {
    const { form, across, holds } = plateFrom(frame)
    expect(holds).toBeCloseTo(300e-6, 12)
    expect(across).toBeCloseTo(20 * Math.SQRT2 * mm, 12)
    const size = sizeOf({ mass: 1000 * holds * 2 * mm, density: 1000, thickness: 2 * mm, form })
    expect(size.across / across).toBeCloseTo(1, 3)
    const mesh = thingsMesh(size, atMiddle, axesFor(up), [0, 0, 0], 0)
    expect(closureOf(mesh).openEdges).toBe(0)
    expect(measure(mesh).volume / (holds * 2 * mm)).toBeCloseTo(1, 6)
    expect(outlineOf(size)).toHaveLength(2)
  })

  it('of thousands of points keeps few of them and its area', () => {
    const round = Array.from({ length: 3000 }, (_, i) => (2 * Math.PI * i) / 3000)
    const { form } = plateFrom([round.flatMap((a) => [5 * mm * Math.cos(a), 5 * mm * Math.sin(a)])])
    expect('loops' in form && form.loops[0].length).toBeLessThanOrEqual(480)
    const size = sizeOf({ mass: gram, density: 1000, thickness: mm, form })
    // A disc of that weight and thickness.
    const disc = sizeOf({ mass: gram, density: 1000, thickness: mm })
    expect(size.across / disc.across).toBeCloseTo(1, 2)
  })

  it('that crosses itself is refused', () => {
    const bow = [[0, 0, 10, 10, 10, 0, 0, 10].map((at) => at * mm)]
    expect(() => plateFrom(bow)).toThrow('outline-crosses')
  })
})

describe('an own surface', () => {
  const block = buildSolid({ solid: 'block', width: 6 * mm, depth: 8 * mm, height: 4 * mm })

  it('comes back at the size of its file, when its weight is that of the file', () => {
    const { form, across, holds } = solidFrom(block)
    expect(holds).toBeCloseTo(192e-9, 14)
    expect(across).toBeCloseTo(10 * mm, 9)
    const size = sizeOf({ mass: 1000 * holds, density: 1000, form })
    expect(size.across / across).toBeCloseTo(1, 3)
    expect(size.thickness).toBeCloseTo(4 * mm, 5)
    const mesh = thingsMesh(size, atMiddle, axesFor(up), [0, 0, 0], 0)
    expect(measure(mesh).volume).toBeCloseTo(holds, 12)
  })

  it('of many faces keeps no more than a pour carries', () => {
    const ball = buildSolid({ solid: 'ball', diameter: 9 * mm })
    const { form } = solidFrom(ball)
    expect('faces' in form && form.faces.length / 3).toBeLessThanOrEqual(600)
    expect(() => readDocument(planInclusionSchema, { ...set, mass: gram, form })).not.toThrow()
  })

  it('that encloses nothing is refused', () => {
    const open = {
      ...block,
      triangles: block.triangles.map((_, i, all) => all[all.length - 1 - i]),
    }
    expect(() => solidFrom(open)).toThrow('mesh-too-open')
  })

  it('names no corner that it does not have', () => {
    const form = { corners: Array(12).fill(0), faces: Array(12).fill(9) }
    try {
      readDocument(planInclusionSchema, { ...set, mass: gram, form })
      expect.unreachable()
    } catch (error) {
      expect(problemsOf(error)[0].path).toContain('form')
    }
  })

  it('tilted stands on its lowest corner, above the floor it was given', () => {
    const size = sizeOf({ mass: gram, density: 1000, form: solidFrom(block).form })
    const tilted = [{ x: 0, y: 0, turn: 0, tilt: 0.5, up: 2 * mm }]
    const { low, high } = measure(thingsMesh(size, tilted, axesFor(up), [0, 0, 0], 5 * mm))
    expect(low[2]).toBeCloseTo(7 * mm, 12)
    // 8 mm deep and 4 mm tall of the file, turned by half a radian.
    const share = size.thickness / (4 * mm)
    const tall = share * mm * (8 * Math.sin(0.5) + 4 * Math.cos(0.5))
    expect(high[2] - low[2]).toBeCloseTo(tall, 5)
  })
})

describe('what things displace and drink', () => {
  it('of one size is their weight over their density', () => {
    expect(displacedBy({ count: 10, mass: gram, density: 2000 })).toBeCloseTo(5e-6, 12)
  })

  it('of falling sizes is the sum of their cubes', () => {
    const falling = { count: 3, smallest: 0.5, mass: gram, density: 1000 }
    expect([0, 1, 2].map((i) => sizeShare(falling, i))).toEqual([1, 0.75, 0.5])
    expect(displacedBy(falling)).toBeCloseTo((1 + 0.75 ** 3 + 0.5 ** 3) * 1e-6, 12)
  })

  // Facts of the trade: stringy and porous fillings drink 5 to 20 % of their volume beyond what they displace.
  it('porous ones drink within what is usual, others nothing, and what is said wins', () => {
    const chips = { count: 10, mass: gram, density: 1000 }
    const share = drunkBy({ ...chips, traits: ['porous'] }) / displacedBy(chips)
    expect(share).toBeGreaterThanOrEqual(0.05)
    expect(share).toBeLessThanOrEqual(0.2)
    expect(drunkBy(chips)).toBe(0)
    expect(drunkBy({ ...chips, drinks: 0.5 })).toBeCloseTo(5e-6, 12)
  })
})

import { describe, expect, it } from 'vitest'
import { firmPlatinum } from '../../matter/material/samples.ts'
import { compileMould } from '../compile.ts'
import { geometryOfSolid, sampleMould } from '../samples.ts'
import type { Solid } from '../../form/shape/index.ts'
import { jacketOf } from './jacket.ts'

/** Support function of a point: zero in every direction. */
const point = Array.from({ length: 72 * 47 }, () => 0)

describe('the two halves of a printed shell', () => {
  // Volume of a spherical cap: π h² (3 r − h) / 3 (Archimedes).
  it.each([-8, -4, 0, 3, 7])('a ball of 10 mm cut at %i mm', (mm) => {
    const [r, h] = [0.01, 0.01 + mm / 1000]
    const cap = (Math.PI * h * h * (3 * r - h)) / 3
    const ball = (4 / 3) * Math.PI * r ** 3
    const { below, above, widest } = jacketOf(point, 0, r, mm / 1000)
    // Between the parting and the middle it goes straight up.
    const straight = Math.PI * r * r * Math.abs(h - r) - Math.abs(cap - ball / 2)
    expect(Math.abs(widest)).toBeLessThan(3e-4)
    expect(below + above).toBeCloseTo(1 + straight / ball, 2)
    expect(below).toBeCloseTo((cap + (mm > 0 ? straight : 0)) / ball, 2)
  })

  const cube: Solid = { solid: 'block', width: 0.04, depth: 0.04, height: 0.04 }
  const rooms = (parting?: number, layer = 0.006) =>
    compileMould(
      sampleMould({ kind: 'printed shell', parting, layer }),
      geometryOfSolid(cube),
      firmPlatinum,
      1e-4,
    )

  // What lies below the floor of the cube: a slab, four quarter cylinders, half a ball.
  it('a cube parted at its floor leaves a slab with rounded edges below', () => {
    const [a, r] = [0.04, 0.006]
    const below = a * a * r + Math.PI * r * r * a + (2 / 3) * Math.PI * r ** 3
    const { first, second, clay, net } = rooms(0).room
    expect(second / below).toBeCloseTo(1, 2)
    expect(clay).toBe(second)
    const whole = 6 * a * a * r + 3 * Math.PI * r * r * a + (4 / 3) * Math.PI * r ** 3
    expect((first + second) / whole).toBeCloseTo(1, 3)
    expect(net).toBeCloseTo(first + second, 12)
  })

  it('parted in its middle it is poured in two equal halves, each weighed by itself', () => {
    const { room, pours } = rooms(0.02)
    expect(room.first / room.second).toBeCloseTo(1, 2)
    expect(pours.map(({ half }) => half)).toEqual(['first', 'second'])
    expect(pours[0].need.inMould / pours[1].need.inMould).toBeCloseTo(1, 2)
  })

  it('three masters in three shells take three times as much of each half', () => {
    const room = (cavities: number) =>
      compileMould(
        sampleMould({ kind: 'printed shell', parting: 0.012, cavities }),
        geometryOfSolid(cube),
        firmPlatinum,
        1e-4,
      ).room
    expect(room(3).first / room(1).first).toBeCloseTo(3, 9)
    expect(room(3).second / room(1).second).toBeCloseTo(3, 9)
  })
})

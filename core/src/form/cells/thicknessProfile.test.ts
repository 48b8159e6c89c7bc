import { describe, expect, it } from 'vitest'
import { buildSolid, type Solid } from '../shape/index.ts'
import { thicknessProfile, thicknessOf } from './thicknessProfile.ts'

const profile = (solid: Solid) => thicknessProfile(buildSolid(solid), [0, 0, 1])

describe('how thick what keeps heat is', () => {
  it.each<[string, Solid, number, number, number]>([
    [
      'a rod of 20 mm standing 95 mm tall',
      { solid: 'block', width: 0.02, depth: 0.02, height: 0.095 },
      0,
      0.095,
      0.02,
    ],
    [
      'a coaster of 8 mm',
      { solid: 'slab', diameter: 0.1, thickness: 0.008, bevel: 0 },
      0,
      0.008,
      0.008,
    ],
    ['a cube of 50 mm', { solid: 'block', width: 0.05, depth: 0.05, height: 0.05 }, 0, 0.05, 0.05],
    [
      'a layer of 10 mm in that cube',
      { solid: 'block', width: 0.05, depth: 0.05, height: 0.05 },
      0.02,
      0.03,
      0.01,
    ],
    ['a ball of 40 mm', { solid: 'ball', diameter: 0.04 }, 0, 0.04, 0.04],
  ])('%s', (_, solid, bottom, top, thick) => {
    // Known to a cell of 1/64 of the longest side, or better.
    const found = thicknessOf(profile(solid), bottom, top)
    expect(Math.abs(found - thick)).toBeLessThan(0.002)
  })
})

import { describe, expect, it } from 'vitest'
import { buildSolid } from '../shape/solids/solid.ts'
import { closureOf, openRims } from './closure.ts'

const cube = buildSolid({ solid: 'block', width: 0.02, depth: 0.02, height: 0.02 })

describe('the rims of holes', () => {
  it('a cube without its lid has one rim, four edges around it at one height', () => {
    const top = Math.max(...cube.positions)
    const heights = (face: number) =>
      [0, 1, 2].map((i) => cube.positions[3 * cube.triangles[3 * face + i] + 2])
    const faces = cube.triangles.length / 3
    const kept = Array.from({ length: faces }, (_, face) => face).filter(
      (face) => !heights(face).every((z) => z === top),
    )
    const open = {
      ...cube,
      triangles: Uint32Array.from(
        kept.flatMap((face) => [...cube.triangles.slice(3 * face, 3 * face + 3)]),
      ),
    }
    expect(closureOf(open)).toMatchObject({ holes: 1, openEdges: 4 })
    const rims = openRims(open)
    expect(rims.length).toBe(4 * 6)
    const lengths = [0, 1, 2, 3].map((edge) => {
      const [x, y, z, u, v, w] = rims.subarray(6 * edge, 6 * edge + 6)
      expect([z, w]).toEqual([Math.fround(top), Math.fround(top)])
      return Math.hypot(u - x, v - y)
    })
    for (const length of lengths) expect(length).toBeCloseTo(0.02, 7)
  })

  it('a closed one has none', () => {
    expect(openRims(cube).length).toBe(0)
  })
})

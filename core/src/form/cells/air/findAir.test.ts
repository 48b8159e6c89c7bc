import { describe, expect, it } from 'vitest'
import { cavityOf } from '../../mesh/cavity.ts'
import { buildSolid, type Solid } from '../../shape/solids/solid.ts'
import type { Vec3 } from '../../mesh/vector.ts'
import { findAir, type AirQuestion } from './findAir.ts'

const cup: Solid = { solid: 'cup', foot: 0.04, diameter: 0.04, height: 0.05, wall: 0.004 }
const ask = (values: Partial<AirQuestion>, solid = cup) =>
  findAir(cavityOf(buildSolid(solid)), {
    up: [0, 0, 1],
    turn: 0,
    of: 'resin',
    openings: [],
    prefills: [],
    ...values,
  })
const at = (x: number, z: number) => ({ at: [x, 0, z] as Vec3, bore: 0.003 })

describe('the air a screen asks for', () => {
  // A ring of 40 and 32 mm, 46 mm tall over its floor: π (20² − 16²) · 46 mm³.
  const ring = Math.PI * (20 ** 2 - 16 ** 2) * 46

  it('a cup filled through its floor keeps the ring of its wall', () => {
    const { pockets, seen, cell } = ask({ openings: [at(0, 0.002)] })
    expect(pockets).toHaveLength(1)
    expect((pockets[0].volume * 1e9) / ring).toBeCloseTo(1, 1)
    expect(pockets[0].slabs.length).toBeGreaterThan(20)
    expect(seen).toBeCloseTo(1, 1)
    expect(cell).toBeCloseTo(0.05 / 128, 5)
  })

  // Divergence theorem: the flux of (z − saddle) through what lies above it is the volume.
  it('the surface it lies under encloses it, cut at the height where it is shut in', () => {
    const [{ surface, saddle }] = ask({ openings: [at(0, 0.002)] }).pockets
    let volume = 0
    let lowest = Infinity
    for (let i = 0; i < surface.length; i += 9) {
      const [ax, ay, az, bx, by, bz, cx, cy, cz] = surface.subarray(i, i + 9)
      const upward = ((bx - ax) * (cy - ay) - (by - ay) * (cx - ax)) / 2
      volume += upward * ((az + bz + cz) / 3 - saddle)
      lowest = Math.min(lowest, az, bz, cz)
    }
    expect((volume * 1e9) / ring).toBeCloseTo(1, 1)
    expect(lowest).toBeCloseTo(saddle, 6)
  })

  it('without a gate it is filled from its highest place, and says where that is', () => {
    const { pockets, highest } = ask({})
    expect(pockets).toEqual([])
    expect(highest[2]).toBeCloseTo(0.05, 3)
    expect(Math.hypot(highest[0], highest[1])).toBeGreaterThan(0.015)
  })

  it('a prefill at its top marks the pocket, and leaves it in the list', () => {
    const [pocket] = ask({ openings: [at(0, 0.002)] }).pockets
    const found = ask({ openings: [at(0, 0.002)], prefills: [pocket.top] })
    expect(found.pockets.map(({ prefilled }) => prefilled)).toEqual([true])
  })

  it('silicone over the cup mouth down leaves air within it', () => {
    const mouthDown = ask({ of: 'silicone', up: [0, 0, -1] })
    expect(mouthDown.pockets).toHaveLength(1)
    // π · 16² · 46 mm³ within.
    expect((mouthDown.pockets[0].volume * 1e9) / (Math.PI * 16 ** 2 * 46)).toBeCloseTo(1, 1)
    expect(ask({ of: 'silicone' }).pockets).toEqual([])
  })

  it('walls thinner than a cell are told by what was seen of the volume', () => {
    const film = { solid: 'cup', foot: 0.2, diameter: 0.2, height: 0.2, wall: 0.0005 } as const
    const { seen, cell } = ask({}, film)
    expect(cell).toBeGreaterThan(film.wall)
    expect(Math.abs(seen - 1)).toBeGreaterThan(0.08)
  })

  it('an opening that misses is told by its number', () => {
    const missing = () => ask({ openings: [at(0, 0.002), at(0, 0.04)] })
    expect(missing).toThrow(expect.objectContaining({ code: 'opening-misses', path: 'openings.1' }))
  })
})

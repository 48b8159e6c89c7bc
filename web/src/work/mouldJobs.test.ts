import { describe, expect, it } from 'vitest'
import { readForm, type Form } from '@mivro/core/piece'
import {
  buildSolid,
  cavityOf,
  type Cavity,
  type Mesh,
  type Solid,
  type Vec3,
} from '@mivro/core/shape'
import { findAir, findTilts, surveyMould, type AirQuestion } from './mouldJobs.ts'

const formOf = (solid: Solid): Form => ({ from: 'sizes', solid })
const cup = formOf({ solid: 'cup', foot: 0.04, diameter: 0.04, height: 0.05, wall: 0.004 })
const read = (form: Form) => readForm(form)

const ask = (values: Partial<AirQuestion>, cavities: (form: Form) => Promise<Cavity> = read) =>
  findAir(
    { form: cup, up: [0, 0, 1], turn: 0, of: 'resin', openings: [], prefills: [], ...values },
    cavities,
  )
const at = (x: number, z: number) => ({ at: [x, 0, z] as Vec3, bore: 0.003 })

describe('the air a screen asks for', () => {
  // A ring of 40 and 32 mm, 46 mm tall over its floor: π (20² − 16²) · 46 mm³.
  const ring = Math.PI * (20 ** 2 - 16 ** 2) * 46

  it('a cup filled through its floor keeps the ring of its wall', async () => {
    const { pockets, seen, cell } = await ask({ openings: [at(0, 0.002)] })
    expect(pockets).toHaveLength(1)
    expect((pockets[0].volume * 1e9) / ring).toBeCloseTo(1, 1)
    expect(pockets[0].slabs.length).toBeGreaterThan(20)
    expect(pockets[0].places.length % 3).toBe(0)
    expect(seen).toBeCloseTo(1, 1)
    expect(cell).toBeCloseTo(0.05 / 128, 5)
  })

  it('without a gate it is filled from its highest place, and says where that is', async () => {
    const { pockets, highest } = await ask({})
    expect(pockets).toEqual([])
    expect(highest[2]).toBeCloseTo(0.05, 3)
    expect(Math.hypot(highest[0], highest[1])).toBeGreaterThan(0.015)
  })

  it('a prefill at its top marks the pocket, and leaves it in the list', async () => {
    const [pocket] = (await ask({ openings: [at(0, 0.002)] })).pockets
    const found = await ask({ openings: [at(0, 0.002)], prefills: [pocket.top] })
    expect(found.pockets.map(({ prefilled }) => prefilled)).toEqual([true])
  })

  it('silicone over the cup mouth down leaves air within it', async () => {
    const mouthDown = await ask({ of: 'silicone', up: [0, 0, -1] })
    expect(mouthDown.pockets).toHaveLength(1)
    // π · 16² · 46 mm³ within.
    expect((mouthDown.pockets[0].volume * 1e9) / (Math.PI * 16 ** 2 * 46)).toBeCloseTo(1, 1)
    expect((await ask({ of: 'silicone' })).pockets).toEqual([])
  })

  it('walls thinner than a cell are told by what was seen of the volume', async () => {
    const film = { solid: 'cup', foot: 0.2, diameter: 0.2, height: 0.2, wall: 0.0005 } as const
    const { seen, cell } = await ask({ form: formOf(film) })
    expect(cell).toBeGreaterThan(film.wall)
    expect(Math.abs(seen - 1)).toBeGreaterThan(0.08)
  })

  it('an opening that misses is told by its number', async () => {
    const missing = ask({ openings: [at(0, 0.002), at(0, 0.04)] })
    await expect(missing).rejects.toMatchObject({ code: 'opening-misses', path: 'openings.1' })
  })

  it('parts within one another are said, with what they really fill', async () => {
    const one = buildSolid({ solid: 'block', width: 0.02, depth: 0.02, height: 0.02 })
    const both: Mesh = {
      positions: Float64Array.of(
        ...one.positions,
        ...one.positions.map((x, i) => (i % 3 === 0 ? x + 0.01 : x)),
      ),
      triangles: Uint32Array.of(...one.triangles, ...one.triangles.map((v) => v + 8)),
    }
    const { overlap } = await ask({ form: formOf({ solid: 'ball', diameter: 0.0199 }) }, async () =>
      cavityOf(both),
    )
    expect(overlap?.amounts).toEqual({
      counted: expect.closeTo(16e-6, 9),
      filled: expect.closeTo(12e-6, 9),
    })
  })
})

describe('what takes seconds', () => {
  it('the search says how far it is, from nothing to all', async () => {
    const shares: number[] = []
    const tilts = await findTilts({ form: cup, up: [0, 0, 1], gate: at(0, 0.002) }, read, (share) =>
      shares.push(share),
    )
    expect(shares[0]).toBe(0)
    expect(shares.at(-1)).toBe(1)
    expect([...shares].sort((a, b) => a - b)).toEqual(shares)
    expect(tilts).toHaveLength(5)
    // The ring goes all round: one vent at its top clears it, whatever the tilt.
    expect(tilts[0].left).toBe(0)
    expect(tilts[0].vents).toHaveLength(1)
  })

  it('the geometry says what is being looked for', async () => {
    const steps: string[] = []
    const geometry = await surveyMould({ form: cup, up: [0, 0, 1] }, read, (step) =>
      steps.push(step),
    )
    expect(steps).toHaveLength(4)
    expect(geometry.foot.height).toBeCloseTo(0.05, 6)
    expect(geometry.handles).toBe(0)
  })
})

import { describe, expect, it } from 'vitest'
import { readDocument } from '../../base/document/index.ts'
import { Problems } from '../../base/problem/index.ts'
import { referenceKernel } from '../mesh/manifold.reference.ts'
import { buildSolid } from '../shape/index.ts'
import { fillCurve, volumeAt } from '../filling/index.ts'
import { writeStl, type Mesh } from '../mesh/index.ts'
import { volumeOf } from './measured.ts'
import { formSchema, type Form } from './piece.ts'
import { readForm } from './readForm.ts'

const file: Form = { from: 'file', mesh: '0'.repeat(64), fileName: 'a.stl', unit: 'mm' }
const kernel = async () => (await referenceKernel()).kernel
const cube = (side: number, by: number[]): Mesh => {
  const mesh = buildSolid({ solid: 'block', width: side, depth: side, height: side })
  return { ...mesh, positions: mesh.positions.map((x, i) => x + by[i % 3]) as Float64Array }
}
const together = (one: Mesh, other: Mesh): Mesh => ({
  positions: Float64Array.of(...one.positions, ...other.positions),
  triangles: Uint32Array.of(...one.triangles, ...other.triangles.map((v) => v + 8)),
})
const codes = async (mesh: Mesh, form: Form = file) => {
  const { cautions, measures, closure } = await readForm(form, writeStl(mesh), { kernel })
  return { codes: cautions.map(({ code }) => code), volume: measures.volume, closure }
}

describe('a shape from a file', () => {
  it('two pieces in one file are said', async () => {
    const two = together(cube(0.02, [0, 0, 0]), cube(0.02, [0.05, 0, 0]))
    const found = await codes(two)
    expect(found.codes).toEqual(['mesh-parts'])
    expect(found.volume).toBeCloseTo(16e-6, 10)
  })

  it('parts that overlap hold what their union holds, whatever else is off in the file', async () => {
    const both = together(cube(0.01, [0, 0, 0]), cube(0.01, [0, 0, 0.005]))
    const found = await codes(both)
    expect(found.codes).toEqual(['mesh-united'])
    // Half of each is shared: 10 x 10 x 15 mm.
    expect(found.volume).toBeCloseTo(1.5e-6, 12)
    const flipped = { ...both, triangles: both.triangles.slice() }
    ;[flipped.triangles[3], flipped.triangles[4]] = [flipped.triangles[4], flipped.triangles[3]]
    const mended = await codes(flipped)
    expect(mended.codes).toEqual(['mesh-reoriented', 'mesh-united'])
    expect(mended.volume).toBeCloseTo(1.5e-6, 12)
  })

  it('a void inside is filled, since resin cannot be kept out of it, and said', async () => {
    const inner = cube(0.01, [0, 0, 0.01])
    const turned = { ...inner, triangles: inner.triangles.slice().reverse() }
    const void_ = await codes(together(cube(0.03, [0, 0, 0]), turned))
    expect(void_.codes).toEqual(['mesh-void'])
    expect(void_.volume).toBeCloseTo(27e-6, 10)
  })

  it('far from the origin it is moved to it, and what single precision has lost is said', async () => {
    // A 3 MF, OBJ or text file carries doubles: nothing is lost.
    const at = (z: number) => (n: number, i: number) => n * 1000 + (i % 3 === 2 ? z : 0)
    const text = (z: number) => {
      const mesh = cube(0.02, [0, 0, 0])
      const p = Array.from(mesh.positions, at(z))
      const lines = Array.from({ length: 8 }, (_, v) => `v ${p.slice(3 * v, 3 * v + 3).join(' ')}`)
      for (let i = 0; i < mesh.triangles.length; i += 3) {
        lines.push(`f ${[...mesh.triangles.slice(i, i + 3)].map((v) => v + 1).join(' ')}`)
      }
      return new TextEncoder().encode(lines.join('\n'))
    }
    const far = await readForm(file, text(1e7), { kernel })
    expect(far.cautions.map(({ code }) => code)).toEqual(['mesh-far'])
    expect(far.measures.volume).toBeCloseTo(8e-6, 11)
    // Singles at 10 km are 1 mm apart.
    const spent = await readForm(file, writeStl(cube(0.02, [0, 0, 1e4])), { kernel })
    expect(spent.cautions.map(({ code }) => code)).toEqual(['mesh-far', 'mesh-coarse'])
    const { step } = spent.cautions[1].amounts as { step: number }
    expect(step).toBeGreaterThan(5e-4)
    expect(step).toBeLessThan(2e-3)
  })

  it('turned faces are turned back, holes are closed when asked', async () => {
    const mesh = cube(0.02, [0, 0, 0])
    const flipped = { ...mesh, triangles: mesh.triangles.slice() }
    ;[flipped.triangles[3], flipped.triangles[4]] = [flipped.triangles[4], flipped.triangles[3]]
    expect((await codes(flipped)).codes).toEqual(['mesh-reoriented'])

    const open = { ...mesh, triangles: mesh.triangles.slice(3) }
    expect((await codes(open)).codes).toEqual(['mesh-open'])
    const closed = await codes(open, { ...file, holes: 'closed' })
    expect(closed.codes).toEqual(['mesh-holes-closed'])
    expect(closed.volume).toBeCloseTo(8e-6, 10)
    expect(closed.closure.openEdges).toBe(0)
  })
})

describe('a master without a file', () => {
  const sides = { width: 0.05, depth: 0.04, height: 0.06 }

  it('its volume follows from weight and density, from water pushed aside, from water held', () => {
    expect(volumeOf({ how: 'weight', mass: 0.09, density: 1800 })).toBeCloseTo(50e-6, 12)
    expect(volumeOf({ how: 'displaced', volume: 50e-6 })).toBe(50e-6)
    // Water at 20 °C weighs 998.2 kg/m³ (CRC Handbook of Chemistry and Physics).
    expect(volumeOf({ how: 'filled', water: 0.04991 }) * 1e6).toBeCloseTo(50, 6)
  })

  it('stands in with that volume and its own height', async () => {
    const measured = { how: 'displaced', volume: 50e-6 } as const
    const { mesh, cautions } = await readForm({ from: 'measured', measured, ...sides }, undefined, {
      kernel,
    })
    const curve = fillCurve(mesh, [0, 0, 1])
    expect(curve.height).toBeCloseTo(0.06, 12)
    expect(volumeAt(curve, 0.03)).toBeCloseTo(25e-6, 12)
    expect(cautions.map(({ code }) => code)).toEqual(['shape-measured'])
  })

  // 40 g at 1.15 g/ml are 34.78 ml, 29 % of 50 x 40 x 60 mm. It has to go into a box made for it.
  it.each([
    ['a figure', 34.78e-6],
    ['a cylinder, π/4 of its box', (Math.PI / 4) * 120e-6],
    ['a block', 120e-6],
    ['a thin cross', 12e-6],
  ])('%s reaches all three sides and holds what was found', async (_, volume) => {
    const measured = { how: 'displaced', volume } as const
    const form = { from: 'measured', measured, ...sides } as const
    const { measures, closure } = await readForm(form, undefined, { kernel })
    const size = measures.high.map((high, i) => high - measures.low[i])
    expect(size.map((x) => Math.round(x * 1e9))).toEqual([50e6, 40e6, 60e6])
    expect(measures.volume / volume).toBeCloseTo(1, 9)
    expect(closure.openEdges + closure.tangledEdges).toBe(0)
  })

  it('more volume than its sides hold is refused', () => {
    const measured = { how: 'displaced', volume: 500e-6 } as const
    expect(() => readDocument(formSchema, { from: 'measured', measured, ...sides })).toThrow(
      Problems,
    )
  })
})

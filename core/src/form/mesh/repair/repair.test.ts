import { beforeAll, describe, expect, it } from 'vitest'
import { closureOf, isClosed } from '../closure.ts'
import { referenceKernel, stool, type ReferenceKernel } from '../manifold.reference.ts'
import { measure } from '../measure.ts'
import { turnInPlace, type Mesh } from '../mesh.ts'
import { buildSolid } from '../../shape/solids/solid.ts'
import { closeHoles } from './closeHoles.ts'
import { depthsOf } from './nesting.ts'
import { nearWeld } from './nearWeld.ts'
import { agreeInPlace, turnOutwardInPlace } from './orient.ts'
import { shellsOf } from './shells.ts'

let reference: ReferenceKernel
beforeAll(async () => {
  reference = await referenceKernel()
})
const copy = (mesh: Mesh): Mesh => ({ ...mesh, triangles: mesh.triangles.slice() })
const together = (...meshes: Mesh[]): Mesh => {
  let vertices = 0
  const triangles: number[] = []
  for (const { positions, triangles: own } of meshes) {
    for (const v of own) triangles.push(v + vertices)
    vertices += positions.length / 3
  }
  const positions = Float64Array.from(meshes.flatMap((mesh) => [...mesh.positions]))
  return { positions, triangles: Uint32Array.from(triangles) }
}
const cube = (side: number) =>
  buildSolid({ solid: 'block', width: side, depth: side, height: side })
const shifted = ({ positions, triangles }: Mesh, by: number[]): Mesh => ({
  positions: Float64Array.from(positions, (x, i) => x + by[i % 3]),
  triangles,
})

describe('shells', () => {
  it('a ring has one handle, a ball none, a plate with three holes three', () => {
    const { kernel, meshOf, box } = reference
    const ring = kernel.Manifold.revolve(kernel.CrossSection.circle(4, 24).translate([16, 0]), 48)
    const drill = (x: number) => kernel.Manifold.cylinder(9, 2, 2, 24).translate([x, 5, -2])
    const plate = [5, 15, 25].reduce((p, x) => p.subtract(drill(x)), box([0, 0, 0], [30, 10, 4]))
    const genus = (mesh: Mesh) => shellsOf(mesh).map((shell) => shell.genus)
    expect(genus(meshOf(ring))).toEqual([1])
    expect(genus(meshOf(kernel.Manifold.sphere(10, 32)))).toEqual([0])
    expect(genus(meshOf(plate))).toEqual([3])
    expect(genus(stool(reference))).toEqual([0])
    // The same by the reference library.
    expect(plate.genus()).toBe(3)
    expect(ring.genus()).toBe(1)
  })

  it('two cubes that share only an edge are two shells, and so are two that share a corner', () => {
    const one = cube(0.01)
    const welded = (by: number[]) => {
      const mesh = together(one, shifted(one, by))
      const known = new Map<string, number>()
      const vertexOf = Array.from({ length: 16 }, (_, v) => {
        const key = [0, 1, 2].map((k) => mesh.positions[3 * v + k].toFixed(9)).join()
        if (!known.has(key)) known.set(key, v)
        return known.get(key)!
      })
      return { ...mesh, triangles: mesh.triangles.map((v) => vertexOf[v]) }
    }
    for (const by of [
      [0.01, 0.01, 0],
      [0.01, 0.01, 0.01],
    ]) {
      const shells = shellsOf(welded(by))
      expect(shells.map(({ genus }) => genus)).toEqual([0, 0])
      for (const { volume } of shells) expect(volume).toBeCloseTo(1e-6, 12)
    }
  })

  it('two separate cubes are two shells, the larger first', () => {
    const mesh = together(cube(0.01), shifted(cube(0.02), [0.1, 0, 0]))
    expect(shellsOf(mesh).map(({ faces }) => faces.length)).toEqual([12, 12])
    expect(shellsOf(mesh)[0].volume).toBeCloseTo(8e-6, 12)
  })
})

describe('repair', () => {
  it('faces that look inward are turned, and counted', () => {
    const mesh = copy(stool(reference))
    const { volume } = measure(mesh)
    for (const face of [0, 5, 9]) {
      const t = mesh.triangles
      ;[t[3 * face], t[3 * face + 1]] = [t[3 * face + 1], t[3 * face]]
    }
    expect(agreeInPlace(mesh)).toBe(3)
    expect(isClosed(closureOf(mesh))).toBe(true)
    expect(measure(mesh).volume).toBeCloseTo(volume, 15)
  })

  it('of shells within one another each keeps its side, only the outermost is turned outward', () => {
    const centred = (side: number) => shifted(cube(side), [0, 0, -side / 2])
    const inward = (mesh: Mesh) => turnInPlace(copy(mesh))
    const volumes = (...meshes: Mesh[]) => {
      const mesh = together(...meshes)
      const before = mesh.triangles.slice()
      turnOutwardInPlace(mesh, shellsOf(mesh))
      const turned = before.filter((v, i) => i % 3 === 1 && v !== mesh.triangles[i]).length
      return { turned, volume: measure(mesh).volume }
    }
    // Inward within another: the skin of a void.
    expect(volumes(centred(0.03), inward(centred(0.02)))).toEqual({
      turned: 0,
      volume: expect.closeTo(27e-6 - 8e-6, 12),
    })
    // Outward within another: a part that overlaps, not a void.
    expect(volumes(centred(0.03), centred(0.02))).toEqual({
      turned: 0,
      volume: expect.closeTo(27e-6 + 8e-6, 12),
    })
    expect(volumes(inward(centred(0.03)), inward(centred(0.02)))).toEqual({
      turned: 12,
      volume: expect.closeTo(27e-6 - 8e-6, 12),
    })
  })

  it('how deep a shell lies is right wherever its rays meet edges and corners', () => {
    const nested = (n: number) =>
      together(
        ...Array.from({ length: n }, (_, i) =>
          shifted(cube(0.01 * (n - i)), [0, 0, -0.005 * (n - i)]),
        ),
      )
    const mesh = nested(6)
    const shells = shellsOf(mesh)
    expect(depthsOf(mesh, shells)).toEqual([0, 1, 2, 3, 4, 5])
  })

  it('a hole is closed by a fan, and its skin is said', () => {
    const box = cube(0.02)
    const open: Mesh = { ...box, triangles: box.triangles.slice(6) }
    expect(closureOf(open).openEdges).toBe(4)
    const { mesh, closed, area } = closeHoles(open)
    expect(closed).toBe(1)
    expect(area).toBeCloseTo(4e-4, 12)
    expect(isClosed(closureOf(mesh))).toBe(true)
    expect(measure(mesh).volume).toBeCloseTo(8e-6, 12)
  })

  it('gaps of rounding are joined, real gaps are not', () => {
    const box = cube(0.02)
    const soup = (gap: number): Mesh => ({
      positions: Float64Array.from(
        [...box.triangles].flatMap((v, i) =>
          [0, 1, 2].map((k) => box.positions[3 * v + k] + (i % 3 === k ? gap : 0)),
        ),
      ),
      triangles: Uint32Array.from(box.triangles.keys()),
    })
    expect(isClosed(closureOf(nearWeld(soup(4e-8)).mesh))).toBe(true)
    expect(isClosed(closureOf(nearWeld(soup(1e-5)).mesh))).toBe(false)
  })
})

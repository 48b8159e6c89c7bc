import { beforeAll, describe, expect, it } from 'vitest'
import { firmPlatinum } from '../../matter/material/samples.ts'
import { Problem } from '../../base/problem/index.ts'
import { referenceKernel, type ReferenceKernel } from '../../form/mesh/manifold.reference.ts'
import {
  closureOf,
  isClosed,
  measure,
  readStl,
  scaleInPlace,
  weld,
  writeStl,
  type Mesh,
} from '../../form/mesh/index.ts'
import { thinWalls } from '../../form/cells/index.ts'
import { buildBox } from '../box/box.ts'
import { compileMould } from '../compile.ts'
import type { Mould } from '../mould.ts'
import { block60, geometryOf, geometryOfSolid, sampleMould } from '../samples.ts'
import { jacketOf, supportFunction } from '../box/jacket.ts'
import { printShell } from './shell.ts'
import { sayMaking } from '@mivro/words/making'
import { makingSteps } from '../making/making.ts'
import { template } from './template.ts'

let reference: ReferenceKernel
beforeAll(async () => {
  reference = await referenceKernel()
})
const geometry = geometryOfSolid(block60)
describe('the master', () => {
  const codes = (masterMass?: number) =>
    compileMould(sampleMould({ masterMass }), geometry, firmPlatinum, 1e-4).cautions.map(
      ({ code }) => code,
    )

  // 48 ml of silicone at 1.11 g/ml: 53.3 g.
  it('unweighed, is asked for; light, it floats; heavy, it stays', () => {
    expect(codes()).toContain('master-unweighed')
    expect(codes(0.03)).toEqual(expect.arrayContaining(['master-floats', 'risen-master']))
    expect(codes(0.06)).not.toContain('master-floats')
    const { uplift, weightOnTop } = compileMould(
      sampleMould({ masterMass: 0.03 }),
      geometry,
      firmPlatinum,
      1e-4,
    )
    expect(uplift).toBeCloseTo((48e-6 * 1110 - 0.03) * 9.80665, 3)
    expect(weightOnTop).toBeCloseTo((1.5 * uplift) / 9.80665, 9)
  })
})

describe('templates', () => {
  const openings: Mould['openings'] = [
    { id: 'g', what: 'gate', at: [0.02, 0.01, 0.02], bore: 0.006, made: 'cut later' },
  ]
  const mould = sampleMould({ openings })

  it('are drawn in true millimetres with a check line of 50', () => {
    const svg = template(
      mould,
      { box: buildBox(mould.box, geometry.foot), foot: geometry.foot },
      'check',
    )
    const [, width, height] = /width="([\d.]+)mm" height="([\d.]+)mm"/.exec(svg)!
    const [, , , w, h] = /viewBox="(\S+) (\S+) (\S+) (\S+)"/.exec(svg)!
    expect([width, height]).toEqual([w, h])
    expect(svg).toContain('h50')
    expect(svg).toContain('>check</text>')
    expect(svg).toContain('<circle cx="20.00" cy="-10.00" r="3.00"')
    expect(svg).toContain('gate 6.0 mm')
  })

  // Two blocks of 60 x 40 mm, 10 mm apart: their middles stand 25 mm to either side.
  it('every master of a mould stands on them, with its gate, and the steps speak of all', () => {
    const two = sampleMould({ kind: 'two-part', cavities: 2, openings })
    const compiled = compileMould(two, geometry, firmPlatinum, 1e-4)
    const svg = template(two, { ...compiled, box: compiled.box! }, 'check')
    const gates = [...svg.matchAll(/<circle cx="([-\d.]+)" cy="([-\d.]+)"/g)]
    expect(gates.map(([, , y]) => Number(y))).toEqual([15, -35])
    expect(svg.match(/stroke-dasharray/g)).toHaveLength(2)
    const words = makingSteps(two, compiled, firmPlatinum).flatMap(({ title, lines }) =>
      [title, ...lines].map((one) => sayMaking(one)),
    )
    expect(words.some((said) => said.startsWith('Bed the 2 masters in'))).toBe(true)
    expect(words.join(' ')).toMatch(/the 2 masters/)
    expect(words.join(' ')).not.toMatch(/the master in its place/)
  })
})

describe('a printed shell', () => {
  const figure = (): Mesh => {
    const { kernel, meshOf } = reference
    const body = kernel.Manifold.sphere(14, 64).translate([0, 0, 14])
    return meshOf(body.add(kernel.Manifold.sphere(9, 48).translate([4, 0, 33])))
  }
  const options = { layer: 0.006, wall: 0.0024 }
  const build = (openings: Mould['openings'] = []) => {
    const mesh = figure()
    const { volume } = measure(mesh)
    return {
      mesh,
      volume,
      shell: printShell(reference.kernel, mesh, volume, [0, 0, 1], openings, options),
    }
  }
  const readBack = (mesh: Mesh) => scaleInPlace(weld(readStl(writeStl(mesh)).mesh), 1e-3)

  it('is two closed halves, read back from STL', () => {
    const { shell } = build([
      { id: 'g', what: 'gate', at: [0.004, 0, 0.042], bore: 0.006, made: 'cast in' },
    ])
    for (const half of [shell.lower, shell.upper]) {
      expect(isClosed(closureOf(readBack(half)))).toBe(true)
      expect(measure(readBack(half)).volume).toBeGreaterThan(0)
    }
  })

  it('its cavity holds silicone plus master within 0.5 %', () => {
    const { volume, shell } = build()
    // Both halves put together, and the hull of the shell without its brim filled: the reference
    // library takes one from the other.
    const { kernel, solidOf } = reference
    const both = solidOf(scaled(readBack(shell.lower))).add(solidOf(scaled(readBack(shell.upper))))
    const middle = both.boundingBox()
    const core = kernel.Manifold.hull(
      [...corners(scaled(figure()), 7.2)].filter(([, , z]) => z > middle.min[2] - 1),
    )
    const cavity = core.subtract(both).volume() / 1e9
    expect(cavity / (shell.silicone + volume)).toBeGreaterThan(0.995)
    expect(cavity / (shell.silicone + volume)).toBeLessThan(1.005)
  })

  it('its walls are as thick as asked, nowhere a quarter thicker', () => {
    const { shell } = build()
    const lower = readBack(shell.lower)
    expect(
      thinWalls(lower, [0, 0, 1], 0.05, 0.9 * options.wall).filter(({ kind }) => kind !== 'tongue'),
    ).toEqual([])
    const { volume: material, area } = measure(lower)
    // Wall and flange together: half the surface times the wall, within a quarter.
    expect(material / ((area / 2) * options.wall)).toBeGreaterThan(0.9)
    expect(material / ((area / 2) * options.wall)).toBeLessThan(1.25)
  })

  // The reference library grows each body by a ball and cuts it off above the parting.
  it.each([
    { name: 'a block', turn: [17, 31, 13] },
    { name: 'a cone', turn: [0, 0, 0] },
    { name: 'a figure', turn: [40, 0, 0] },
  ])('what lies below the parting of $name is that of the reference library', ({ name, turn }) => {
    const { kernel, meshOf, box } = reference
    const ball = (radius: number) => kernel.Manifold.sphere(radius, 48)
    const bodies: Record<string, ReturnType<typeof ball>> = {
      'a block': box([0, 0, 0], [24, 30, 17]),
      'a cone': kernel.Manifold.cylinder(40, 20, 5, 32),
      'a figure': kernel.Manifold.hull([ball(12), ball(5).translate([20, 5, 30])]),
    }
    const turned = bodies[name].rotate(turn as [number, number, number])
    const standing = turned.translate([0, 0, -turned.boundingBox().min[2]])
    const height = standing.boundingBox().max[2]
    const grown = standing.minkowskiSum(ball(6))
    const mesh = meshOf(standing)
    for (const share of [0.2, 0.5, 0.8]) {
      const parting = share * height
      const { below, above, widest } = jacketOf(
        supportFunction(mesh, [0, 0, 1]),
        height / 1000,
        0.006,
        parting / 1000,
      )
      const cut = grown.trimByPlane([0, 0, -1], -parting).volume()
      // Where it goes straight up from its widest height, that is more than the hull.
      const straight = below + above - 1
      const found = below - (parting / 1000 > widest ? straight : 0)
      expect(Math.abs(found - cut / grown.volume())).toBeLessThan(0.015)
    }
  })

  // The body is a ball of 28 mm with a smaller one on it, parted well above its widest height.
  it('parted where its mould parts, it draws off both halves and holds what the mould takes', () => {
    const mesh = figure()
    const mould = sampleMould({ kind: 'printed shell', layer: options.layer, parting: 0.024 })
    const { room } = compileMould(mould, geometryOf(mesh), firmPlatinum, 1e-4)
    const { volume } = measure(mesh)
    const shell = printShell(reference.kernel, mesh, volume, [0, 0, 1], [], {
      ...options,
      parting: room.parting,
    })
    expect(shell.parting).toBeCloseTo(0.024, 9)
    expect(shell.silicone / room.net).toBeGreaterThan(0.99)
    expect(shell.silicone / room.net).toBeLessThan(1.02)
    const [lower, upper] = [shell.lower, shell.upper].map((half) =>
      reference.solidOf(scaled(readBack(half))),
    )
    // What hangs over the way down to the parting would hold the silicone: the lower half's cavity
    // never narrows on its way up, so that its section leaves no more of a hole above than below.
    const holes = (solid: typeof lower, z: number) => {
      const cut = solid.slice(z)
      const filled = reference.kernel.CrossSection.ofPolygons(cut.toPolygons(), 'Positive')
      const hull = filled.hull()
      return hull.area() - cut.area()
    }
    const inner = [6, 10, 14, 18, 20].map((z) => holes(lower, z))
    for (const [i, area] of inner.slice(1).entries()) expect(area).toBeGreaterThan(inner[i] - 1)
    expect(inner.at(-1)! / inner[0]).toBeGreaterThan(1.1)
    // One hole to fill by in each: genus 1 each.
    expect([lower.genus(), upper.genus()]).toEqual([1, 1])
  })

  it('a wall that no printer lays is refused', () => {
    const mesh = figure()
    const thin = () =>
      printShell(reference.kernel, mesh, 1e-5, [0, 0, 1], [], { layer: 0.006, wall: 0.0004 })
    expect(thin).toThrow(Problem)
    expect(thin).toThrow('shell-too-thin at shellWall')
  })

  const scaled = (mesh: Mesh): Mesh => ({
    ...mesh,
    positions: Float64Array.from(mesh.positions, (x) => x * 1000),
  })
  /** Corners of a mesh with a ball of that radius (mm) around each, along 26 directions. */
  function* corners({ positions: p }: Mesh, by: number): Iterable<[number, number, number]> {
    for (let i = 0; i < p.length; i += 3) {
      for (let n = 1; n < 400; n++) {
        const z = 1 - (2 * n) / 400
        const a = n * 2.399963
        const r = Math.sqrt(1 - z * z)
        if (i % 33 === 0)
          yield [p[i] + by * r * Math.cos(a), p[i + 1] + by * r * Math.sin(a), p[i + 2] + by * z]
      }
    }
  }
})

import { beforeAll, describe, expect, it } from 'vitest'
import { referenceKernel, type ReferenceKernel } from '../../form/mesh/manifold.reference.ts'
import type { Mesh, Vec3 } from '../../form/mesh/index.ts'
import { topBridges } from './bridges.ts'
import { cheapestPath } from './cheapestPath.ts'
import { widestGirth } from './girth.ts'
import { findSeam } from './seam.ts'
import { seamNeeded, slitFor, stretchOf } from './slit.ts'
import { straightened } from './straighten.ts'
import { surfaceGraph } from './surfaceGraph.ts'
import { visibilityOf } from './visibility.ts'

let reference: ReferenceKernel
beforeAll(async () => {
  reference = await referenceKernel()
})
const mm = 1e-3
const lengthOf = (line: ArrayLike<number>) => {
  let sum = 0
  for (let i = 3; i < line.length; i += 3) {
    sum += Math.hypot(line[i] - line[i - 3], line[i + 1] - line[i - 2], line[i + 2] - line[i - 1])
  }
  return sum
}
const vertexAt = ({ positions: p }: Mesh, at: Vec3) => {
  const away = (i: number) => Math.hypot(...at.map((x, k) => p[3 * i + k] - x))
  return Array.from({ length: p.length / 3 }, (_, i) => i).reduce((a, b) =>
    away(b) < away(a) ? b : a,
  )
}
const shortest = (mesh: Mesh, a: Vec3, b: Vec3) => {
  const graph = surfaceGraph(mesh)
  const path = cheapestPath(graph, vertexAt(mesh, a), vertexAt(mesh, b), () => 1)!
  return lengthOf(straightened(graph, path))
}

describe('the way over a surface', () => {
  // Unfolded, the way between opposite corners of a box is a straight line: √(a² + (b + c)²), the
  // longest side by itself (the spider and the fly; Dudeney 1903).
  it.each([
    [40, 30, 20],
    [60, 25, 25],
    [20, 20, 20],
  ])('between opposite corners of a box of %i x %i x %i mm is the unfolded line', (a, b, c) => {
    const mesh = reference.meshOf(reference.box([0, 0, 0], [a, b, c]))
    const found = shortest(mesh, [0, 0, 0], [a * mm, b * mm, c * mm])
    expect(found / (Math.hypot(a, b + c) * mm)).toBeGreaterThan(0.9999)
    expect(found / (Math.hypot(a, b + c) * mm)).toBeLessThan(1.02)
  })

  it.each([24, 64, 128])('from pole to pole of a ball of %i sides is half its circle', (sides) => {
    const mesh = reference.meshOf(reference.kernel.Manifold.sphere(20, sides))
    const found = shortest(mesh, [0, 0, -0.02], [0, 0, 0.02])
    expect(found / (Math.PI * 0.02)).toBeGreaterThan(0.98)
    expect(found / (Math.PI * 0.02)).toBeLessThan(1.02)
  })

  it('from one body to another there is none', () => {
    const { Manifold } = reference.kernel
    const ball = Manifold.sphere(5, 16)
    const two = reference.meshOf(ball.add(ball.translate([0, 0, 20])))
    expect(findSeam(two, { up: [0, 0, 1], front: [0, -1, 0] })).toBeUndefined()
  })
})

describe('what the front sees', () => {
  it('of a ball the nearest point wholly, its side half, its back not at all', () => {
    const mesh = reference.meshOf(reference.kernel.Manifold.sphere(20, 64))
    const seen = visibilityOf(mesh, [0, -1, 0])
    const at = (x: number, y: number, z: number) => seen[vertexAt(mesh, [x, y, z])]
    expect(at(0, -0.02, 0)).toBeCloseTo(1, 6)
    expect(at(0.02, 0, 0)).toBeGreaterThan(0.35)
    expect(at(0.02, 0, 0)).toBeLessThan(0.65)
    expect(at(0, 0.02, 0)).toBeLessThan(0.05)
  })

  it('behind a wall nothing is seen, on the wall all', () => {
    const { Manifold } = reference.kernel
    const ball = Manifold.sphere(8, 48).translate([0, 30, 0])
    const wall = reference.box([-300, 0, -300], [300, 4, 300])
    const mesh = reference.meshOf(ball.add(wall))
    const seen = visibilityOf(mesh, [0, -1, 0])
    expect(seen[vertexAt(mesh, [0, 0.022, 0])]).toBeLessThan(0.2)
    expect(seen[vertexAt(mesh, [0.3, 0, 0.3])]).toBeGreaterThan(0.9)
  })
})

describe('does it come out', () => {
  // A slit whose lips are as long as the girth: L = G / (2 (1 + s)).
  it('a ball: its equator passes a slit of π R / (1 + s)', () => {
    const mesh = reference.meshOf(reference.kernel.Manifold.sphere(20, 96))
    expect(widestGirth(mesh, [0.3, 0.4, 0.866]) / (2 * Math.PI * 0.02)).toBeCloseTo(1, 2)
    const seam = findSeam(mesh, { up: [0, 0, 1], front: [0, -1, 0] })!
    // From pole to pole it is π R long: at 30A a slit of two thirds of it lets the ball pass.
    expect(seam.length / (Math.PI * 0.02)).toBeGreaterThan(0.94)
    expect(seamNeeded(seam, 30)! / ((Math.PI * 0.02) / 1.5)).toBeCloseTo(1, 1)
  })

  it('a dumb-bell passes with the girth of its ball, whatever its neck', () => {
    const { Manifold } = reference.kernel
    const ball = Manifold.sphere(15, 64)
    const bell = ball.add(ball.translate([0, 0, 60])).add(Manifold.cylinder(60, 4, 4, 32))
    const mesh = reference.meshOf(bell)
    expect(widestGirth(mesh, [0, 0, 1]) / (2 * Math.PI * 0.015)).toBeCloseTo(1, 1)
  })

  it('a rod drawn sideways passes with a girth of twice its length and twice its width', () => {
    const mesh = reference.meshOf(reference.kernel.Manifold.cylinder(80, 10, 10, 64))
    expect(widestGirth(mesh, [1, 0, 0]) / (2 * (0.08 + 0.02))).toBeCloseTo(1, 1)
  })

  it('softer silicone asks for a shorter seam; none frees what is too wide', () => {
    const seam = { length: 0.06, girth: 0.12 }
    const needed = [10, 15, 30, 40].map((hardness) => seamNeeded(seam, hardness)!)
    expect(needed).toEqual(needed.toSorted((a, b) => a - b))
    expect(needed[2]).toBeCloseTo(slitFor(0.12, stretchOf(30)), 9)
    expect(seamNeeded({ length: 0.02, girth: 0.2 }, 30)).toBeUndefined()
  })
})

describe('a seam', () => {
  // A cup on its head: the way through its hollow is hidden best, and no blade gets there.
  // A disc in a ring, 6 mm between them and 15 deep, on one floor: the gate stands on the disc.
  it('spans a moat on its way out, and does not climb down into it', () => {
    const { Manifold } = reference.kernel
    const ring = Manifold.cylinder(20, 20, 20, 64).subtract(
      Manifold.cylinder(15, 16, 16, 64).translate([0, 0, 5]),
    )
    // The disc is a little higher: hull edges lead from its rim to that of the ring.
    const mesh = reference.meshOf(ring.add(Manifold.cylinder(21, 10, 10, 64)))
    const { line } = findSeam(mesh, { from: [0, 0.01, 0.021], up: [0, 0, 1], front: [0, -1, 0] })!
    const inMoat = Array.from({ length: line.length / 3 }, (_, i) => i).filter(
      (i) => line[3 * i + 2] < 0.019 && Math.hypot(line[3 * i], line[3 * i + 1]) < 0.0155,
    )
    // Straight across from disc to ring, and from nowhere else: the foot is flat.
    const over = topBridges(mesh, [0, 0, 1], vertexAt(mesh, [0, 0.01, 0.021]))
    expect(over.length).toBeGreaterThan(10)
    expect(topBridges(mesh, [0, 0, -1], vertexAt(mesh, [0, 0.02, 0]))).toEqual([])
    // But for its end, on the foot.
    expect(inMoat.filter((i) => line[3 * i + 2] > 0.001)).toEqual([])
    expect(line.at(-1)).toBeCloseTo(0, 4)
  })

  it('keeps out of a hollow that no blade reaches', () => {
    const { Manifold } = reference.kernel
    const cup = Manifold.cylinder(60, 20, 20, 64).subtract(
      Manifold.cylinder(50, 15, 15, 64).translate([0, 0, 10]),
    )
    const mesh = reference.meshOf(cup)
    const { line, out } = findSeam(mesh, {
      from: [0, 0.02, 0.06],
      up: [0, 0, 1],
      front: [0, -1, 0],
    })!
    const around = Array.from({ length: line.length / 3 }, (_, i) =>
      Math.hypot(line[3 * i], line[3 * i + 1]),
    )
    expect(Math.min(...around.slice(0, -1))).toBeGreaterThan(0.019)
    expect(out[1]).toBeGreaterThan(0.9)
  })

  it('runs down the back of a figure, from its gate to its foot', () => {
    const { Manifold } = reference.kernel
    const body = Manifold.sphere(14, 48).translate([0, 0, 14])
    const nose = Manifold.sphere(4, 24).translate([0, -14, 33])
    const mesh = reference.meshOf(body.add(Manifold.sphere(11, 48).translate([0, 0, 33])).add(nose))
    const { line, length } = findSeam(mesh, {
      from: [0, 0, 0.044],
      up: [0, 0, 1],
      front: [0, -1, 0],
    })!
    expect(lengthOf(line)).toBeCloseTo(length, 9)
    expect([line[2], line.at(-1)!]).toEqual([expect.closeTo(0.044, 3), expect.closeTo(0, 2)])
    const middle = line.filter((_, i) => i % 3 === 1)
    // Everywhere behind or beside, never over the face.
    expect(Math.min(...middle)).toBeGreaterThan(-0.004)
    expect(Math.max(...middle)).toBeGreaterThan(0.008)
    const other = findSeam(mesh, { from: [0, 0, 0.044], up: [0, 0, 1], front: [0, 1, 0] })!
    expect(Math.min(...other.line.filter((_, i) => i % 3 === 1))).toBeLessThan(-0.008)
  })
})

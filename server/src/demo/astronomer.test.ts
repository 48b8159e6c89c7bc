import { Triangle, Vector3 } from 'three'
import { beforeAll, describe, expect, it } from 'vitest'
import { airPockets, bestTilts, voxelise, type AirPocket } from '@mivro/core/form/cells'
import { shellVolume, wallDepths } from '@mivro/core/form/wall'
import { cavityOf } from '@mivro/core/form/mesh'
import { type Mesh, type Vec3 } from '@mivro/core/form/mesh'
import { astronomer, gatePlace } from './astronomer.ts'

/** Poured foot up, through a gate under the foot. */
const up: Vec3 = [0, 0, -1]
const gate = { at: gatePlace as Vec3, bore: 0.008 }
const bore = 0.002

let mesh: Mesh
let pockets: AirPocket[]
beforeAll(async () => {
  mesh = await astronomer()
  pockets = airPockets(mesh, voxelise(mesh, up), [gate])
})

describe('the little astronomer', () => {
  it('is one closed surface with the gap between its boots', () => {
    const { closure, cautions, measures } = cavityOf(mesh)
    expect(closure).toEqual({ openEdges: 0, holes: 0, tangledEdges: 0, flippedEdges: 0 })
    expect(cautions).toEqual([])
    expect(measures.high[2] - measures.low[2]).toBeCloseTo(0.094, 4)
  })

  // Where a caster would point: parts that hang down when it stands, and up when it is poured.
  it('keeps air in the hem of the coat, the lantern and the eyepiece of the telescope', () => {
    expect(pockets).toHaveLength(3)
    const [hem, lantern, telescope] = pockets.map(({ top }) => top.map((x) => x * 1000))
    expect(hem[2]).toBeCloseTo(6, 1)
    expect(Math.hypot(hem[0], hem[1])).toBeGreaterThan(16)
    expect(lantern[2]).toBeCloseTo(20, 1)
    expect(Math.abs(lantern[0] - 29)).toBeLessThan(6.5)
    expect(telescope[0]).toBeLessThan(-12)
    expect(telescope[2]).toBeGreaterThan(48)
  })

  // π (20² − 16.5²) mm² of ring, 6.9 mm to the coat: about 2.6 ml less the taper.
  it('the hem holds as much as its ring', () => {
    const ring = Math.PI * (19.6 ** 2 - 16.5 ** 2) * 6.9
    expect(pockets[0].volume * 1e9).toBeGreaterThan(0.95 * ring)
    expect(pockets[0].volume * 1e9).toBeLessThan(1.05 * ring)
  })

  it('one vent each clears them, and only its own', () => {
    const grid = voxelise(mesh, up)
    for (const [index, { top }] of pockets.entries()) {
      const left = airPockets(mesh, grid, [gate, { at: top, bore }])
      expect(left).toHaveLength(2)
      expect(
        left.some(
          ({ top: other }) => Math.hypot(...other.map((x, i) => x - pockets[index].top[i])) < 0.004,
        ),
      ).toBe(false)
    }
    const vents = pockets.map(({ top }) => ({ at: top, bore }))
    expect(airPockets(mesh, grid, [gate, ...vents])).toEqual([])
  })

  it('the search finds a tilt that needs fewer vents and leaves nothing', () => {
    // Turned over it would want its gate elsewhere: the way with this gate.
    const best = bestTilts(mesh, up, gate).find(({ gate: moved }) => !moved)!
    expect(best.vents.length).toBeLessThan(pockets.length)
    expect(best.left).toBe(0)
    expect(best.angle).toBeLessThan(Math.PI / 6)
    // Held so, with those vents, the exact answer agrees.
    const openings = [gate, ...best.vents.map(({ at }) => ({ at, bore }))]
    expect(airPockets(mesh, voxelise(mesh, best.up), openings)).toEqual([])
  })
})

// Hollow casts: an independent sum, of places spread evenly, each measured to every face (three’s triangles).
describe('a wall of the little astronomer', () => {
  it('takes what lies within it, to 1 %', () => {
    const { low, high, volume } = cavityOf(mesh).measures
    const found = depthsByHand(mesh, low, high, 12_000)
    const walls = wallDepths(mesh, up)
    for (const wall of [0.002, 0.003]) {
      const wanted = (found.filter((depth) => depth < wall).length / found.length) * volume
      expect(Math.abs(shellVolume(walls, wall) / wanted - 1)).toBeLessThan(0.01)
    }
  })
})

/** The n-th of a sequence that fills the unit interval evenly (van der Corput 1935). */
function evenly(n: number, base: number): number {
  let [sum, share] = [0, 1 / base]
  for (let left = n; left > 0; left = Math.floor(left / base), share /= base) {
    sum += (left % base) * share
  }
  return sum
}

/** Distances to the nearest of all faces, of places inside that are spread evenly over a box, m. */
function depthsByHand({ positions: p, triangles: t }: Mesh, low: Vec3, high: Vec3, count: number) {
  const corner = (i: number) => new Vector3(p[3 * i], p[3 * i + 1], p[3 * i + 2])
  const faces = Array.from({ length: t.length / 3 }, (_, i) => {
    const face = new Triangle(corner(t[3 * i]), corner(t[3 * i + 1]), corner(t[3 * i + 2]))
    const middle = face.getMidpoint(new Vector3())
    // Beyond a ball around it nothing of a face has to be looked at.
    const reach = Math.max(...[face.a, face.b, face.c].map((one) => one.distanceTo(middle)))
    return { face, middle, reach }
  })
  const near = new Vector3()
  const depths: number[] = []
  for (let n = 1; n <= count; n++) {
    const at = new Vector3(
      ...[2, 3, 5].map((base, k) => low[k] + evenly(n, base) * (high[k] - low[k])),
    )
    let over = 0
    for (const { face, middle, reach } of faces) {
      if (Math.abs(middle.x - at.x) > reach || Math.abs(middle.y - at.y) > reach) continue
      if (isUnder(face, at.x, at.y, at.z)) over++
    }
    if (over % 2 === 0) continue
    let least = Infinity
    for (const { face, middle, reach } of faces) {
      if (middle.distanceTo(at) - reach > least) continue
      least = Math.min(least, face.closestPointToPoint(at, near).distanceTo(at))
    }
    depths.push(least)
  }
  return depths
}

/** Whether a face lies straight over a place. */
function isUnder({ a, b, c }: Triangle, x: number, y: number, z: number): boolean {
  const side = (m: Vector3, n: Vector3) => (n.x - m.x) * (y - m.y) - (n.y - m.y) * (x - m.x)
  const [u, v, w] = [side(b, c), side(c, a), side(a, b)]
  if (u > 0 !== v > 0 || v > 0 !== w > 0) return false
  return (u * a.z + v * b.z + w * c.z) / (u + v + w) > z
}

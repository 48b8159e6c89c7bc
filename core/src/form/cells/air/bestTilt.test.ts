import { beforeAll, describe, expect, it } from 'vitest'
import { referenceKernel, stool, type ReferenceKernel } from '../../mesh/manifold.reference.ts'
import { dot, type Vec3 } from '../../mesh/vector.ts'
import { voxelise } from '../voxel/voxelise.ts'
import { angleBetween, bestTilts, fibonacciCap, highestPlace } from './bestTilt.ts'

let reference: ReferenceKernel
beforeAll(async () => {
  reference = await referenceKernel()
})

describe('directions over a cap', () => {
  const cap = fibonacciCap(200, Math.PI / 4)

  it('begin upright, stay within the cap and have length 1', () => {
    expect(cap[0]).toEqual([0, 0, 1])
    for (const way of cap) {
      expect(Math.hypot(...way)).toBeCloseTo(1, 12)
      expect(angleBetween(way, [0, 0, 1])).toBeLessThan(Math.PI / 4 + 1e-9)
    }
  })

  // Area of the cap 2π (1 − cos 45°) over 200 points: about 5.5° between neighbours.
  it('lie evenly: no two nearer than 3°, none farther than 9° from its nearest', () => {
    const degrees = (a: Vec3, b: Vec3) => (Math.acos(Math.min(1, dot(a, b))) * 180) / Math.PI
    for (const way of cap) {
      const nearest = Math.min(
        ...cap.filter((other) => other !== way).map((other) => degrees(way, other)),
      )
      expect(nearest).toBeGreaterThan(3)
      expect(nearest).toBeLessThan(9)
    }
  })
})

describe('holding it another way', () => {
  /** A block with a finger that rises from one side, lower than its gate. */
  const fingered = (tip = 16) => {
    const { box, meshOf } = reference
    return meshOf(
      box([0, 0, 0], [20, 20, 20])
        .add(box([20, 8, 4], [44, 12, 8]))
        .add(box([40, 8, 8], [44, 12, tip])),
    )
  }
  const gate = { at: [0.01, 0.01, 0.02] as Vec3, bore: 0.004 }

  it('as it stands is among them, however many are better', () => {
    const tilts = bestTilts(
      fingered(11),
      [0, 0, 1],
      { at: [0.0005, 0.01, 0.02], bore: 0.004 },
      {
        coarse: 32,
        fine: 48,
        most: 1.2,
        vents: 0,
      },
    )
    expect(tilts.filter(({ left }) => left < 1e-10).length).toBeGreaterThan(2)
    const standing = tilts.find(({ angle }) => angle < 1e-9)
    expect(standing!.left).toBeGreaterThan(1e-8)
  })

  it('a finger beside the gate asks for a vent upright, and for none when it hangs', () => {
    const tilts = bestTilts(fingered(), [0, 0, 1], gate, {
      coarse: 48,
      fine: 80,
      most: 1.2,
      vents: 1,
    })
    expect(tilts[0].left).toBe(0)
    // A gate that has to move counts as much as a vent.
    const marks = ({ vents, gate }: (typeof tilts)[number]) => vents.length + (gate ? 1 : 0)
    const none = tilts.filter((tilt) => marks(tilt) === 0 && tilt.left === 0)
    expect(marks(tilts[0])).toBe(none.length > 0 ? 0 : 1)
    // Best first: never more air, then never more vents.
    for (let i = 1; i < tilts.length; i++) {
      expect(tilts[i].left).toBeGreaterThanOrEqual(tilts[i - 1].left)
    }
  })

  it('upright with no vent allowed, the finger keeps its air', () => {
    const [upright] = bestTilts(fingered(), [0, 0, 1], gate, {
      coarse: 48,
      fine: 80,
      most: 0.001,
      directions: 1,
      vents: 0,
    })
    expect(upright.angle).toBeCloseTo(0, 6)
    // 4 x 4 mm over 8 mm of finger, above the arm's ceiling of the same width.
    expect(upright.left * 1e9).toBeGreaterThan(100)
    expect(upright.vents).toEqual([])
  })

  // A stool with its legs up keeps air in three of them; turned over it fills from its new top, and
  // every leg hangs down.
  it('the other way up is tried too, and says where the gate is then', () => {
    const seatDown = { at: [0.016, 0.016, 0.024] as Vec3, bore: 0.004 }
    const tilts = bestTilts(stool(reference), [0, 0, -1], seatDown, {
      coarse: 40,
      fine: 64,
      vents: 1,
    })
    expect(tilts[0].left).toBe(0)
    expect(tilts[0].vents).toEqual([])
    expect(tilts[0].up[2]).toBeGreaterThan(0.7)
    expect(tilts[0].gate![2]).toBeGreaterThan(0.023)
  })

  it('the highest place of a ball is its top', () => {
    const { kernel, meshOf } = reference
    const ball = meshOf(kernel.Manifold.sphere(15, 64))
    const [x, y, z] = highestPlace(voxelise(ball, [0, 0, 1]))
    expect(Math.hypot(x, y)).toBeLessThan(0.003)
    expect(z).toBeCloseTo(0.015, 4)
  })
})

import type { Manifold, ManifoldToplevel } from 'manifold-3d'
import type { Mesh } from '@mivro/core/form/mesh'
import { solidKernel } from './solidKernel.ts'

type Point = [number, number, number]

/** Where the gate of the demo's mould sits: under the foot, m. */
export const gatePlace: Point = [0, 0, 0]

/**
 * The little astronomer, made up: a round foot, boots, a coat with a hanging hem, a lantern in one
 * hand and a telescope in the other. 94 mm tall, standing along z, in metres; always the same.
 */
export async function astronomer(): Promise<Mesh> {
  const solid = figure(await solidKernel())
  const { vertProperties, triVerts } = solid.getMesh()
  const mesh: Mesh = {
    positions: Float64Array.from(vertProperties, (x) => x / 1000),
    triangles: Uint32Array.from(triVerts),
  }
  solid.delete()
  return mesh
}

/** In millimetres. */
function figure({ Manifold }: ManifoldToplevel): Manifold {
  const ball = (r: number, at: Point) => Manifold.sphere(r, 48).translate(at)
  const rod = (from: Point, to: Point, r: number) => Manifold.hull([ball(r, from), ball(r, to)])
  const cone = (z: number, height: number, low: number, high: number, at: Point = [0, 0, 0]) =>
    Manifold.cylinder(height, low, high, 64).translate([at[0], at[1], z])
  const along = (from: Point, way: Point, t: number): Point => [
    from[0] + way[0] * t,
    from[1] + way[1] * t,
    from[2] + way[2] * t,
  ]

  const hem = cone(6, 8, 20, 19.2).subtract(cone(5, 8, 16.5, 16.5))
  const hand: Point = [-24, 9, 58]
  const sight: Point = [-0.79, 0.4, 0.46]
  const tube = (t0: number, t1: number, r: number) => {
    const [a, b] = [along(hand, sight, t0), along(hand, sight, t1)]
    const tip = (at: Point) => Manifold.sphere(r, 40).scale([1, 1, 0.4]).translate(at)
    return Manifold.hull([tip(a), tip(b)])
  }
  const lantern: Point = [29, -4, 0]
  return Manifold.union([
    // A round foot: it rocks, and no tilt traps air under its edge.
    Manifold.sphere(19.4, 96).translate([0, 0, 19.4]).trimByPlane([0, 0, -1], -5),
    rod([6, 0, 5], [6, 0, 18], 4.2),
    rod([-6, 0, 5], [-6, 0, 18], 4.2),
    cone(12.9, 41, 19.3, 9),
    hem,
    ball(10, [0, 0, 53]),
    ball(9.5, [0, 0, 70]),
    cone(75, 2.2, 13, 12.4),
    cone(76, 18, 8.6, 1.2),
    // The arm with the lantern.
    rod([8, 0, 55], [29, -4, 47], 3.4),
    cone(33, 13, 1.7, 1.7, lantern),
    cone(31.5, 4, 6, 2, lantern),
    cone(20, 12, 6, 6, lantern),
    // The arm with the telescope.
    rod([-8, 0, 56], hand, 3.4),
    tube(-12, 14, 3.4),
    tube(12, 28, 4.4),
  ])
}

import { Ray, Vector3 } from 'three'
import type { MeshBVH } from 'three-mesh-bvh'
import { dot, reachAlong, type Mesh, type Vec3 } from '../../form/mesh/index.ts'
import { treeOf } from '../../form/wall/index.ts'
import { supportVertices } from '../box/hull.ts'

/** Around the gate: whatever lies within this share of the height of the top. */
const topShare = 0.15
/** A bridge is level: it rises or falls by no more than this share of its length. */
const steepest = 0.5
/** Shorter than this share of the piece, or nearer to its skin in the middle, a way is no bridge. */
const shortest = 0.02
const clear = 0.002
/** Rims of a top are looked at in so many places. */
const mostPlaces = 120

/**
 * Level ways over hollows of the top, from one rim to another or from the gate: there the blade goes
 * through silicone alone and leaves no line on the cast (rays and distances by three-mesh-bvh). `gate`
 * is a vertex.
 *
 * @returns pairs of vertices of the mesh
 * @example topBridges(unitCube, [0, 0, 1], 0) // []
 */
export function topBridges(mesh: Mesh, up: Vec3, gate: number): [number, number][] {
  const { positions: p } = mesh
  const { low, size } = reachAlong(mesh, up)
  const place = (i: number): Vec3 => [p[3 * i], p[3 * i + 1], p[3 * i + 2]]
  const height = (i: number) => dot(place(i), up)
  const tops = supportVertices(mesh).filter((i) => height(i) > low + (1 - topShare) * size)
  const every = Math.ceil(tops.length / mostPlaces)
  const rims = [gate, ...tops.filter((i, n) => n % every === 0 && i !== gate)]
  const tree = treeOf(mesh)
  const spans = (a: number, b: number) => {
    const [from, to] = [new Vector3(...place(a)), new Vector3(...place(b))]
    const length = from.distanceTo(to)
    if (length < shortest * size || Math.abs(height(a) - height(b)) > steepest * length)
      return false
    const middle = from.clone().lerp(to, 0.5)
    const near = tree.closestPointToPoint(middle)
    if (!near || near.distance < clear * size || !isOutside(tree, middle, near)) return false
    return !isCrossed(tree, middle, from) && !isCrossed(tree, middle, to)
  }
  return rims.flatMap((a, n) =>
    rims
      .slice(n + 1)
      .filter((b) => spans(a, b))
      .map((b): [number, number] => [a, b]),
  )
}

type Near = NonNullable<ReturnType<MeshBVH['closestPointToPoint']>>

/** On the side of its nearest face to which that face looks. */
function isOutside(tree: MeshBVH, at: Vector3, { point, faceIndex }: Near): boolean {
  const index = tree.geometry.getIndex()!
  const positions = tree.geometry.getAttribute('position')
  const [a, b, c] = [0, 1, 2].map((k) =>
    new Vector3().fromBufferAttribute(positions, index.getX(3 * faceIndex + k)),
  )
  const normal = b.sub(a).cross(c.sub(a))
  return normal.dot(at.clone().sub(point)) > 0
}

/** The skin lies between; what is met in the last hundredth is the end itself. */
function isCrossed(tree: MeshBVH, from: Vector3, to: Vector3): boolean {
  const way = to.clone().sub(from)
  const hit = tree.raycastFirst(new Ray(from, way.clone().normalize()), 2)
  return hit !== null && hit !== undefined && hit.distance < 0.99 * way.length()
}

import { Ray, Vector3 } from 'three'
import type { Mesh, Vec3 } from '../mesh/index.ts'
import { treeOf } from './tree.ts'

/** @example cornerAt({ positions: [1, 2, 3] }, 0) // [1, 2, 3] */
export const cornerAt = ({ positions }: { positions: ArrayLike<number> }, i: number): Vec3 => [
  positions[3 * i],
  positions[3 * i + 1],
  positions[3 * i + 2],
]

/** Of each corner the area around it, m², and the way out; none where the faces of a fold cancel out. */
export function cornersOf(surface: Mesh) {
  const { positions, triangles } = surface
  const areas = new Float64Array(positions.length / 3)
  const sums = Array.from(areas, () => new Vector3())
  for (let t = 0; t < triangles.length; t += 3) {
    const corners = [triangles[t], triangles[t + 1], triangles[t + 2]]
    const [a, b, c] = corners.map((corner) => new Vector3(...cornerAt(surface, corner)))
    const way = b.sub(a).cross(c.sub(a)).multiplyScalar(0.5)
    for (const corner of corners) {
      areas[corner] += way.length() / 3
      sums[corner].add(way)
    }
  }
  return { areas, normals: sums.map((way): Vec3 => way.normalize().toArray()) }
}

/** Half of the way across the cavity from each corner, m: a wall gets no thicker. */
export function halfWidths(surface: Mesh, normals: readonly Vec3[]): Float64Array {
  const tree = treeOf(surface)
  const ray = new Ray()
  return Float64Array.from(normals, ([x, y, z], i) => {
    if (x === 0 && y === 0 && z === 0) return Infinity
    ray.direction.set(-x, -y, -z)
    ray.origin.set(...cornerAt(surface, i)).addScaledVector(ray.direction, skin)
    const across = tree.raycastFirst(ray, 2)
    return across ? across.distance / 2 : Infinity
  })
}

/** A ray begins so far under the surface that it does not hit it again, m. */
const skin = 1e-6

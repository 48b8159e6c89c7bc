import { Vector3 } from 'three'
import { ConvexHull } from 'three/examples/jsm/math/ConvexHull.js'
import { fibonacciCap } from '../../form/cells/index.ts'
import type { Mesh } from '../../form/mesh/index.ts'

/** A convex hull by what its offsets need. */
export interface Hull {
  /** m³ and m² */
  volume: number
  area: number
  /** Its mean curvature over its surface: half the sum over edges of length times turn, m. */
  bend: number
}

/** Corners kept of a surface: the farthest in each of so many directions. */
const directions = 1500

/**
 * The convex hull of a surface, by three's quickhull over its farthest corners.
 *
 * @example hullOf(unitCube).volume // 1
 */
export function hullOf(mesh: Mesh): Hull {
  const points = supportPoints(mesh)
  const found = new ConvexHull().setFromPoints(points.map(([x, y, z]) => new Vector3(x, y, z)))
  let [volume, area, bend] = [0, 0, 0]
  for (const face of found.faces) {
    area += face.area
    volume += (face.area * face.constant) / 3
    // Each edge is met from both of its faces: a half of it, and of the half that is its share.
    const start = face.edge
    for (let edge = start; ;) {
      const other = edge.twin.face
      const turn = Math.acos(Math.min(1, Math.max(-1, face.normal.dot(other.normal))))
      bend += (edge.length() * turn) / 4
      edge = edge.next
      if (edge === start) break
    }
  }
  return { volume, area, bend }
}

/**
 * m³ within a convex hull moved outward by `t`: V + A·t + M·t² + 4/3·π·t³ (Steiner, 1840); of
 * several hulls apart, the last as often as there are.
 *
 * @example offsetVolume(hullOf(unitCube), 1) // 20.61 (1 + 6 + 3π + 4π/3)
 */
export const offsetVolume = ({ volume, area, bend }: Hull, t: number, hulls = 1): number =>
  volume + area * t + bend * t * t + hulls * (4 / 3) * Math.PI * t ** 3

/** The farthest corner in each of many directions; all of them where they are few. */
export function supportPoints(mesh: Mesh): [number, number, number][] {
  const { positions: p } = mesh
  return supportVertices(mesh).map((i) => [p[3 * i], p[3 * i + 1], p[3 * i + 2]])
}

/** The same as numbers of vertices. */
export function supportVertices({ positions: p }: Mesh): number[] {
  const count = p.length / 3
  if (count <= directions) return Array.from({ length: count }, (_, i) => i)
  const found = new Set<number>()
  for (const [x, y, z] of fibonacciCap(directions, Math.PI)) {
    let best = 0
    let far = -Infinity
    for (let i = 0; i < count; i++) {
      const along = p[3 * i] * x + p[3 * i + 1] * y + p[3 * i + 2] * z
      if (along > far) [far, best] = [along, i]
    }
    found.add(best)
  }
  return [...found]
}

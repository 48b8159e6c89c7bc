import { axesFor, clustered, dot, reachAlong, type Mesh, type Vec3 } from '../mesh/index.ts'
import { cornerAt, cornersOf, halfWidths } from './corners.ts'

/** An inner face is drawn with no more faces than this: it is seen through the wall. */
const mostFaces = 12_000
/** A wall that is nearer to the one across from it than this share has filled what is between. */
const apart = 0.95

/**
 * The inner face of a hollow cast: its surface moved inwards by the wall, without what two walls fill
 * between them, where it stands open, and what lies below `bottom`, m above the lowest point: it is solid
 * there. Its way out is towards the wall.
 *
 * @example innerFace(buildSolid({ solid: 'ball', diameter: 0.04 }), 0.003).triangles.length > 3000 // true
 */
export function innerFace(
  mesh: Mesh,
  wall: number,
  { up, bottom }: { up: Vec3; bottom: number } = { up: [0, 0, 1], bottom: 0 },
): Mesh {
  const surface = clustered(mesh, mostFaces)
  const { normals } = cornersOf(surface)
  const half = halfWidths(surface, normals)
  const positions = Float32Array.from(surface.positions, (x, i) => {
    const corner = Math.floor(i / 3)
    return x - normals[corner][i % 3] * wall
  })
  const { up: axis } = axesFor(up)
  const floor = reachAlong(surface, axis).low + bottom
  const isOver = (corner: number) =>
    bottom <= 0 || dot(cornerAt({ positions }, corner), axis) > floor
  const { triangles } = surface
  const kept: number[] = []
  for (let t = 0; t < triangles.length; t += 3) {
    const corners = [triangles[t], triangles[t + 1], triangles[t + 2]]
    if (
      corners.every(
        (corner) => half[corner] * apart > wall && isOut(normals[corner]) && isOver(corner),
      )
    ) {
      kept.push(...corners)
    }
  }
  return { positions, triangles: Uint32Array.from(kept) }
}

/** A corner of a fold has no way out, and is left out. */
const isOut = (way: Vec3): boolean => way.some((x) => x !== 0)

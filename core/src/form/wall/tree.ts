import { BufferAttribute, BufferGeometry } from 'three'
import { MeshBVH } from 'three-mesh-bvh'
import { axesFor, clustered, dot, reachAlong, type Mesh, type Vec3 } from '../mesh/index.ts'

/** A mesh as a bounding volume hierarchy: nearest places and rays (three-mesh-bvh). */
export function treeOf({ positions, triangles }: Mesh): MeshBVH {
  const geometry = new BufferGeometry()
  geometry.setAttribute('position', new BufferAttribute(Float32Array.from(positions), 3))
  geometry.setIndex(new BufferAttribute(triangles.slice(), 1))
  return new MeshBVH(geometry)
}

/** Distances to more faces take seconds and are no truer: so many of a ball of 40 mm lie within 5 µm of it. */
const mostFaces = 12_000

/**
 * The walls of a cavity, for distances to them; with `mouth` all but what lies level at the top along it.
 */
export const wallFaces = (mesh: Mesh, mouth?: Vec3): Mesh =>
  clustered(mouth ? withoutMouth(mesh, mouth) : mesh, mostFaces)

/** Less than this share of the height from its top is the level top. */
const level = 1e-6

/** All of it but what lies level at its top. */
function withoutMouth({ positions, triangles }: Mesh, mouth: Vec3): Mesh {
  const { up } = axesFor(mouth)
  const { low, size } = reachAlong({ positions, triangles }, up)
  const isTop = (i: number) =>
    dot([positions[3 * i], positions[3 * i + 1], positions[3 * i + 2]], up) >
    low + size * (1 - level)
  const walls = [...triangles.keys()].filter(
    (k) => ![0, 1, 2].every((c) => isTop(triangles[k - (k % 3) + c])),
  )
  return { positions, triangles: Uint32Array.from(walls, (k) => triangles[k]) }
}

import { BufferAttribute, BufferGeometry } from 'three'
import { MeshBVH } from 'three-mesh-bvh'
import { clustered, type Mesh } from '../mesh/index.ts'

/** A mesh as a bounding volume hierarchy: nearest places and rays (three-mesh-bvh). */
export function treeOf({ positions, triangles }: Mesh): MeshBVH {
  const geometry = new BufferGeometry()
  geometry.setAttribute('position', new BufferAttribute(Float32Array.from(positions), 3))
  geometry.setIndex(new BufferAttribute(triangles.slice(), 1))
  return new MeshBVH(geometry)
}

/** Distances to more faces take seconds and are no truer: so many of a ball of 40 mm lie within 5 µm of it. */
const mostFaces = 12_000

/** The walls of a cavity, for distances to them. */
export const wallTree = (mesh: Mesh): MeshBVH => treeOf(clustered(mesh, mostFaces))

import type { Mesh } from '../../mesh/mesh.ts'
import type { Shell } from '../../mesh/repair/shells.ts'

/** The faces of some shells as a mesh of its own; shells that share a corner get one each. */
export function facesOf({ positions: p, triangles }: Mesh, shells: readonly Shell[]): Mesh {
  const count = shells.reduce((sum, { faces }) => sum + faces.length, 0)
  const own = new Uint32Array(3 * count)
  const from = new Uint32Array(3 * count)
  const newOf = new Int32Array(p.length / 3).fill(-1)
  let vertices = 0
  let at = 0
  for (const { faces } of shells) {
    const first = vertices
    for (const face of faces) {
      for (let i = 3 * face; i < 3 * face + 3; i++) {
        const vertex = triangles[i]
        if (newOf[vertex] < first) {
          newOf[vertex] = vertices
          from[vertices++] = vertex
        }
        own[at++] = newOf[vertex]
      }
    }
  }
  const positions = new (p.constructor as Float64ArrayConstructor)(3 * vertices)
  for (let v = 0; v < vertices; v++) {
    for (let k = 0; k < 3; k++) positions[3 * v + k] = p[3 * from[v] + k]
  }
  return { positions, triangles: own }
}

/** Meshes side by side as one. */
export function joined(meshes: readonly Mesh[]): Mesh {
  if (meshes.length === 1) return meshes[0]
  const sum = (of: (mesh: Mesh) => number) => meshes.reduce((total, mesh) => total + of(mesh), 0)
  const positions = new Float64Array(sum((mesh) => mesh.positions.length))
  const triangles = new Uint32Array(sum((mesh) => mesh.triangles.length))
  let [corner, index] = [0, 0]
  for (const mesh of meshes) {
    positions.set(mesh.positions, corner)
    for (const vertex of mesh.triangles) triangles[index++] = vertex + corner / 3
    corner += mesh.positions.length
  }
  return { positions, triangles }
}

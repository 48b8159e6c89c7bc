import type { Manifold } from 'manifold-3d'
import type { Mesh } from '../../form/mesh/index.ts'

/** Solids are built in millimetres. */
export const mm = 1000

/** A solid in mm as a mesh in m. */
export function meshOf(solid: Manifold): Mesh {
  const { vertProperties, triVerts, numProp } = solid.getMesh()
  const positions = new Float32Array((vertProperties.length / numProp) * 3)
  for (let i = 0; i < positions.length / 3; i++) {
    for (let k = 0; k < 3; k++) positions[3 * i + k] = vertProperties[numProp * i + k] / mm
  }
  return { positions, triangles: triVerts }
}

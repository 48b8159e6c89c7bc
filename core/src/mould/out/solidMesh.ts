import type { Manifold, ManifoldToplevel } from 'manifold-3d'
import { Problem } from '../../base/problem/index.ts'
import { axesFor, toAxes, type Mesh, type Vec3 } from '../../form/mesh/index.ts'
import type { Footprint } from '../box/footprint.ts'

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

/** The master along z, the middle of its bounds at the axis and its lowest point `under` above the floor, mm. */
export function standingMaster(
  kernel: ManifoldToplevel,
  { positions: p, triangles }: Mesh,
  up: Vec3,
  { centre, height }: Pick<Footprint, 'centre' | 'height'>,
  under: number,
): Manifold {
  const axes = axesFor(up)
  const placed = new Float32Array(p.length)
  for (let i = 0; i < p.length; i += 3) {
    const [x, y, z] = toAxes(axes, [p[i], p[i + 1], p[i + 2]])
    placed[i] = (x - centre[0]) * mm
    placed[i + 1] = (y - centre[1]) * mm
    placed[i + 2] = (z - centre[2] + height / 2 + under) * mm
  }
  const mesh = new kernel.Mesh({ numProp: 3, vertProperties: placed, triVerts: triangles })
  mesh.merge()
  try {
    return kernel.Manifold.ofMesh(mesh)
  } catch (error) {
    // A surface that is open or crosses itself.
    throw new Problem('solid-failed', { reason: String(error) })
  }
}

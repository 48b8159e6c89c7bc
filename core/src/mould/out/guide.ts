import type { Manifold, ManifoldToplevel } from 'manifold-3d'
import { Problem } from '../../base/problem/index.ts'
import type { Mesh } from '../../form/mesh/index.ts'
import { meshOf, mm } from './solidMesh.ts'

/** A fin that a printer lays and a blade meets: how far it stands off and how thick, m (common practice, no source). */
const flag = { stands: 0.003, thick: 0.0006 }
/** It is rooted so deep in the piece, m. */
const root = 0.0006
const roundness = 8

/**
 * A master that carries a flag along the cut of its block: a thin fin that stands off its skin, as a
 * strip of tape would. One cuts down to it; what it leaves on a cast lies on the seam and is trimmed with it.
 * `line` and `normals`: x, y, z of points on the skin and of the way out of it, in the piece's axes.
 *
 * Throws `Problem('solid-failed')`.
 */
export function flaggedMaster(
  kernel: ManifoldToplevel,
  { positions, triangles }: Mesh,
  line: readonly number[],
  normals: readonly number[],
): Mesh {
  const used: Manifold[] = []
  const keep = (solid: Manifold) => {
    used.push(solid)
    return solid
  }
  try {
    const surface = new kernel.Mesh({
      numProp: 3,
      vertProperties: Float32Array.from(positions, (x) => x * mm),
      triVerts: triangles,
    })
    surface.merge()
    const master = keep(kernel.Manifold.ofMesh(surface))
    const bead = keep(kernel.Manifold.sphere((flag.thick / 2) * mm, roundness))
    const at = (i: number, out: number) => {
      const place = [0, 1, 2].map((k) => (line[3 * i + k] + out * normals[3 * i + k]) * mm)
      return keep(bead.translate(place as [number, number, number]))
    }
    const posts = Array.from({ length: line.length / 3 }, (_, i) => [
      at(i, -root),
      at(i, flag.stands),
    ])
    const fins = posts.slice(1).map((post, i) => keep(kernel.Manifold.hull([...posts[i], ...post])))
    const made = keep(kernel.Manifold.union([master, ...fins]))
    if (made.status() !== 'NoError' || made.isEmpty()) {
      throw new Problem('solid-failed', { reason: String(made.status()) })
    }
    return meshOf(made)
  } catch (error) {
    if (error instanceof Problem) throw error
    throw new Problem('solid-failed', { reason: String(error) })
  } finally {
    for (const solid of used) solid.delete()
  }
}

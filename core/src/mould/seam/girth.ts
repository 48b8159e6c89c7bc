import { axesFor, distancesAlong, nextInFace, type Mesh, type Vec3 } from '../../form/mesh/index.ts'
import { perimeterOfLoop } from '../../form/shape/index.ts'
import { convexHull } from '../box/footprint.ts'

/** Sections that a piece is looked through in. */
const sections = 32

/**
 * The widest girth that a piece has while it is drawn out along a direction: the greatest perimeter of
 * the convex hulls of its sections square to it, m.
 *
 * @example widestGirth(unitCube, [0, 0, 1]) // 4
 */
export function widestGirth(mesh: Mesh, out: Vec3): number {
  const { triangles } = mesh
  const { right, away, up } = axesFor(out)
  const [x, y, z] = [right, away, up].map((d) => distancesAlong(mesh, d))
  const low = z.reduce((least, one) => Math.min(least, one), Infinity)
  const high = z.reduce((most, one) => Math.max(most, one), -Infinity)
  const step = (high - low) / sections
  const cuts: number[][] = Array.from({ length: sections }, () => [])
  for (let i = 0; i < triangles.length; i++) {
    const [a, b] = [triangles[i], triangles[nextInFace(i)]]
    // Its other half-edge runs downward: of a closed surface each edge is cut once.
    if (z[a] >= z[b]) continue
    const first = Math.max(0, Math.ceil((z[a] - low) / step - 0.5))
    for (let n = first; n < sections; n++) {
      const level = low + (n + 0.5) * step
      if (level >= z[b]) break
      const share = (level - z[a]) / (z[b] - z[a])
      cuts[n].push(x[a] + share * (x[b] - x[a]), y[a] + share * (y[b] - y[a]))
    }
  }
  return Math.max(
    0,
    ...cuts
      .filter((cut) => cut.length > 4)
      .map((cut) => perimeterOfLoop(convexHull(Float64Array.from(cut)))),
  )
}

import type { Mesh } from '../../mesh/mesh.ts'
import type { Vec3 } from '../../mesh/vector.ts'
import type { Grid } from '../voxel/grid.ts'
import { Faces, ownerOf, ownersOf } from './faces.ts'
import type { AirPocket } from './pocket.ts'

/**
 * The surface that each pocket of air lies under: the faces above its saddle, cut there. Corners
 * of triangles, nine numbers each, in the piece's own axes. `outside` is for air under a master
 * that silicone is poured over: then a face shuts in what lies before it, not behind it.
 */
export function pocketSurfaces(
  mesh: Mesh,
  grid: Grid,
  pockets: readonly AirPocket[],
  bottom: number,
  { outside = false } = {},
): Float32Array[] {
  const corners: number[][] = pockets.map(() => [])
  if (pockets.length === 0) return []
  const owner = ownersOf(grid, pockets)
  const faces = new Faces(mesh, grid, bottom)
  const lowest = Math.min(...pockets.map(({ saddle }) => saddle))
  for (let t = 0; t < faces.count; t += 3) {
    if (faces.top(t) <= lowest) continue
    const normal = faces.normal(t)
    const behind = outside ? (normal.map((x) => -x) as unknown as Vec3) : normal
    const pocket = ownerOf(faces.middle(t), behind, grid, owner)
    if (pocket < 0) continue
    const { saddle, neverFilled } = pockets[pocket]
    cutAbove(faces, t, neverFilled ? -Infinity : saddle, corners[pocket])
  }
  return corners.map((list) => Float32Array.from(list))
}

/** What of a face lies above a height, as triangles. */
function cutAbove(faces: Faces, t: number, height: number, into: number[]): void {
  const heights = faces.heights(t)
  const kept: Vec3[] = []
  for (let k = 0; k < 3; k++) {
    const next = (k + 1) % 3
    const [here, there] = [heights[k] - height, heights[next] - height]
    const from = faces.corner(t, k)
    if (here >= 0) kept.push(from)
    if (here >= 0 === there >= 0) continue
    const to = faces.corner(t, next)
    const share = here / (here - there)
    kept.push(from.map((x, i) => x + share * (to[i] - x)) as unknown as Vec3)
  }
  for (let i = 1; i + 1 < kept.length; i++) into.push(...kept[0], ...kept[i], ...kept[i + 1])
}

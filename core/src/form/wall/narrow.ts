import { thinWalls, type Thin } from '../cells/index.ts'
import { axesFor, boundsAlong, type Mesh, type Vec3 } from '../mesh/index.ts'

/** A place of a cavity that is narrow, without its cells. */
export type NarrowPlace = Pick<Thin, 'volume' | 'at'> & {
  /** It leads nowhere: air stays in it, so it comes first. */
  blind: boolean
}

/** Where a ball of this radius does not come, resin is worked in by a brush (common practice, no source), m. */
const brush = 0.004

/**
 * Where a wall of a hollow cast fills all there is, and where a brush goes before the first shot: what
 * a ball as wide as two walls, or as the brush, does not reach. Blind places come first.
 *
 * Throws `Problem` as `voxelise` does.
 *
 * @example narrowPlaces(blockMesh, [0, 0, 1], 0.003).solid.length // 0
 */
export function narrowPlaces(
  mesh: Mesh,
  up: Vec3,
  wall: number,
): { solid: NarrowPlace[]; brush: NarrowPlace[] } {
  const longest = Math.max(...boundsAlong(mesh, axesFor(up)).size)
  const narrower = (width: number) =>
    thinWalls(mesh, up, longest, width)
      .map(({ kind, volume, at }): NarrowPlace => ({ blind: kind === 'tongue', volume, at }))
      .toSorted((a, b) => Number(b.blind) - Number(a.blind) || b.volume - a.volume)
  return { solid: narrower(2 * wall), brush: narrower(2 * brush) }
}

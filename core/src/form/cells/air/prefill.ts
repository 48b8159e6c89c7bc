import type { Vec3 } from '../../mesh/vector.ts'
import { middleOf, type Grid } from '../voxel/grid.ts'
import type { AirPocket } from './pocket.ts'

/** A dab reaches the pocket it is put into from this near, m (common practice, no source). */
const dab = 0.004

/** Which prefill, by its number, fills each pocket beforehand; undefined for those left. */
export function prefilledBy(
  grid: Grid,
  pockets: readonly AirPocket[],
  prefills: readonly Vec3[],
): (number | undefined)[] {
  return pockets.map(({ cells, top }) => {
    const near = (place: Vec3) => {
      if (away(place, top) <= dab) return true
      return cells.some((cell) => away(place, middleOf(grid, cell)) <= dab / 2)
    }
    const found = prefills.findIndex(near)
    return found < 0 ? undefined : found
  })
}

const away = (a: Vec3, b: Vec3) => Math.hypot(a[0] - b[0], a[1] - b[1], a[2] - b[2])

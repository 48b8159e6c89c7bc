import type { Grid } from '../../form/cells/index.ts'
import type { Mesh } from '../../form/mesh/index.ts'
import { silhouetteHeights } from './silhouette.ts'

/** What a column of the floor plan holds. */
export const free = 0
export const outline = 1
export const covered = 2

/**
 * A piece seen from above, in columns of cells that reach beyond it on all sides: where it is, and
 * between which heights its side stands at its outline. Columns follow along right, row by row away.
 */
export interface PlanView {
  /** Columns along right and away, and how many of them lie before the first cell of the grid. */
  counts: readonly [number, number]
  before: number
  /** `free` of the piece, at its `outline`, or `covered` by it further in. */
  what: Uint8Array
  /** Between which heights the parting may meet it, in rows from its lowest point; −1 where it is free. */
  low: Float32Array
  high: Float32Array
}

/**
 * The outline of a piece seen along its up, with its range of heights, `around` free columns beyond
 * the grid on every side. Holes right through have an outline of their own. With its `mesh` the
 * range at the outline is where its side stands upright or turns from looking up to looking down;
 * by cells alone it is all of the column.
 *
 * @example planViewOf(gridOfStool, 4).low.filter((x) => x === 0).length > 0 // true (its feet)
 */
export function planViewOf(grid: Grid, around: number, mesh?: Mesh): PlanView {
  const { counts, inside } = grid
  const [nx, ny, nz] = counts
  const [width, depth] = [nx + 2 * around, ny + 2 * around]
  const what = new Uint8Array(width * depth)
  const low = new Float32Array(width * depth).fill(-1)
  const high = new Float32Array(width * depth).fill(-1)
  for (let y = 0; y < ny; y++) {
    for (let x = 0; x < nx; x++) {
      const column = (y * nx + x) * nz
      const at = (y + around) * width + x + around
      for (let z = 1; z < nz - 1; z++) {
        if (!inside[column + z]) continue
        if (low[at] < 0) low[at] = z - 1
        high[at] = z
      }
    }
  }
  for (let at = width + 1; at < what.length - width - 1; at++) {
    if (low[at] < 0) continue
    const beside = [at - 1, at + 1, at - width, at + width]
    what[at] = beside.some((next) => low[next] < 0) ? outline : covered
  }
  if (mesh) narrow({ counts: [width, depth], before: around, what, low, high }, mesh, grid)
  return { counts: [width, depth], before: around, what, low, high }
}

/** At the outline, to where the surface turns from looking up to looking down: in the column, or beside it. */
function narrow({ counts: [width], before, what, low, high }: PlanView, mesh: Mesh, grid: Grid) {
  const turns = silhouetteHeights(mesh, grid)
  const [nx] = grid.counts
  for (let at = 0; at < what.length; at++) {
    if (what[at] !== outline) continue
    const column = (Math.floor(at / width) - before) * nx + (at % width) - before
    const beside = [-1, 1, -nx, nx, -nx - 1, -nx + 1, nx - 1, nx + 1].map((step) => column + step)
    const from = Number.isNaN(turns.low[column]) ? beside : [column]
    const seen = from.filter((one) => !Number.isNaN(turns.low[one]))
    const least = Math.max(low[at], Math.min(...seen.map((one) => turns.low[one])))
    const most = Math.min(high[at], Math.max(...seen.map((one) => turns.high[one])))
    if (least <= most) [low[at], high[at]] = [least, most]
  }
}

import { inCells, numberOf, type Grid } from '../voxel/grid.ts'
import type { Vec3 } from '../../mesh/vector.ts'

/** Where liquid goes in or air goes out: a place on the surface, and how wide it is. */
export interface Opening {
  at: Vec3
  /** Diameter, m. */
  bore: number
}

/**
 * The cells of the piece that an opening reaches: those within half its bore of the place, and
 * at least the nearest. `miss` is how far away (m) that one lies beyond the bore; more than two
 * cells is a miss.
 */
export function openingCells(grid: Grid, { at, bore }: Opening): { cells: number[]; miss: number } {
  const [cx, cy, cz] = inCells(grid, at)
  const { cell, counts, inside } = grid
  const reach = bore / 2
  const look = reach + 3 * Math.max(...cell)
  const span = (c: number, i: number) => {
    const half = Math.ceil(look / cell[i])
    const middle = Math.round(c)
    return [Math.max(0, middle - half), Math.min(counts[i] - 1, middle + half)] as const
  }
  const [[x0, x1], [y0, y1], [z0, z1]] = [span(cx, 0), span(cy, 1), span(cz, 2)]
  const cells: number[] = []
  let nearest = -1
  let least = Infinity
  for (let y = y0; y <= y1; y++) {
    for (let x = x0; x <= x1; x++) {
      for (let z = z0; z <= z1; z++) {
        const number = numberOf(grid, x, y, z)
        if (!inside[number]) continue
        const far = Math.hypot((x - cx) * cell[0], (y - cy) * cell[1], (z - cz) * cell[2])
        if (far < least) {
          least = far
          nearest = number
        }
        if (far <= reach) cells.push(number)
      }
    }
  }
  if (nearest < 0) least = distanceToAny(grid, at)
  const miss = Math.max(0, least - reach)
  if (nearest < 0 || miss > 2 * Math.max(...cell)) return { cells: [], miss }
  return { cells: cells.length > 0 ? cells : [nearest], miss }
}

/** How far the nearest cell of the piece is, m; for saying how far an opening misses. */
function distanceToAny(grid: Grid, at: Vec3): number {
  const [cx, cy, cz] = inCells(grid, at)
  const { cell, counts, inside } = grid
  const [nx, , nz] = counts
  let least = Infinity
  for (let i = 0; i < inside.length; i++) {
    if (!inside[i]) continue
    const column = Math.floor(i / nz)
    const x = ((column % nx) - cx) * cell[0]
    const y = (Math.floor(column / nx) - cy) * cell[1]
    const z = ((i % nz) - cz) * cell[2]
    least = Math.min(least, x * x + y * y + z * z)
  }
  return Math.sqrt(least)
}

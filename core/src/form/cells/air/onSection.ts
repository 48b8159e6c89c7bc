import { fromSection, type Section } from '../../filling/section.ts'
import { inCells, type Grid } from '../voxel/grid.ts'
import type { AirPocket } from './pocket.ts'

/** A stretch of a pocket on the cut, m: across from x0 to x1, up from h0 to h1. */
export interface AirSlab {
  x0: number
  x1: number
  h0: number
  h1: number
}

/** Samples for each cell across the cut, which may run aslant through the grid. */
const fineness = 2

/** Where each pocket lies on a cut of the piece that stands as the grid does, row by row. */
export function pocketsOnSection(
  grid: Grid,
  pockets: readonly AirPocket[],
  section: Section,
): AirSlab[][] {
  const owner = new Int16Array(grid.inside.length).fill(-1)
  pockets.forEach(({ cells }, i) => cells.forEach((cell) => (owner[cell] = i)))
  const slabs: AirSlab[][] = pockets.map(() => [])
  const side = Math.min(grid.cell[0], grid.cell[1]) / fineness
  const rise = grid.cell[2]
  const [nx, ny, nz] = grid.counts
  const rows = Math.ceil(section.height / rise)
  for (let row = 0; row < rows; row++) {
    const h = (row + 0.5) * rise
    let open: { pocket: number; slab: AirSlab } | undefined
    for (let x = section.left + side / 2; x <= section.right; x += side) {
      const [cx, cy, cz] = inCells(grid, fromSection(section, x, h)).map(Math.round)
      const within = cx >= 0 && cx < nx && cy >= 0 && cy < ny && cz >= 0 && cz < nz
      const pocket = within ? owner[(cy * nx + cx) * nz + cz] : -1
      if (open && open.pocket === pocket) {
        open.slab.x1 = x + side / 2
        continue
      }
      open = undefined
      if (pocket < 0) continue
      const slab = {
        x0: x - side / 2,
        x1: x + side / 2,
        h0: Math.max(row * rise, pockets[pocket].saddle),
        h1: (row + 1) * rise,
      }
      open = { pocket, slab }
      slabs[pocket].push(slab)
    }
  }
  return slabs
}

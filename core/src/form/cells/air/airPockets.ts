import { Problem } from '../../../base/problem/index.ts'
import { toAxes } from '../../mesh/axes.ts'
import type { Mesh } from '../../mesh/mesh.ts'
import { cellVolume, middleOf, type Grid } from '../voxel/grid.ts'
import { basinsOf, type Basins } from './basins.ts'
import { exactPockets } from './exact.ts'
import { openingCells, type Opening } from './openingCells.ts'
import type { AirPocket } from './pocket.ts'

/** Less than this many cells from saddle to top is noise of the grid. */
const noiseCells = 1.5

/** Pockets smaller than this are not worth a vent, m³ (0.5 mm³; common practice, no source). */
const noiseVolume = 0.5e-9

export interface AirOptions {
  /** Least height from saddle to top that counts, m. */
  least?: number
  /** 26 for resin in a cavity, 6 for silicone over a master. */
  connectivity?: 6 | 26
}

/**
 * Where air stays when the piece is filled slowly from its openings, largest pocket first.
 * `grid` is the piece in cells, standing as it is poured; `mesh` gives the exact volumes.
 * Surface tension, viscosity and stuck films are not in it.
 *
 * Throws `Problem('opening-misses')` at `openings.<n>` for one that meets no part of the piece.
 *
 * @example airPockets(stool, voxelise(stool, legsUp), [gateOnOneLeg]).map((p) => p.volume) // [320e-9, 320e-9, 320e-9] (the other legs)
 */
export function airPockets(
  mesh: Mesh,
  grid: Grid,
  openings: readonly Opening[],
  { least = 0, connectivity = 26 }: AirOptions = {},
): AirPocket[] {
  const cells = openings.flatMap((opening, index) => {
    const found = openingCells(grid, opening)
    if (found.cells.length === 0) {
      throw new Problem('opening-misses', { miss: found.miss }, `openings.${index}`)
    }
    return found.cells
  })
  const found = basinsOf(grid, [0, 0, 1], cells, { connectivity })
  const kept = keptBasins(grid, found, least)
  const held = cellsOf(grid, found, kept)
  const bottom = grid.low[2]
  const pockets = kept.map((index): AirPocket => {
    const { top, topLevel, saddle, cells: count } = found.basins[index]
    const neverFilled = saddle < 0
    return {
      volume: count * cellVolume(grid),
      top: middleOf(grid, top),
      topHeight: (topLevel + 1) * grid.cell[2],
      // Cells whose middles lie above the saddle's row: the level runs between the two rows.
      saddle: neverFilled ? 0 : (saddle + 1) * grid.cell[2],
      neverFilled,
      cells: held[kept.indexOf(index)],
    }
  })
  const rim = rimOf(grid, mesh)
  return exactPockets(
    mesh,
    grid,
    pockets.map((pocket) => ({
      ...pocket,
      topHeight: pocket.topHeight - rim,
      saddle: pocket.neverFilled ? 0 : pocket.saddle - rim,
    })),
    bottom + rim,
  ).sort((a, b) => b.volume - a.volume)
}

/** Metres from the grid's lower edge to the piece's lowest point. */
function rimOf(grid: Grid, { positions: p }: Mesh): number {
  let low = Infinity
  for (let i = 0; i < p.length; i += 3) {
    low = Math.min(low, toAxes(grid.axes, [p[i], p[i + 1], p[i + 2]])[2])
  }
  return low - grid.low[2]
}

/** Basins high enough from saddle to top, and large enough, to be more than the grid's noise. */
export function keptBasins(grid: Grid, { basins, levels }: Basins, least: number): number[] {
  const high = Math.max(noiseCells * Math.max(...grid.cell), least)
  return basins.flatMap(({ cells, topLevel, saddle }, index) => {
    const rise = (topLevel - saddle) * levels.metres
    return rise >= high && cells * cellVolume(grid) >= noiseVolume ? [index] : []
  })
}

function cellsOf(grid: Grid, { basins, basinOf }: Basins, kept: readonly number[]): Uint32Array[] {
  const place = new Map(kept.map((index, i) => [index, i]))
  const lists = kept.map((index) => new Uint32Array(basins[index].cells))
  const ends = kept.map(() => 0)
  if (kept.length === 0) return lists
  for (let cell = 0; cell < grid.inside.length; cell++) {
    if (!grid.inside[cell]) continue
    const i = place.get(basinOf(cell))
    if (i !== undefined) lists[i][ends[i]++] = cell
  }
  return lists
}

import type { Cavity } from '../../mesh/cavity.ts'
import { section } from '../../filling/section.ts'
import type { Vec3 } from '../../mesh/vector.ts'
import { cellsInside, cellVolume, type Grid } from '../voxel/grid.ts'
import { voxelise } from '../voxel/voxelise.ts'
import { airPockets } from './airPockets.ts'
import { ceilings, type Ceilings } from './ceilings.ts'
import type { Opening } from './openingCells.ts'
import { highestPlace } from './bestTilt.ts'
import { pocketsOnSection, type AirSlab } from './onSection.ts'
import type { AirPocket } from './pocket.ts'
import { pocketSurfaces } from './pocketSurface.ts'
import { prefilledBy } from './prefill.ts'
import { siliconeAir } from './siliconeAir.ts'

/** How a piece is held, and where liquid and air pass. */
export interface AirQuestion {
  up: Vec3
  turn: number
  /** Resin poured into the mould, or silicone poured over the master. */
  of: 'resin' | 'silicone'
  openings: readonly Opening[]
  prefills: readonly Vec3[]
}

/** One pocket as a screen shows it. */
export interface ShownPocket extends Omit<AirPocket, 'cells'> {
  slabs: AirSlab[]
  /** The surface it lies under, for the 3D view: corners of triangles in the piece's axes. */
  surface: Float32Array
  /** It is filled beforehand by a dab. */
  prefilled: boolean
}

export interface AirAnswer {
  pockets: ShownPocket[]
  ceilings: Ceilings
  /** Where it is filled from when there is no gate yet. */
  highest: Vec3
  /** Cells against the surface's own volume: far from 1 when parts are thinner than a cell. */
  seen: number
  cell: number
}

/** The piece in cells, as the search for air takes it: worth keeping while only openings move. */
export function airCells({ mesh, closure }: Cavity, up: Vec3): Grid {
  return voxelise(mesh, up, { rule: closure.flippedEdges > 0 ? 'parity' : 'winding' })
}

/**
 * Where air stays in a mould that is filled with resin, or under silicone that is poured over the
 * master. Without a gate it is filled from its highest place. `cells` as `airCells` makes them.
 *
 * Throws `Problem` as `airPockets` does, and mesh-too-open.
 */
export function findAir(
  cavity: Cavity,
  question: AirQuestion,
  cells = airCells(cavity, question.up),
): AirAnswer {
  const { up, turn, of, openings, prefills } = question
  const { mesh, measures } = cavity
  const filling = openings.length > 0 ? openings : [{ at: highestPlace(cells), bore: 0.002 }]
  const { grid, pockets } =
    of === 'silicone'
      ? siliconeAir(mesh, up)
      : { grid: cells, pockets: airPockets(mesh, cells, filling) }
  const slabs = pocketsOnSection(grid, pockets, section(mesh, up, turn))
  const bottom = lowestAlong(mesh, grid)
  const surfaces = pocketSurfaces(mesh, grid, pockets, bottom, { outside: of === 'silicone' })
  const dabs = prefilledBy(grid, pockets, of === 'resin' ? prefills : [])
  return {
    pockets: pockets.map(({ cells: _, ...pocket }, i) => ({
      ...pocket,
      slabs: slabs[i],
      surface: surfaces[i],
      prefilled: dabs[i] !== undefined,
    })),
    ceilings: ceilings(mesh, up),
    highest: highestPlace(cells),
    seen: (cellsInside(cells) * cellVolume(cells)) / measures.volume,
    cell: Math.max(...cells.cell),
  }
}

/** The piece's lowest point along the way up of the grid, that heights are counted from. */
function lowestAlong({ positions: p }: Cavity['mesh'], { axes: { up } }: Grid): number {
  let lowest = Infinity
  for (let i = 0; i < p.length; i += 3) {
    lowest = Math.min(lowest, p[i] * up[0] + p[i + 1] * up[1] + p[i + 2] * up[2])
  }
  return lowest
}

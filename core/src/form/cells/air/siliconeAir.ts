import { fromAxes } from '../../mesh/axes.ts'
import type { Mesh } from '../../mesh/mesh.ts'
import type { Vec3 } from '../../mesh/vector.ts'
import { cellVolume, middleOf, placeOf, type Grid } from '../voxel/grid.ts'
import { voxelise } from '../voxel/voxelise.ts'
import { keptBasins } from './airPockets.ts'
import type { AirPocket } from './pocket.ts'
import { basinsOf } from './basins.ts'

/** Cells of silicone around and over the master: enough for air to find its way around. */
const rim = 4

/**
 * Air that stays under a master when silicone is poured over it in its box and rises: what is
 * around the master is filled, its top open to the air. Six neighbours: thick silicone does not
 * creep through corners. Standing on the floor of the box, the master has nothing under it.
 */
export function siliconeAir(
  mesh: Mesh,
  up: Vec3,
  { longest = 96, least = 0 }: { longest?: number; least?: number } = {},
): { grid: Grid; pockets: AirPocket[] } {
  const master = voxelise(mesh, up, { longest, rim })
  const [nx, ny, nz] = master.counts
  const inside = new Uint8Array(master.inside.length)
  const open: number[] = []
  for (let y = 1; y < ny - 1; y++) {
    for (let x = 1; x < nx - 1; x++) {
      for (let z = rim; z < nz - 1; z++) {
        const cell = (y * nx + x) * nz + z
        inside[cell] = 1 - master.inside[cell]
        if (z === nz - 2) open.push(cell)
      }
    }
  }
  const grid: Grid = { ...master, inside }
  const found = basinsOf(grid, [0, 0, 1], open, { connectivity: 6 })
  const kept = keptBasins(grid, found, least)
  const place = new Map(kept.map((index, i) => [index, i]))
  const cells: number[][] = kept.map(() => [])
  for (let cell = 0; cell < inside.length; cell++) {
    const i = inside[cell] ? place.get(found.basinOf(cell)) : undefined
    if (i !== undefined) cells[i].push(cell)
  }
  const bottom = rim * grid.cell[2]
  const pockets = kept.map((index, i): AirPocket => {
    const { top, topLevel, saddle, cells: count } = found.basins[index]
    const [x, y, z] = placeOf(grid, top)
    const ceiling = fromAxes(grid.axes, [
      grid.low[0] + (x + 0.5) * grid.cell[0],
      grid.low[1] + (y + 0.5) * grid.cell[1],
      grid.low[2] + (z + 1) * grid.cell[2],
    ])
    return {
      volume: count * cellVolume(grid),
      top: saddle < 0 ? middleOf(grid, top) : ceiling,
      topHeight: (topLevel + 1) * grid.cell[2] - bottom,
      saddle: Math.max(0, (saddle + 1) * grid.cell[2] - bottom),
      neverFilled: saddle < 0,
      cells: Uint32Array.from(cells[i]),
    }
  })
  return { grid, pockets: pockets.sort((a, b) => b.volume - a.volume) }
}

import type { Mesh } from '../mesh/mesh.ts'
import type { Vec3 } from '../mesh/vector.ts'
import { nearDistance } from './demoulding/distance.ts'
import { voxelise } from './voxel/voxelise.ts'

/** How stout a piece is at each height, as it stands. Plain data. */
export interface ThicknessProfile {
  /** m */
  height: number
  /** From the lowest row up: twice the greatest distance from inside to the surface, m. */
  widths: Float64Array
}

/** Cells along the longest side: a thickness is known to a few percent of that side. */
const cells = 64

/**
 * How stout a piece is at each height: what keeps heat in is not how tall it stands, but how far
 * its inside lies from a wall. Throws `Problem` as `voxelise` does.
 *
 * @example thicknessProfile(rod, [0, 0, 1]).widths[30] // 0.02 (20 x 20 x 95 mm)
 */
export function thicknessProfile(mesh: Mesh, up: Vec3): ThicknessProfile {
  const grid = voxelise(mesh, up, { longest: cells })
  const [nx, ny, nz] = grid.counts
  const rows = nz - 2
  const outside = grid.inside.map((inside) => 1 - inside)
  const longest = Math.max(nx * grid.cell[0], ny * grid.cell[1], nz * grid.cell[2])
  const away = nearDistance(grid, outside, longest / 2)
  // A cell's middle lies half a cell within the surface, the nearest middle outside half beyond.
  const half = Math.min(...grid.cell) / 2
  const widths = new Float64Array(rows)
  for (let column = 0; column < nx * ny; column++) {
    for (let row = 0; row < rows; row++) {
      const i = column * nz + row + 1
      if (!grid.inside[i]) continue
      widths[row] = Math.max(widths[row], 2 * (Math.sqrt(away[i]) - half))
    }
  }
  return { height: rows * grid.cell[2], widths }
}

/**
 * Twice the greatest distance from inside a layer to the piece's surface or to the layer's own
 * faces, m: its depth where it lies flat, the piece's thickness where it stands tall.
 *
 * @example thicknessOf(girthOfRod, 0, 0.095) // 0.02
 */
export function thicknessOf(
  { height, widths }: ThicknessProfile,
  bottom: number,
  top: number,
): number {
  const row = height / widths.length
  let most = 0
  const from = Math.max(0, Math.floor(bottom / row))
  const until = Math.min(widths.length, Math.ceil(top / row))
  for (let i = from; i < until; i++) {
    const low = Math.max(bottom, i * row)
    const high = Math.min(top, (i + 1) * row)
    // The place in this row that lies farthest from both faces of the layer.
    const middle = Math.min(high, Math.max(low, (bottom + top) / 2))
    const faces = 2 * Math.min(middle - bottom, top - middle)
    most = Math.max(most, Math.min(widths[i], faces))
  }
  return Math.min(most, top - bottom)
}

import { fromAxes } from '../../mesh/axes.ts'
import type { Mesh } from '../../mesh/mesh.ts'
import { placeOf, type Grid } from '../../cells/voxel/grid.ts'

/** The four corners of each of a cell's six sides, counter-clockwise seen from outside. */
const sides: { toward: readonly [number, number, number]; corners: readonly number[][] }[] = [
  {
    toward: [1, 0, 0],
    corners: [
      [1, 0, 0],
      [1, 1, 0],
      [1, 1, 1],
      [1, 0, 1],
    ],
  },
  {
    toward: [-1, 0, 0],
    corners: [
      [0, 1, 0],
      [0, 0, 0],
      [0, 0, 1],
      [0, 1, 1],
    ],
  },
  {
    toward: [0, 1, 0],
    corners: [
      [1, 1, 0],
      [0, 1, 0],
      [0, 1, 1],
      [1, 1, 1],
    ],
  },
  {
    toward: [0, -1, 0],
    corners: [
      [0, 0, 0],
      [1, 0, 0],
      [1, 0, 1],
      [0, 0, 1],
    ],
  },
  {
    toward: [0, 0, 1],
    corners: [
      [0, 0, 1],
      [1, 0, 1],
      [1, 1, 1],
      [0, 1, 1],
    ],
  },
  {
    toward: [0, 0, -1],
    corners: [
      [0, 1, 0],
      [1, 1, 0],
      [1, 0, 0],
      [0, 0, 0],
    ],
  },
]

/**
 * The closed surface of the cells that lie inside, in the piece's own axes: where no surface can
 * be made of the parts themselves, it holds what the cells hold.
 *
 * @example measure(skinOfCells(gridOfStool)).volume // 5.376e-6 (its cells)
 */
export function skinOfCells(grid: Grid): Mesh {
  const { counts, cell, low, axes, inside } = grid
  const [nx, ny, nz] = counts
  const vertexOf = new Map<number, number>()
  const positions: number[] = []
  const triangles: number[] = []
  const vertex = (x: number, y: number, z: number): number => {
    const key = (y * (nx + 1) + x) * (nz + 1) + z
    const known = vertexOf.get(key)
    if (known !== undefined) return known
    const made = positions.length / 3
    const at = fromAxes(axes, [low[0] + x * cell[0], low[1] + y * cell[1], low[2] + z * cell[2]])
    positions.push(at[0], at[1], at[2])
    vertexOf.set(key, made)
    return made
  }
  for (let number = 0; number < inside.length; number++) {
    if (!inside[number]) continue
    const [x, y, z] = placeOf(grid, number)
    for (const { toward, corners } of sides) {
      const [tx, ty, tz] = [x + toward[0], y + toward[1], z + toward[2]]
      const beyond = tx < 0 || tx >= nx || ty < 0 || ty >= ny || tz < 0 || tz >= nz
      if (!beyond && inside[(ty * nx + tx) * nz + tz]) continue
      const [a, b, c, d] = corners.map((k) => vertex(x + k[0], y + k[1], z + k[2]))
      triangles.push(a, b, c, a, c, d)
    }
  }
  return { positions: Float64Array.from(positions), triangles: Uint32Array.from(triangles) }
}

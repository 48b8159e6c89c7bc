import { fromAxes, toAxes, type Axes } from '../../mesh/axes.ts'
import type { Vec3 } from '../../mesh/vector.ts'

/**
 * Cells in a frame that stands as the piece is poured. A rim of one empty cell runs all round,
 * so that every cell of the piece has 26 neighbours. Cells of one column follow one another:
 * number = (away · nx + right) · nz + up.
 */
export interface Grid {
  axes: Axes
  /** Cells along right, away and up, the rim included. */
  counts: Vec3
  /** Sides of a cell, m. */
  cell: Vec3
  /** The grid's lower corner along its axes, m. */
  low: Vec3
  /** 1 where the cell's middle lies inside the piece. */
  inside: Uint8Array
}

export const cellVolume = ({ cell }: Grid): number => cell[0] * cell[1] * cell[2]

export function cellsInside({ inside }: Grid): number {
  let count = 0
  for (let i = 0; i < inside.length; i++) count += inside[i]
  return count
}

export const numberOf = ({ counts: [nx, , nz] }: Grid, x: number, y: number, z: number): number =>
  (y * nx + x) * nz + z

export const placeOf = ({ counts: [nx, , nz] }: Grid, number: number): [number, number, number] => {
  const column = Math.floor(number / nz)
  return [column % nx, Math.floor(column / nx), number % nz]
}

/** The middle of a cell, in the piece's own axes. */
export function middleOf(grid: Grid, number: number): Vec3 {
  const [x, y, z] = placeOf(grid, number)
  const { low, cell, axes } = grid
  return fromAxes(axes, [
    low[0] + (x + 0.5) * cell[0],
    low[1] + (y + 0.5) * cell[1],
    low[2] + (z + 0.5) * cell[2],
  ])
}

/** Where a point of the piece lies in cells; the middle of cell 3 is at 3. */
export function inCells({ axes, low, cell }: Grid, point: Vec3): Vec3 {
  const along = toAxes(axes, point)
  return [
    (along[0] - low[0]) / cell[0] - 0.5,
    (along[1] - low[1]) / cell[1] - 0.5,
    (along[2] - low[2]) / cell[2] - 0.5,
  ]
}

/** Steps in cell numbers to the 26 (or 6) neighbours, with the places they lead to. */
export function neighbourSteps(
  { counts: [nx, , nz] }: Grid,
  connectivity: 6 | 26,
): { step: number; x: number; y: number; z: number }[] {
  const found: { step: number; x: number; y: number; z: number }[] = []
  for (let y = -1; y <= 1; y++) {
    for (let x = -1; x <= 1; x++) {
      for (let z = -1; z <= 1; z++) {
        const far = Math.abs(x) + Math.abs(y) + Math.abs(z)
        if (far === 0 || (connectivity === 6 && far > 1)) continue
        found.push({ step: (y * nx + x) * nz + z, x, y, z })
      }
    }
  }
  return found
}

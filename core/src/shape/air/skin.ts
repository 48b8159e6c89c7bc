import type { Grid } from '../voxel/grid.ts'

/** 1 for cells that lie inside with all 26 neighbours, by three passes of a minimum. */
export function deepCells({ counts: [nx, , nz], inside }: Grid): Uint8Array {
  const row = nz
  const slice = nx * nz
  const one = new Uint8Array(inside.length)
  const two = new Uint8Array(inside.length)
  for (let i = 1; i < inside.length - 1; i++) one[i] = inside[i - 1] & inside[i] & inside[i + 1]
  for (let i = row; i < inside.length - row; i++) two[i] = one[i - row] & one[i] & one[i + row]
  one.fill(0)
  for (let i = slice; i < inside.length - slice; i++) {
    one[i] = two[i - slice] & two[i] & two[i + slice]
  }
  return one
}

import type { Grid } from '../voxel/grid.ts'

/**
 * 1 for cells that lie inside with all 26 neighbours: a minimum along each axis in turn. Columns
 * are padded to whole words, so that the two axes across them take four cells at a time.
 */
export function deepCells({ counts: [nx, ny, nz], inside }: Grid): Uint8Array {
  const words = Math.ceil(nz / 4)
  const bytes = new Uint8Array(nx * ny * words * 4)
  for (let column = 0; column < nx * ny; column++) {
    const from = column * nz
    const to = column * words * 4
    for (let z = 1; z < nz - 1; z++) {
      bytes[to + z] = inside[from + z - 1] & inside[from + z] & inside[from + z + 1]
    }
  }
  const one = new Uint32Array(bytes.buffer)
  const two = new Uint32Array(one.length)
  least(one, two, words)
  one.fill(0)
  least(two, one, nx * words)
  const deep = new Uint8Array(inside.length)
  for (let column = 0; column < nx * ny; column++) {
    const from = column * words * 4
    deep.set(bytes.subarray(from, from + nz), column * nz)
  }
  return deep
}

function least(from: Uint32Array, to: Uint32Array, step: number): void {
  const end = from.length - step
  for (let i = step; i < end; i++) to[i] = from[i - step] & from[i] & from[i + step]
}

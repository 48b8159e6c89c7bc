import { axesFor } from '../../mesh/axes.ts'
import type { Mesh } from '../../mesh/mesh.ts'
import { unit, type Vec3 } from '../../mesh/vector.ts'
import { cellVolume, type Grid } from '../voxel/grid.ts'
import { voxelise } from '../voxel/voxelise.ts'
import { principalDirections } from './principal.ts'

/** Silicone that a straight pull along ±up has to be torn over, by where the mould parts. */
export interface Undercuts {
  /** m³ between parts of one column: no level parting frees it; it needs a core or a stepped one. */
  inner: number
  /** Blocked silicone, m³, for a level parting at each row from the lowest point. */
  blocked: Float64Array
  /** Rows at which least is blocked: the parting may lie anywhere between, m. */
  best: { from: number; to: number; blocked: number }
  /** Height of one row, m. */
  row: number
}

/**
 * Undercuts of a piece in cells, pulled along its up, for every level parting: the inner gaps of
 * each column, what lies under its first cell above the parting and over its last below it.
 * Convex in the height. Source: definition; checked on boxes.
 *
 * @example undercuts(gridOfStool).best // { from: 0.02, to: 0.024, blocked: 0 }
 */
export function undercuts(grid: Grid): Undercuts {
  const [nx, ny, nz] = grid.counts
  const rows = nz - 2
  const begins = new Float64Array(rows + 2)
  const ends = new Float64Array(rows + 2)
  let inner = 0
  for (let column = 0; column < nx * ny; column++) {
    let first = -1
    let last = -1
    let cells = 0
    for (let z = 1; z <= rows; z++) {
      if (!grid.inside[column * nz + z]) continue
      if (first < 0) first = z - 1
      last = z
      cells++
    }
    if (first < 0) continue
    inner += last - first - cells
    begins[first]++
    ends[last]++
  }
  const blocked = new Float64Array(rows + 1)
  // Under: Σ(first − h) for first > h, from the top down. Over: Σ(h − last) for last < h.
  for (let h = rows - 1, above = 0, sum = 0; h >= 0; h--) {
    above += begins[h + 1]
    sum += above
    blocked[h] += sum
  }
  for (let h = 1, below = 0, sum = 0; h <= rows; h++) {
    below += ends[h - 1]
    sum += below
    blocked[h] += sum
  }
  const volume = cellVolume(grid)
  for (let h = 0; h <= rows; h++) blocked[h] = (blocked[h] + inner) * volume
  const least = Math.min(...blocked)
  const near = (value: number) => value <= least + volume / 2
  const row = grid.cell[2]
  return {
    inner: inner * volume,
    blocked,
    best: {
      from: blocked.findIndex(near) * row,
      to: blocked.findLastIndex(near) * row,
      blocked: least,
    },
    row,
  }
}

export interface Pull {
  direction: Vec3
  /** m³ at its best parting. */
  blocked: number
  inner: number
  parting: { from: number; to: number }
}

/** Cells along the longest side: enough to rank directions. */
const coarse = 72

/**
 * Directions to pull a two-part mould apart, least blocked first: the present one, the axes
 * about it and the principal directions of the surface.
 */
export function bestPulls(mesh: Mesh, up: Vec3): Pull[] {
  const { right, away } = axesFor(up)
  const candidates = [unit(up), right, away, ...principalDirections(mesh)]
  const fresh = candidates.filter(
    (one, i) => !candidates.slice(0, i).some((other) => Math.abs(dot3(one, other)) > 0.995),
  )
  return fresh
    .map((direction): Pull => {
      const { best, inner } = undercuts(voxelise(mesh, direction, { longest: coarse }))
      return { direction, blocked: best.blocked, inner, parting: best }
    })
    .sort((a, b) => a.blocked - b.blocked)
}

const dot3 = (a: Vec3, b: Vec3) => a[0] * b[0] + a[1] * b[1] + a[2] * b[2]

import { Problem } from '../../../base/problem/index.ts'
import { axesFor, type Axes } from '../../mesh/axes.ts'
import type { Mesh } from '../../mesh/mesh.ts'
import type { Vec3 } from '../../mesh/vector.ts'
import type { Grid } from './grid.ts'
import { scanColumns, type CellCorners } from './scan.ts'

export interface VoxelOptions {
  /** Cells along the longest side. */
  longest?: number
  /** Cells along right, away and up, instead of `longest`. */
  cells?: Vec3
  /** What counts as inside: winding above 0 joins shells that overlap, parity bears flips. */
  rule?: 'winding' | 'parity'
  /** Empty cells around, at least 1: room for what surrounds the piece. */
  rim?: number
}

/** Of the columns, this share may leak before the surface is refused. */
const mostLeaking = 0.05

/**
 * The piece in cells, standing with `up` against gravity. Cells tile the bounding box on each
 * axis. Where the surface has holes, columns along all three axes vote and leaking ones abstain.
 *
 * Throws `Problem`: not-a-direction, mesh-too-open when more than 5 % of the columns leak.
 *
 * @example cellsInside(voxelise(unitCube, [0, 0, 1], { longest: 10 })) // 1000
 */
export function voxelise(
  mesh: Mesh,
  up: Vec3,
  { longest = 128, cells, rule = 'winding', rim = 1 }: VoxelOptions = {},
): Grid {
  const axes = axesFor(up)
  const { corners, grid } = intoCells(mesh, axes, cells ?? longest, rim)
  const [nx, ny, nz] = grid.counts
  const { u, v, w } = corners
  const crossings = scanColumns(corners, mesh.triangles, [nx, ny, nz])
  const leaks = fillColumns(crossings, nz, rule, grid.inside)
  if (leaks > 0) {
    const share = leaks / ((nx - 2 * rim) * (ny - 2 * rim))
    if (share > mostLeaking) throw new Problem('mesh-too-open', { share })
    vote(grid, rule, { u: v, v: w, w: u }, { u: w, v: u, w: v }, mesh.triangles)
  }
  return grid
}

/** The corners in cells, and the empty grid that they lie in. */
function intoCells(
  { positions: p }: Mesh,
  { right, away, up }: Axes,
  wanted: number | Vec3,
  rim: number,
): { corners: CellCorners; grid: Grid } {
  const count = p.length / 3
  const along = (axis: Vec3) => {
    const values = new Float64Array(count)
    let low = Infinity
    let high = -Infinity
    for (let i = 0, j = 0; i < count; i++, j += 3) {
      const value = p[j] * axis[0] + p[j + 1] * axis[1] + p[j + 2] * axis[2]
      values[i] = value
      if (value < low) low = value
      if (value > high) high = value
    }
    return { values, low, high }
  }
  const sides = [along(right), along(away), along(up)]
  const lengths = sides.map(({ low, high }) => high - low)
  const inner =
    typeof wanted === 'number'
      ? lengths.map((length) => Math.max(1, Math.round((length / Math.max(...lengths)) * wanted)))
      : wanted
  const cell = lengths.map((length, i) => length / inner[i] || Math.max(...lengths))
  sides.forEach(({ values, low }, i) => {
    for (let k = 0; k < count; k++) values[k] = (values[k] - low) / cell[i] + rim - 0.5
  })
  const counts = inner.map((n) => n + 2 * rim) as unknown as Vec3
  const grid: Grid = {
    axes: { right, away, up },
    counts,
    cell: cell as unknown as Vec3,
    low: sides.map(({ low }, i) => low - rim * cell[i]) as unknown as Vec3,
    inside: new Uint8Array(counts[0] * counts[1] * counts[2]),
  }
  return { corners: { u: sides[0].values, v: sides[1].values, w: sides[2].values }, grid }
}

/** Sums each column upward; says how many did not come back to nothing. */
function fillColumns(
  crossings: Int8Array,
  length: number,
  rule: 'winding' | 'parity',
  inside: Uint8Array,
): number {
  let leaks = 0
  const odd = rule === 'parity'
  for (let start = 0; start < crossings.length; start += length) {
    let depth = 0
    for (let i = start; i < start + length; i++) {
      depth += crossings[i]
      if (odd ? depth & 1 : depth > 0) inside[i] = 1
    }
    if (odd ? depth & 1 : depth !== 0) leaks++
  }
  return leaks
}

/** Columns along each axis say inside or not; those that leak say nothing. */
function vote(
  grid: Grid,
  rule: 'winding' | 'parity',
  alongRight: CellCorners,
  alongAway: CellCorners,
  triangles: Uint32Array,
): void {
  const [nx, ny, nz] = grid.counts
  const votes = new Int8Array(grid.inside.length)
  const count = (
    inside: Uint8Array,
    leaking: Uint8Array,
    length: number,
    at: (column: number, i: number) => number,
  ) => {
    for (let column = 0; column < leaking.length; column++) {
      if (leaking[column]) continue
      for (let i = 0; i < length; i++) {
        votes[at(column, i)] += inside[column * length + i] ? 1 : -1
      }
    }
  }
  const pass = (corners: CellCorners, size: Vec3, at: (column: number, i: number) => number) => {
    const crossings = scanColumns(corners, triangles, size as [number, number, number])
    const inside = new Uint8Array(crossings.length)
    const leaking = leaksOf(crossings, size[2], rule)
    fillColumns(crossings, size[2], rule, inside)
    count(inside, leaking, size[2], at)
  }
  const upward: CellCorners = { u: alongAway.v, v: alongAway.w, w: alongAway.u }
  pass(upward, [nx, ny, nz], (column, i) => column * nz + i)
  // Columns along right stand on (away, up): column = up · ny + away.
  pass(
    alongRight,
    [ny, nz, nx],
    (column, i) => ((column % ny) * nx + i) * nz + Math.floor(column / ny),
  )
  // Columns along away stand on (up, right): column = right · nz + up.
  pass(
    alongAway,
    [nz, nx, ny],
    (column, i) => (i * nx + Math.floor(column / nz)) * nz + (column % nz),
  )
  for (let i = 0; i < votes.length; i++) grid.inside[i] = votes[i] > 0 ? 1 : 0
}

function leaksOf(crossings: Int8Array, length: number, rule: 'winding' | 'parity'): Uint8Array {
  const leaking = new Uint8Array(crossings.length / length)
  for (let column = 0; column < leaking.length; column++) {
    let depth = 0
    for (let i = column * length; i < (column + 1) * length; i++) depth += crossings[i]
    leaking[column] = rule === 'parity' ? Math.abs(depth % 2) : depth === 0 ? 0 : 1
  }
  return leaking
}

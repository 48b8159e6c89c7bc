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
  /**
   * Hollows that open only upward, only downward, m³: what they hold hangs together with no
   * outside silicone below the top, or above the bottom.
   */
  hollow: { up: number; down: number }
  /** Rows at which least is blocked: the parting may lie anywhere between, m. */
  best: { from: number; to: number; blocked: number }
  /** Height of one row, m. */
  row: number
  /** Silicone within the piece's bounding box, m³: what shares are taken of. */
  around: number
}

/**
 * Undercuts of a piece in cells, pulled along its up, for every level parting.
 *
 * Silicone below the parting that hangs together with the outside below it is of the lower half
 * and leaves downward; what would hold water up to the parting is a plug of the upper half and
 * leaves upward; above the parting the same the other way up. Blocked is what has piece between
 * itself and its half's way out. A gap with piece above and below it is blocked whichever half it
 * belongs to. Source: the definition; the pools are those of a flood by levels (Barnes, Lehman and
 * Mulla, Computers & Geosciences 62, 2014).
 *
 * @example undercuts(gridOfStool).best // { from: 0.02, to: 0.024, blocked: 0 }
 */
export function undercuts(grid: Grid): Undercuts {
  const [nx, ny, nz] = grid.counts
  const rows = nz - 2
  const over = new Float64Array(rows + 2)
  const under = new Float64Array(rows + 2)
  const runsOut = spillLevels(grid, 'up')
  const risesOut = spillLevels(grid, 'down')
  let inner = 0
  let cells = 0
  for (let y = 1; y < ny - 1; y++) {
    for (let x = 1; x < nx - 1; x++) {
      const column = (y * nx + x) * nz
      let first = -1
      let last = -1
      for (let z = 1; z <= rows; z++) {
        if (!grid.inside[column + z]) continue
        if (first < 0) first = z
        last = z
        cells++
      }
      if (first < 0) continue
      for (let z = first + 1; z < last; z++) inner += 1 - grid.inside[column + z]
      // Over the piece: blocked once the parting lies above the level where it runs out.
      for (let z = last + 1; z <= rows; z++) over[runsOut[column + z]]++
      for (let z = 1; z < first; z++) under[risesOut[column + z]]++
    }
  }
  const blocked = new Float64Array(rows + 1)
  for (let h = 1, sum = 0; h <= rows; h++) blocked[h] += sum += over[h]
  for (let h = rows - 1, sum = 0; h >= 0; h--) blocked[h] += sum += under[h + 1]
  const volume = cellVolume(grid)
  for (let h = 0; h <= rows; h++) blocked[h] = (blocked[h] + inner) * volume
  const least = Math.min(...blocked)
  const near = (value: number) => value <= least + volume / 2
  const row = grid.cell[2]
  return {
    inner: inner * volume,
    blocked,
    hollow: { up: over[rows + 1] * volume, down: under[0] * volume },
    best: { ...widest(blocked, near, row), blocked: least },
    row,
    around: ((nx - 2) * (ny - 2) * rows - cells) * volume,
  }
}

/** The tallest run of rows that are near the least, m. */
function widest(
  blocked: Float64Array,
  near: (value: number) => boolean,
  row: number,
): { from: number; to: number } {
  let [from, to] = [0, -1]
  for (let h = 0; h < blocked.length; h++) {
    if (!near(blocked[h])) continue
    const start = h
    while (h + 1 < blocked.length && near(blocked[h + 1])) h++
    if (to < from || h - start > to - from) [from, to] = [start, h]
  }
  return { from: from * row, to: to * row }
}

/**
 * For every cell outside the piece the lowest level over which it is let out to the rim of the
 * grid, through neighbours by faces: its own row where nothing is in the way. 'down' counts rows
 * from the top down and answers the highest level instead.
 */
function spillLevels({ counts: [nx, ny, nz], inside }: Grid, way: 'up' | 'down'): Int32Array {
  const level = new Int32Array(inside.length).fill(-1)
  const rowOf = way === 'up' ? (cell: number) => cell % nz : (cell: number) => nz - 1 - (cell % nz)
  const waiting: number[][] = Array.from({ length: nz }, () => [])
  const reach = (cell: number, at: number) => {
    if (inside[cell] || level[cell] >= 0) return
    level[cell] = Math.max(at, rowOf(cell))
    waiting[level[cell]].push(cell)
  }
  for (let y = 0; y < ny; y++) {
    for (let x = 0; x < nx; x++) {
      const rim = x === 0 || y === 0 || x === nx - 1 || y === ny - 1
      const column = (y * nx + x) * nz
      for (let z = 0; z < nz; z++) {
        if (rim || z === 0 || z === nz - 1) reach(column + z, 0)
      }
    }
  }
  const [away, right] = [nx * nz, nz]
  for (let now = 0; now < nz; now++) {
    const stack = waiting[now]
    for (let cell = stack.pop(); cell !== undefined; cell = stack.pop()) {
      const column = Math.floor(cell / nz)
      const [x, y, z] = [column % nx, Math.floor(column / nx), cell % nz]
      if (z > 0) reach(cell - 1, now)
      if (z < nz - 1) reach(cell + 1, now)
      if (x > 0) reach(cell - right, now)
      if (x < nx - 1) reach(cell + right, now)
      if (y > 0) reach(cell - away, now)
      if (y < ny - 1) reach(cell + away, now)
    }
  }
  if (way === 'down') for (let i = 0; i < level.length; i++) level[i] = nz - 1 - level[i]
  return level
}

export interface Pull {
  direction: Vec3
  /** m³ at its best parting. */
  blocked: number
  inner: number
  /** Silicone within the piece's bounding box as it is pulled, m³. */
  around: number
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
      const { best, inner, around } = undercuts(voxelise(mesh, direction, { longest: coarse }))
      return { direction, blocked: best.blocked, inner, around, parting: best }
    })
    .sort((a, b) => a.blocked - b.blocked)
}

const dot3 = (a: Vec3, b: Vec3) => a[0] * b[0] + a[1] * b[1] + a[2] * b[2]

import { middleOf, undercuts, voxelise, type Grid } from '../../form/cells/index.ts'
import type { Cavity, Mesh, Vec3 } from '../../form/mesh/index.ts'
import { halvesOf } from './halves.ts'
import { membraneOver } from './membrane.ts'
import { covered, planViewOf, type PlanView } from './outline.ts'

/** It is led on so far beyond the piece, as a share of the longest side of its plan; further out it is level. */
const ledOn = 0.25

/** A parting that climbs and falls with the outline of the piece: its heights over a floor plan. */
export interface ClimbingParting {
  /** Columns along right and away; their widths, m; the plan's lower corner from the middle of the piece's bounds, m. */
  counts: readonly [number, number]
  cell: readonly [number, number]
  low: readonly [number, number]
  /** At the middle of each column, above the lowest point of the master, m; row by row along right. */
  heights: Float32Array
  /** 1 where the piece is seen from above. */
  piece: Uint8Array
  /** Blocked silicone, m³, and the middles of its cells, in the piece's axes. */
  blocked: number
  locked: Float32Array
  /** The same for the level parting beside it. */
  level: { at: number; blocked: number; locked: Float32Array }
  /** Sides of such a cell along right, away and up, m. */
  lockedCell: Vec3
  /** Volume under it that is no silicone of the lower half, m³: the piece, and what belongs to the upper one. */
  below: number
  /** Lowest and highest of it, m. */
  from: number
  to: number
  /** Rise by run at its steepest, beside the piece. */
  steepest: number
}

/** Cells along the longest side of the piece, as its undercuts are looked for in. */
const usualCells = 96

export interface ClimbingOptions {
  /** Height of the level parting that it is held against, m; left out: where that blocks least. */
  level?: number
  /** Cells along the longest side of the piece. */
  longest?: number
}

/**
 * The parting that climbs with the outline of a piece whose master stands with `up` against gravity.
 *
 * Throws `Problem`: not-a-direction, mesh-too-open.
 *
 * @example findClimbing(cavityOf(unitCube), [0, 0, 1]).blocked // 0
 */
export const findClimbing = (
  { mesh, closure }: Pick<Cavity, 'mesh' | 'closure'>,
  up: Vec3,
  { longest = usualCells, ...options }: ClimbingOptions = {},
): ClimbingParting =>
  climbingParting(
    voxelise(mesh, up, { longest, rule: closure.flippedEdges > 0 ? 'parity' : 'winding' }),
    { ...options, mesh },
  )

/**
 * The parting that climbs with the outline of a piece, pulled along the grid's up: it takes a height within
 * the range of the piece's side all along the outline, with as little rise and fall as that allows,
 * and is led outwards as a membrane.
 *
 * @example Math.round(climbingParting(gridOfUnitCube).to * 10) // 5
 */
export function climbingParting(
  grid: Grid,
  { level, mesh }: Pick<ClimbingOptions, 'level'> & { mesh?: Mesh } = {},
): ClimbingParting {
  const [nx, ny] = grid.counts
  const [dx, dy, row] = grid.cell
  const around = Math.ceil(ledOn * Math.max(nx, ny))
  const view = planViewOf(grid, around, mesh)
  const rows = membraneOver(view, [row / dx, row / dy])
  const [width, depth] = view.counts
  const at = (x: number, y: number) => rows[(y + around) * width + x + around]
  const { blocked, lower, locked } = halvesOf(grid, at)
  let under = 0
  for (let y = 0; y < ny; y++) for (let x = 0; x < nx; x++) under += at(x, y)
  const heights = rows.map((height) => height * row)
  return {
    counts: view.counts,
    cell: [dx, dy],
    low: [(-width * dx) / 2, (-depth * dy) / 2],
    heights,
    piece: Uint8Array.from(view.low, (low) => (low < 0 ? 0 : 1)),
    blocked,
    locked: middlesOf(grid, locked),
    level: levelOf(grid, level),
    lockedCell: grid.cell,
    below: under * dx * dy * row - lower,
    ...rangeOf(view, heights),
    steepest: steepestOf(view, heights, [dx, dy]),
  }
}

/** What a level parting locks, where it lies or where it locks least. */
function levelOf(grid: Grid, height: number | undefined): ClimbingParting['level'] {
  const { best } = undercuts(grid)
  const at = height ?? (best.from + best.to) / 2
  const { blocked, locked } = halvesOf(grid, () => at / grid.cell[2])
  return { at, blocked, locked: middlesOf(grid, locked) }
}

const middlesOf = (grid: Grid, marked: Uint8Array): Float32Array => {
  const middles: number[] = []
  for (let cell = 0; cell < marked.length; cell++) {
    if (marked[cell]) middles.push(...middleOf(grid, cell))
  }
  return Float32Array.from(middles)
}

/** Lowest and highest, where the two halves meet. */
function rangeOf({ what }: PlanView, heights: Float32Array): { from: number; to: number } {
  let [from, to] = [Infinity, -Infinity]
  for (let at = 0; at < what.length; at++) {
    if (what[at] === covered) continue
    from = Math.min(from, heights[at])
    to = Math.max(to, heights[at])
  }
  return { from, to }
}

function steepestOf(
  { counts: [width, depth], what }: PlanView,
  heights: Float32Array,
  [dx, dy]: readonly [number, number],
): number {
  let most = 0
  for (let at = 0; at < what.length; at++) {
    if (what[at] === covered) continue
    for (const [next, run, there] of [
      [at + 1, dx, at % width < width - 1],
      [at + width, dy, at < width * (depth - 1)],
    ] as const) {
      if (!there || what[next] === covered) continue
      most = Math.max(most, Math.abs(heights[next] - heights[at]) / run)
    }
  }
  return most
}

/**
 * Its height at a place of the floor plan, m, from the middle of the piece's bounds: between columns
 * straight, beyond its plan as at its rim.
 *
 * @example climbingHeight(climbingParting(gridOfUnitCube), 0.6, 0).toFixed(2) // '0.50'
 */
export function climbingHeight(
  { counts: [width, depth], cell, low, heights }: Omit<ClimbingParting, 'piece'>,
  x: number,
  y: number,
): number {
  const [across, along] = [
    clamp((x - low[0]) / cell[0] - 0.5, width - 1),
    clamp((y - low[1]) / cell[1] - 0.5, depth - 1),
  ]
  const [i, j] = [Math.min(width - 2, Math.floor(across)), Math.min(depth - 2, Math.floor(along))]
  const [u, v] = [across - i, along - j]
  const at = j * width + i
  const near = heights[at] * (1 - u) + heights[at + 1] * u
  const far = heights[at + width] * (1 - u) + heights[at + width + 1] * u
  return near * (1 - v) + far * v
}

const clamp = (value: number, most: number) => Math.max(0, Math.min(most, value))

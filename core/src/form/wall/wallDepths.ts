import { Vector3 } from 'three'
import { cellVolume, neighbourSteps, placeOf, voxelise, type Grid } from '../cells/index.ts'
import type { Mesh, Vec3 } from '../mesh/index.ts'
import { nearestFaces, type NearestFaces } from './nearestFaces.ts'
import { wallFaces } from './tree.ts'

/** How much of a cavity lies how deep under its walls, by height. Plain data. */
export interface WallDepths {
  /** Height of a row and depth of a bin, m. */
  row: number
  bin: number
  rows: number
  bins: number
  /** m³, row by row from the lowest point, each from the wall inwards. */
  volumes: Float64Array
  /** Of the place that lies deepest, m. */
  deepest: number
}

/** Cells along the longest side: a shell is known to 1 %. */
const cells = 56

/** Depths are told in so many bins. */
const bins = 160

/** Cells beyond the piece on each side: what reaches into it is counted too. */
const rim = 2

/**
 * How deep each part of a cavity lies under its walls, for a hollow cast: distances of the
 * middles of its cells to the nearest face, each cell spread evenly over as much of the way as has its
 * variance. `mouth`: the level top stands open and is no wall.
 *
 * Throws `Problem` as `voxelise` does.
 *
 * @example wallDepths(buildSolid({ solid: 'ball', diameter: 0.04 }), [0, 0, 1]).deepest.toFixed(3) // '0.020'
 */
export function wallDepths(mesh: Mesh, up: Vec3, { mouth = false } = {}): WallDepths {
  const grid = voxelise(mesh, up, { longest: cells, rim })
  const found = signedDepths(grid, mesh, mouth ? up : undefined)
  const { deepest } = found
  const bin = (deepest * (1 + 1e-9)) / bins
  const rows = grid.counts[2] - 2 * rim
  const volumes = new Float64Array(rows * bins)
  const whole = cellVolume(grid)
  for (const { cell, depth: middle, width } of found.depths) {
    // A cell about the deepest place reaches no deeper.
    const depth = Math.min(middle, deepest - width / 2)
    const row = Math.min(rows - 1, Math.max(0, placeOf(grid, cell)[2] - rim))
    const low = depth - width / 2
    const first = Math.max(0, Math.floor(low / bin))
    for (let i = first; i < bins && i * bin < low + width; i++) {
      const within = Math.min((i + 1) * bin, low + width) - Math.max(i * bin, low)
      volumes[row * bins + i] += (whole * within) / width
    }
  }
  return { row: grid.cell[2], bin, rows, bins, volumes, deepest }
}

interface Depth {
  cell: number
  /** Under a wall, m; less than nothing outside. */
  depth: number
  width: number
}

/** Of the middles of cells within the piece and beside its skin. */
function signedDepths(grid: Grid, mesh: Mesh, mouth?: Vec3): { depths: Depth[]; deepest: number } {
  const { inside } = grid
  const wanted = inside.slice()
  const beside = neighbourSteps(grid, 26)
  inside.forEach((within, cell) => {
    if (within === 1) for (const { step } of beside) wanted[cell + step] = 1
  })
  const walls = nearestFaces(grid, wallFaces(mesh, mouth), wanted)
  const skin = mouth ? nearestFaces(grid, wallFaces(mesh), wanted) : walls
  const depths: Depth[] = []
  const way = new Vector3()
  for (let cell = 0; cell < wanted.length; cell++) {
    if (wanted[cell] === 0) continue
    const within = inside[cell] === 1
    // Over a mouth that stands open no wall reaches in.
    const nearer = !within && skin !== walls ? skin.from(cell, way) : Infinity
    const far = walls.from(cell, way)
    if (nearer < far) continue
    depths.push({ cell, depth: within ? far : -far, width: widthAlong(grid, way.normalize()) })
  }
  return { depths, deepest: deepestNear(grid, walls, depths) }
}

/** From the deepest middle by steps that halve (pattern search), m. */
function deepestNear(grid: Grid, walls: NearestFaces, depths: readonly Depth[]): number {
  const start = depths.reduce((best, one) => (one.depth > best.depth ? one : best))
  const at = walls.middle(start.cell)
  let best = start.depth
  for (let step = grid.cell[0] / 2; step > grid.cell[0] / 100; step /= 2) {
    for (const axis of ['x', 'y', 'z'] as const) {
      for (const way of [-step, step]) {
        at[axis] += way
        const far = walls.near(at)
        if (far > best) best = far
        else at[axis] -= way
      }
    }
  }
  return best
}

/** As wide as an even spread with a cell's variance along a way in the grid's own axes. */
const widthAlong = ({ cell: [w, d, h] }: Grid, { x, y, z }: Vector3): number =>
  Math.hypot(x * w, y * d, z * h) || w

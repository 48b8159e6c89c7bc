import { Vector3 } from 'three'
import type { HitPointInfo, MeshBVH } from 'three-mesh-bvh'
import { middleOf, neighbourSteps, placeOf, voxelise, type Grid } from '../cells/index.ts'
import { dot, type Mesh, type Vec3 } from '../mesh/index.ts'
import { wallTree } from './tree.ts'

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

/** So many layers of cells under the skin are measured each for itself. */
const measuredLayers = 4

/** Cells beyond the piece on each side: what reaches into it is counted too. */
const rim = 2

/**
 * How deep each part of a cavity lies under its walls, for a hollow cast: exact distances of the
 * middles of its cells (three-mesh-bvh), each cell spread evenly over as much of the way as has its
 * variance. `mouth`: the level top stands open and is no wall.
 *
 * Throws `Problem` as `voxelise` does.
 *
 * @example wallDepths(buildSolid({ solid: 'ball', diameter: 0.04 }), [0, 0, 1]).deepest.toFixed(3) // '0.020'
 */
export function wallDepths(mesh: Mesh, up: Vec3, { mouth = false } = {}): WallDepths {
  const grid = voxelise(mesh, up, { longest: cells, rim })
  const tree = wallTree(mesh, mouth ? up : undefined)
  const found = signedDepths(grid, tree, mouth ? wallTree(mesh) : tree)
  const deepest = deepestNear(grid, tree, found)
  const bin = (deepest * (1 + 1e-9)) / bins
  const rows = grid.counts[2] - 2 * rim
  const volumes = new Float64Array(rows * bins)
  const whole = grid.cell[0] * grid.cell[1] * grid.cell[2]
  for (const { cell, depth: middle, width } of found) {
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

/**
 * Of the middles of cells within the piece and beside its skin. The outer layers of cells are measured;
 * one deeper within takes the nearest of the places that its neighbours found, which is as good there
 * (vector distance transform, Danielsson 1980).
 */
function signedDepths(grid: Grid, walls: MeshBVH, skin: MeshBVH): Depth[] {
  const { inside } = grid
  const beside = neighbourSteps(grid, 26).map(({ step }) => step)
  const nearest = new Map<number, Vector3>()
  const found: Depth[] = []
  const take = (cell: number, at: Vector3, point: Vector3, way: 1 | -1) => {
    nearest.set(cell, point)
    const depth = way * at.distanceTo(point)
    const width = widthAlong(grid, at.sub(point).normalize())
    found.push({ cell, depth, width })
  }
  const middle = (cell: number) => new Vector3(...middleOf(grid, cell))
  const nearestBeside = (cell: number, at: Vector3): Vector3 | undefined => {
    let best: Vector3 | undefined
    let least = Infinity
    for (const step of beside) {
      const point = nearest.get(cell + step)
      const far = point ? at.distanceToSquared(point) : Infinity
      if (far < least) [best, least] = [point, far]
    }
    return best
  }
  /** Measured: no farther than what the neighbours found, which spares most of the tree. */
  const measured = (cell: number, at: Vector3): Vector3 => {
    const near = nearestBeside(cell, at)
    const bound = near ? at.distanceTo(near) : Infinity
    return walls.closestPointToPoint(at, {} as HitPointInfo, 0, bound)?.point ?? near!
  }
  let layer = []
  for (let cell = 0; cell < inside.length; cell++) {
    const within = inside[cell] === 1
    if (!beside.some((step) => inside[cell + step] === 1 - inside[cell])) continue
    const at = middle(cell)
    const point = measured(cell, at)
    const distance = at.distanceTo(point)
    // Over a mouth that stands open no wall reaches in.
    if (!within && skin !== walls && skin.closestPointToPoint(at)!.distance < distance) continue
    take(cell, at, point, within ? 1 : -1)
    if (within) layer.push(cell)
  }
  for (let n = 1; layer.length > 0; n++) {
    const next = new Set<number>()
    for (const cell of layer) {
      for (const step of beside) {
        if (inside[cell + step] === 1 && !nearest.has(cell + step)) next.add(cell + step)
      }
    }
    layer = [...next]
    for (const cell of layer) {
      const at = middle(cell)
      const point = n < measuredLayers ? measured(cell, at) : nearestBeside(cell, at)!
      take(cell, at, point, 1)
    }
  }
  return found
}

/** From the deepest middle by steps that halve (pattern search), m. */
function deepestNear(grid: Grid, walls: MeshBVH, found: readonly Depth[]): number {
  const start = found.reduce((best, one) => (one.depth > best.depth ? one : best))
  const at = new Vector3(...middleOf(grid, start.cell))
  let best = start.depth
  for (let step = grid.cell[0] / 2; step > grid.cell[0] / 100; step /= 2) {
    for (const axis of ['x', 'y', 'z'] as const) {
      for (const way of [-step, step]) {
        at[axis] += way
        const { distance } = walls.closestPointToPoint(at)!
        if (distance > best) best = distance
        else at[axis] -= way
      }
    }
  }
  return best
}

/** As wide as an even spread with a cell's variance along a direction. */
function widthAlong({ cell, axes }: Grid, { x, y, z }: Vector3): number {
  const way: Vec3 = [x, y, z]
  const along = [axes.right, axes.away, axes.up].map((axis, k) => dot(way, axis) * cell[k])
  return Math.hypot(...along) || cell[0]
}

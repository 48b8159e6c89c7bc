import { Problem } from '../../../base/problem/index.ts'
import {
  axesFor,
  boundsAlong,
  fromAxes,
  type Axes,
  type Mesh,
  type Vec3,
} from '../../../form/mesh/index.ts'
import { voxelise } from '../../../form/cells/index.ts'
import type { MouldWalls } from '../cureTimes.ts'

/** What a cell holds: nothing, mould, or the layer `layer0 + k`. */
export const cellKind = { air: 0, mould: 1, layer0: 2 } as const

/**
 * Cells of unequal sides in a frame that stands as the piece is poured, the piece's layers
 * snapped to them. Number = (up · ny + away) · nx + right.
 */
export interface HeatGrid {
  axes: Axes
  counts: Vec3
  /** Lower edges of the cells along each axis and the last upper one, m along the axes. */
  edges: readonly [Float64Array, Float64Array, Float64Array]
  kind: Uint8Array
  /** The cavity's volume in cells over its own. */
  seen: number
}

export interface GridQuestion {
  mesh: Mesh
  up: Vec3
  /** Surfaces of the layers above the lowest point, from the bottom up, m. */
  tops: readonly number[]
  walls: MouldWalls
  /** About how many cells in all. */
  cells: number
}

/** Through a layer at least so many cells, each at most so high, m. */
const through = { least: 5, highest: 0.0025 }

/** Cells through a wall of the mould. */
const wallCells = 4

/** Cells are no narrower than this, m, nor more than this along a side. */
const narrowest = 0.0005
const mostAlong = 64

/**
 * The grid for a piece in its mould, of about `cells` cells. Throws `Problem` nothing-poured,
 * and what `voxelise` throws.
 */
export function heatGrid({ mesh, up, tops, walls, cells }: GridQuestion): HeatGrid {
  const last = tops.at(-1) ?? 0
  if (!(last > 0)) throw new Problem('nothing-poured', {}, 'layers')
  const axes = axesFor(up)
  const { low, size } = boundsAlong(mesh, axes)
  const heights = [walls.floor, ...layerSteps(tops), walls.cover ?? 0]
  const layerCells = heights.slice(1, -1).map(cellsThrough)
  const inZ =
    sum(layerCells) + (walls.floor > 0 ? wallCells : 0) + (walls.cover ? wallCells : 0) + 1
  const aside = acrossCells(size[0], size[1], cells / inZ)

  // The cavity's own cells in z are sampled from an even grid that is fine enough for each layer.
  const even = Math.min(512, Math.max(64, Math.ceil((size[2] / last) * sum(layerCells) * 3)))
  const inner = voxelise(mesh, up, { cells: [aside[0], aside[1], even] })
  const edges = [
    walled(low[0], size[0], aside[0], walls.wall),
    walled(low[1], size[1], aside[1], walls.wall),
    zEdges(low[2], size[2], tops, layerCells, walls),
  ] as const
  const counts = edges.map((e) => e.length - 1) as unknown as Vec3
  const kind = new Uint8Array(counts[0] * counts[1] * counts[2])
  const [nx, ny, nz] = counts
  const side = walls.wall > 0 ? wallCells : 0
  let volume = 0
  for (let z = 0; z < nz; z++) {
    const height = (edges[2][z] + edges[2][z + 1]) / 2 - low[2]
    const row = Math.floor(height / inner.cell[2]) + 1
    const layer = tops.findIndex((top) => height < top)
    const within = height > 0 && height < size[2]
    // Over the piece of an open mould there is air, and air where nothing is poured.
    const beyond = height > size[2] && !walls.cover ? cellKind.air : cellKind.mould
    for (let y = 0; y < ny; y++) {
      for (let x = 0; x < nx; x++) {
        const i = (z * ny + y) * nx + x
        const inside =
          within &&
          x >= side &&
          x < nx - side &&
          y >= side &&
          y < ny - side &&
          inner.inside[
            ((y - side + 1) * inner.counts[0] + (x - side + 1)) * inner.counts[2] + row
          ] === 1
        kind[i] = !inside ? beyond : layer < 0 ? cellKind.air : cellKind.layer0 + layer
        if (inside) {
          volume +=
            (edges[0][x + 1] - edges[0][x]) *
            (edges[1][y + 1] - edges[1][y]) *
            (edges[2][z + 1] - edges[2][z])
        }
      }
    }
  }
  let inside = 0
  for (const cell of inner.inside) inside += cell
  const own = inside * inner.cell[0] * inner.cell[1] * inner.cell[2]
  return { axes, counts, edges, kind, seen: own > 0 ? volume / own : 0 }
}

const sum = (list: readonly number[]) => list.reduce((all, n) => all + n, 0)

const layerSteps = (tops: readonly number[]): number[] =>
  tops.map((top, i) => Math.max(0, top - (tops[i - 1] ?? 0)))

const cellsThrough = (depth: number): number =>
  depth > 0 ? Math.max(through.least, Math.ceil(depth / through.highest)) : 0

/** How many cells along right and away, near squares, of `floor` cells with their walls. */
function acrossCells(width: number, depth: number, floor: number): [number, number] {
  let best: [number, number] = [4, 4]
  for (let side = Math.max(width, depth) / 4; side >= narrowest; side *= 0.95) {
    const next: [number, number] = [
      Math.max(4, Math.round(width / side)),
      Math.max(4, Math.round(depth / side)),
    ]
    if ((next[0] + 2 * wallCells) * (next[1] + 2 * wallCells) > floor) break
    if (Math.max(...next) > mostAlong) break
    best = next
  }
  return best
}

function walled(low: number, size: number, count: number, wall: number): Float64Array {
  const outer = wall > 0 ? wallCells : 0
  return Float64Array.from({ length: count + 2 * outer + 1 }, (_, i) => {
    if (i < outer) return low - (wall * (outer - i)) / outer
    if (i > outer + count) return low + size + (wall * (i - outer - count)) / outer
    return low + (size * (i - outer)) / count
  })
}

function zEdges(
  low: number,
  height: number,
  tops: readonly number[],
  layerCells: readonly number[],
  { floor, cover }: MouldWalls,
): Float64Array {
  const edges: number[] = []
  if (floor > 0) {
    for (let i = 0; i < wallCells; i++) edges.push(low - (floor * (wallCells - i)) / wallCells)
  }
  edges.push(low)
  let bottom = 0
  for (const [k, top] of tops.entries()) {
    for (let i = 1; i <= layerCells[k]; i++) {
      edges.push(low + bottom + ((top - bottom) * i) / layerCells[k])
    }
    bottom = Math.max(bottom, top)
  }
  // What stays empty above the last layer is one row.
  if (height - bottom > 1e-5) edges.push(low + height)
  if (cover) {
    for (let i = 1; i <= wallCells; i++) edges.push(low + height + (cover * i) / wallCells)
  }
  return Float64Array.from(edges)
}

/** The middle of a cell in the piece's own axes, m. */
export function cellMiddle({ counts: [nx, ny], edges, axes }: HeatGrid, cell: number): Vec3 {
  const at = [cell % nx, Math.floor(cell / nx) % ny, Math.floor(cell / (nx * ny))]
  const [x, y, z] = at.map((n, axis) => (edges[axis][n] + edges[axis][n + 1]) / 2)
  return fromAxes(axes, [x, y, z])
}

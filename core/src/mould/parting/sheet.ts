import { chain, cutEdges, nearestOnOutline } from '../../form/filling/index.ts'
import { axesFor, fromAxes, type Mesh, type Vec3 } from '../../form/mesh/index.ts'
import { boundsOfLoop, insideLoop } from '../../form/shape/index.ts'
import type { BuiltBox } from '../box/box.ts'
import type { MouldGeometry } from '../geometry.ts'
import type { ClimbingParting } from './climbing.ts'
import type { PartingHeight } from './heights.ts'

/** Columns along the longer side of a sheet that is drawn. */
const drawnColumns = 96

/** The parting as a sheet in the piece's axes, m, and lines of equal height on it. */
export interface PartingSheet {
  mesh: Mesh
  /** x, y, z of the points of each line. */
  contours: number[][]
}

/**
 * The parting as a sheet from wall to wall, with its contour lines every `step`, m; it leaves out what the
 * piece covers, seen from above. Of several masters in a row it lies around the first.
 *
 * @example partingSheet(() => 0.01, builtBox, geometryOf60x40x20, [0, 0, 1], 0.005).contours.length // 0
 */
export function partingSheet(
  heightAt: PartingHeight,
  { plan }: Pick<BuiltBox, 'plan'>,
  { foot, climbing }: Pick<MouldGeometry, 'foot' | 'climbing'>,
  up: Vec3,
  step: number,
): PartingSheet {
  const { low, high } = boundsOfLoop(plan)
  const [left, front] = low
  const [width, depth] = [high[0] - left, high[1] - front]
  const [nx, ny] = [width, depth].map((side) =>
    Math.max(1, Math.round((drawnColumns * side) / Math.max(width, depth))),
  )
  const axes = axesFor(up)
  const lowest = foot.centre[2] - foot.height / 2
  const [first, behind] = foot.places[0]
  const walls = { outlines: [{ points: Float64Array.from(plan), closed: true }] }
  const positions: number[] = []
  const heights: number[] = []
  const out: boolean[] = []
  for (let j = 0; j <= ny; j++) {
    for (let i = 0; i <= nx; i++) {
      const [x, y] = [left + (i * width) / nx, front + (j * depth) / ny]
      const within = insideLoop(plan, x, y)
      const wall = within ? undefined : nearestOnOutline(walls, x, y)
      const [u, v] = wall ? [wall.x, wall.h] : [x, y]
      const height = heightAt(u, v)
      heights.push(height)
      positions.push(
        ...fromAxes(axes, [
          foot.centre[0] + u - first,
          foot.centre[1] + v - behind,
          lowest + height,
        ]),
      )
      out.push(!within || foot.places.some(([dx, dy]) => covers(climbing, x - dx, y - dy)))
    }
  }
  const triangles: number[] = []
  for (let j = 0; j < ny; j++) {
    for (let i = 0; i < nx; i++) {
      const [a, b, c, d] = [0, 1, nx + 2, nx + 1].map((by) => j * (nx + 1) + i + by)
      if ([a, b, c, d].every((corner) => out[corner])) continue
      triangles.push(a, b, c, a, c, d)
    }
  }
  const mesh = { positions: Float64Array.from(positions), triangles: Uint32Array.from(triangles) }
  return { mesh, contours: contoursOf(mesh, Float64Array.from(heights), step) }
}

/** Whether the piece is seen at a place of the floor plan. */
function covers(climbing: ClimbingParting | undefined, x: number, y: number): boolean {
  if (!climbing) return false
  const { counts, cell, low, piece } = climbing
  const [i, j] = [Math.floor((x - low[0]) / cell[0]), Math.floor((y - low[1]) / cell[1])]
  return i >= 0 && j >= 0 && i < counts[0] && j < counts[1] && piece[j * counts[0] + i] === 1
}

function contoursOf({ positions, triangles }: Mesh, heights: Float64Array, step: number) {
  const [least, most] = [Math.min(...heights), Math.max(...heights)]
  const vertices = heights.length
  const lines: number[][] = []
  for (let level = Math.ceil(least / step + 1e-6) * step; level < most - 1e-9; level += step) {
    for (const { edges, closed } of chain(cutEdges(triangles, heights, level))) {
      const points = edges.flatMap((edge) => {
        const [a, b] = [Math.floor(edge / vertices), edge % vertices]
        const share = (level - heights[a]) / (heights[b] - heights[a])
        return [0, 1, 2].map(
          (k) => positions[3 * a + k] + share * (positions[3 * b + k] - positions[3 * a + k]),
        )
      })
      lines.push(closed ? [...points, ...points.slice(0, 3)] : points)
    }
  }
  return lines
}

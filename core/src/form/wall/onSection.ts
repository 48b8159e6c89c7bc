import { Vector3 } from 'three'
import type { HitPointInfo, MeshBVH } from 'three-mesh-bvh'
import { chain, cutEdges, fromSection, type Section } from '../filling/index.ts'
import { insideLoop } from '../shape/index.ts'
import type { Mesh } from '../mesh/index.ts'
import { treeOf, wallFaces } from './tree.ts'

/** How deep under the walls a cut lies, on a lattice over it; less than nothing outside. Plain data. */
export interface SectionDepths {
  /** x and height of its first place, m from the middle of the cut and the lowest point. */
  left: number
  low: number
  step: number
  columns: number
  rows: number
  /** Row by row from below, m. */
  depths: Float64Array
}

/** Places along the longer side of a cut. */
const places = 110

/**
 * Depths under the walls on a cut of a piece: exact distances in space (three-mesh-bvh), so that a
 * wall in front of the cut counts too. `mouth`: the level top stands open and is no wall.
 *
 * @example depthsOnSection(blockMesh, sectionOfBlock).columns // 114
 */
export const depthsOnSection = (mesh: Mesh, cut: Section, { mouth = false } = {}): SectionDepths =>
  overSection(
    treeOf(wallFaces(mesh, mouth ? cut.axes.up : undefined)),
    cut,
    ({ distance }) => distance,
  )

/** What `valueOf` makes of the nearest place of a surface, on a lattice over a cut; outside, what is beyond it. */
export function overSection(
  tree: MeshBVH,
  cut: Section,
  valueOf: (nearest: HitPointInfo) => number,
): SectionDepths {
  const width = cut.right - cut.left
  const step = Math.max(width, cut.height) / places
  const columns = Math.ceil(width / step) + 4
  const rows = Math.ceil(cut.height / step) + 4
  const [left, low] = [cut.left - 1.5 * step, -1.5 * step]
  const loops = cut.outlines.filter(({ closed }) => closed).map(({ points }) => [...points])
  const placeAt = (i: number) => [left + (i % columns) * step, low + Math.floor(i / columns) * step]
  const within = Uint8Array.from({ length: columns * rows }, (_, i) => {
    const [x, h] = placeAt(i)
    return loops.filter((loop) => insideLoop(loop, x, h)).length % 2
  })
  const beside = [-1, 0, 1].flatMap((row) => [-1, 0, 1].map((by) => row * columns + by))
  const depths = new Float64Array(columns * rows).fill(-2 * step)
  const nearest = { point: new Vector3(), distance: 0, faceIndex: 0 }
  let before = -Infinity
  for (let i = 0; i < depths.length; i++) {
    // No line runs where all is outside.
    if (!beside.some((by) => within[i + by] === 1)) continue
    const [x, h] = placeAt(i)
    // No farther than the place beside it and the way from there, which spares most of the tree.
    const bound = before === i - 1 ? (nearest.distance + step) * (1 + 1e-9) : Infinity
    tree.closestPointToPoint(new Vector3(...fromSection(cut, x, h)), nearest, 0, bound)
    before = i
    depths[i] = within[i] === 1 ? valueOf(nearest) : -nearest.distance
  }
  return { left, low, step, columns, rows, depths }
}

/**
 * How deep a place on the cut lies, m; less than nothing outside.
 *
 * @example depthAtPlace(depthsOnBlock, 0, 0.01).toFixed(3) // '0.010'
 */
export function depthAtPlace(
  { left, low, step, columns, rows, depths }: SectionDepths,
  x: number,
  height: number,
): number {
  const [u, v] = [(x - left) / step, (height - low) / step]
  const i = Math.min(columns - 2, Math.max(0, Math.floor(u)))
  const j = Math.min(rows - 2, Math.max(0, Math.floor(v)))
  const at = (k: number) => {
    const share = Math.min(1, Math.max(0, u - i))
    return depths[k] + share * (depths[k + 1] - depths[k])
  }
  const share = Math.min(1, Math.max(0, v - j))
  const [under, over] = [at(j * columns + i), at((j + 1) * columns + i)]
  return under + share * (over - under)
}

/**
 * Lines on a cut that lie `depth` under the walls: x and height of their points, m. Each is closed.
 *
 * @example depthLines(depthsOnBlock, 0.003).length // 1
 */
export function depthLines(
  { left, low, step, columns, rows, depths }: SectionDepths,
  depth: number,
): number[][] {
  const triangles: number[] = []
  for (let j = 0; j + 1 < rows; j++) {
    for (let i = 0; i + 1 < columns; i++) {
      const [a, b, c, d] = [0, 1, columns + 1, columns].map((by) => j * columns + i + by)
      const above = [a, b, c, d].filter((corner) => depths[corner] > depth).length
      if (above > 0 && above < 4) triangles.push(a, b, c, a, c, d)
    }
  }
  return chain(cutEdges(Uint32Array.from(triangles), depths, depth)).map(({ edges }) =>
    edges.flatMap((edge) => {
      const [a, b] = [Math.floor(edge / depths.length), edge % depths.length]
      const share = (depth - depths[a]) / (depths[b] - depths[a])
      const between = (k: (n: number) => number) => k(a) + share * (k(b) - k(a))
      return [
        left + step * between((n) => n % columns),
        low + step * between((n) => Math.floor(n / columns)),
      ]
    }),
  )
}

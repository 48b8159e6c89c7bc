import type { CrossSection, Manifold, ManifoldToplevel } from 'manifold-3d'
import { axesFor, dot, toAxes, type Mesh, type Vec3 } from '../../form/mesh/index.ts'
import { boundsOfLoop } from '../../form/shape/index.ts'
import type { BuiltBox } from '../box/box.ts'
import type { Footprint } from '../box/footprint.ts'
import { mm, standingMaster } from './solidMesh.ts'

export const blockSides = ['front', 'right', 'back', 'left', 'top', 'foot'] as const
export type BlockSide = (typeof blockSides)[number]

/** Depths are written so far apart along the cut, m. */
const figuresApart = 0.012
/** Points of the line lie no farther apart than this, m. */
const step = 0.002
/** A side is cut into where it looks at least so far the way that the piece comes out, as a cosine. */
const looksOut = 0.35

/** What a sheet for one side of a block shows: places from its lower left corner, m. */
export interface SideSheet {
  side: BlockSide
  width: number
  height: number
  /** The piece seen through this side. */
  silhouette: number[][]
  /** The line on its skin, as far as it is cut, and how much of it is cut from here: from point to point. */
  line: [number, number][]
  cut?: { from: number; to: number }
  /** From this side of the block to the skin, at places of the line, m. */
  depths: { at: [number, number]; depth: number }[]
}

/** A block that is cut open. */
export interface CutBlock {
  box: Pick<BuiltBox, 'plan' | 'under' | 'height'>
  foot: Pick<Footprint, 'centre' | 'height'>
  /** x, y, z of points of the cut on the skin, in the piece's axes, and where the piece comes out. */
  line: readonly number[]
  out: Vec3
}

/** Where a place lies seen from a side, and how deep behind it: the block stands with its front towards us. */
type Seen = (at: Vec3) => readonly [x: number, y: number, depth: number]

/**
 * Sheets for the six sides of a block that is cut open: on each the piece as it lies behind that side,
 * the line of the cut on its skin, and how deep it lies. A stretch of the line is cut from the side that
 * it lies nearest to, among top, foot and those on which the piece comes out. Silhouettes by
 * manifold-3d.
 *
 * Throws `Problem('solid-failed')`.
 */
export function sideSheets(
  kernel: ManifoldToplevel,
  mesh: Mesh,
  up: Vec3,
  { box, foot, line, out }: CutBlock,
): SideSheet[] {
  const { low, high } = boundsOfLoop(box.plan)
  const size: Vec3 = [high[0] - low[0], high[1] - low[1], box.height]
  const axes = axesFor(up)
  const { centre, height } = foot
  const places = closely(line).map((at): Vec3 => {
    const [x, y, z] = toAxes(axes, at)
    return [x - centre[0] - low[0], y - centre[1] - low[1], z - centre[2] + height / 2 + box.under]
  })
  const way = toAxes(axes, out)
  const near = places.map((at) => nearestSide(at, size, way))
  const used: (Manifold | CrossSection)[] = []
  const keep = <T extends Manifold | CrossSection>(solid: T): T => {
    used.push(solid)
    return solid
  }
  try {
    const standing = keep(standingMaster(kernel, mesh, up, foot, box.under))
    const corner = keep(standing.translate([-low[0] * mm, -low[1] * mm, 0]))
    return blockSides.map((side): SideSheet => {
      const seen = sideViews[side](size)
      const silhouette = keep(seenFrom(corner, side, size, keep)).toPolygons()
      const cut = longestRun(near, side)
      const flat = places.map(seen)
      return {
        side,
        ...sheetSize(side, size),
        silhouette: silhouette.map((loop) => loop.flatMap(([x, y]) => [x / mm, y / mm])),
        line: flat.map(([x, y]): [number, number] => [x, y]),
        cut,
        depths: cut ? depthsAlong(flat.slice(cut.from, cut.to + 1)) : [],
      }
    })
  } finally {
    for (const solid of used) solid.delete()
  }
}

/** Points of a line, and between them as many as lie no farther apart than `step`. */
function closely(line: readonly number[]): Vec3[] {
  const place = (i: number): Vec3 => [line[3 * i], line[3 * i + 1], line[3 * i + 2]]
  const found: Vec3[] = []
  for (let i = 0; i < line.length / 3; i++) {
    const to = place(i)
    const from = i > 0 ? place(i - 1) : to
    const way = [0, 1, 2].map((k) => to[k] - from[k])
    const parts = Math.max(1, Math.ceil(Math.hypot(...way) / step - 1e-6))
    for (let p = 1; p <= parts; p++) {
      found.push(from.map((x, k) => x + (p / parts) * way[k]) as unknown as Vec3)
    }
  }
  return found
}

const sideViews: Record<BlockSide, (size: Vec3) => Seen> = {
  front:
    () =>
    ([x, y, z]) => [x, z, y],
  right:
    ([wide]) =>
    ([x, y, z]) => [y, z, wide - x],
  back:
    ([wide, deep]) =>
    ([x, y, z]) => [wide - x, z, deep - y],
  left:
    ([, deep]) =>
    ([x, y, z]) => [deep - y, z, x],
  top:
    ([, , tall]) =>
    ([x, y, z]) => [x, y, tall - z],
  foot:
    ([, deep]) =>
    ([x, y, z]) => [x, deep - y, z],
}

const sideNormals: Record<BlockSide, Vec3> = {
  front: [0, -1, 0],
  right: [1, 0, 0],
  back: [0, 1, 0],
  left: [-1, 0, 0],
  top: [0, 0, 1],
  foot: [0, 0, -1],
}

const sheetSize = (side: BlockSide, [wide, deep, tall]: Vec3) => ({
  width: side === 'right' || side === 'left' ? deep : wide,
  height: side === 'top' || side === 'foot' ? deep : tall,
})

/** The side that a place is cut from. */
function nearestSide(at: Vec3, size: Vec3, way: Vec3): BlockSide {
  const upright = (side: BlockSide) => side === 'top' || side === 'foot'
  const open = blockSides.filter((side) => upright(side) || dot(sideNormals[side], way) >= looksOut)
  const depth = (side: BlockSide) => sideViews[side](size)(at)[2]
  return open.reduce((best, side) => (depth(side) < depth(best) ? side : best))
}

/** The longest stretch of points of one side; none where fewer than two follow each other. */
function longestRun(near: readonly BlockSide[], side: BlockSide) {
  let best: { from: number; to: number } | undefined
  for (let from = 0; from < near.length; from++) {
    if (near[from] !== side) continue
    let to = from
    while (near[to + 1] === side) to++
    if (to > from && (!best || to - from > best.to - best.from)) best = { from, to }
    from = to
  }
  return best
}

/** At its ends, and between them every so often. */
function depthsAlong(flat: readonly (readonly [number, number, number])[]): SideSheet['depths'] {
  const found: SideSheet['depths'] = []
  let since = Infinity
  flat.forEach(([x, y, depth], i) => {
    if (i > 0) since += Math.hypot(x - flat[i - 1][0], y - flat[i - 1][1])
    if (since < figuresApart && i < flat.length - 1) return
    if (i === flat.length - 1 && since < figuresApart / 2) found.pop()
    found.push({ at: [x, y], depth })
    since = 0
  })
  return found
}

/** The outline of what stands in the block's corner, seen from a side, mm. */
function seenFrom(
  solid: Manifold,
  side: BlockSide,
  [wide, deep, tall]: Vec3,
  keep: <T extends Manifold | CrossSection>(made: T) => T,
): CrossSection {
  // Columns: where right, away and up of the block point to on the sheet, and the shift, mm.
  const turns: Record<BlockSide, number[]> = {
    front: [1, 0, 0, 0, 0, -1, 0, 1, 0, 0, 0, 0],
    right: [0, 0, 1, 1, 0, 0, 0, 1, 0, 0, 0, 0],
    back: [-1, 0, 0, 0, 0, 1, 0, 1, 0, wide * mm, 0, 0],
    left: [0, 0, -1, -1, 0, 0, 0, 1, 0, deep * mm, 0, 0],
    top: [1, 0, 0, 0, 1, 0, 0, 0, 1, 0, 0, 0],
    foot: [1, 0, 0, 0, -1, 0, 0, 0, -1, 0, deep * mm, tall * mm],
  }
  const columns = turns[side]
  const matrix = [0, 1, 2, 3].flatMap((k) => [...columns.slice(3 * k, 3 * k + 3), k === 3 ? 1 : 0])
  return keep(solid.transform(matrix as Parameters<Manifold['transform']>[0])).project()
}

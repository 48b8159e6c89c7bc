import { toAxes, type Vec3 } from '../../../form/mesh/index.ts'
import { type Section } from '../../../form/filling/index.ts'
import type { FieldFrame, HeatField } from './pouring.ts'
import { cellKind, type HeatGrid } from './heatGrid.ts'

/** A moment of a field between two of its pictures. */
export interface Moment {
  before: FieldFrame
  after: FieldFrame
  /** 0 at `before`, 1 at `after`. */
  share: number
}

/** The pictures around a time, s; the first or last where it lies outside. */
export function momentAt({ frames }: Pick<HeatField, 'frames'>, at: number): Moment {
  let i = frames.findIndex((frame) => frame.at > at)
  if (i < 0) i = frames.length - 1
  const after = frames[i]
  const before = frames[Math.max(0, i - 1)]
  const span = after.at - before.at
  const share = span > 0 ? Math.min(1, Math.max(0, (at - before.at) / span)) : 1
  return { before, after, share }
}

export type Quantity = 'temperature' | 'alpha'

/** Which layers have been poured by a time: air stands where the others will be. */
export const pouredBy = (pours: readonly (number | undefined)[], at: number): boolean[] =>
  pours.map((pour) => pour !== undefined && pour <= at)

/** A field on the cut, in even places from left to right and from the bottom up. */
export interface Picture {
  columns: number
  rows: number
  /** m on the drawing: across from the middle of the cut, and above the lowest point. */
  left: number
  right: number
  bottom: number
  top: number
  /** NaN where there is air. */
  values: Float32Array
  /** Where there is mould and no piece. */
  mould: Uint8Array
}

export interface LookOptions {
  columns?: number
  rows?: number
  /** What to show of the cut, m on the drawing; all that there is unless said. */
  bounds?: { left: number; right: number; bottom: number; top: number }
}

/**
 * What the cut of a section shows of a field: K or degree of cure, in `columns` times `rows`
 * places over mould and piece, straight between the middles of cells of the same kind.
 */
export function fieldOnSection(
  grid: HeatGrid,
  moment: Moment,
  section: Section,
  poured: readonly boolean[],
  what: Quantity,
  { columns = 220, rows = 160, bounds }: LookOptions = {},
): Picture {
  const { edges, counts, axes } = grid
  const [nx, ny] = counts
  const size = (axis: number) => edges[axis][edges[axis].length - 1] - edges[axis][0]
  // The cut may stand turned against the grid: it runs until it leaves it.
  const across = Math.hypot(size(0), size(1)) / 2
  const origin = section.origin
  const low = edges[2][0] - origin[2]
  const { left, right, bottom, top } = bounds ?? {
    left: -across,
    right: across,
    bottom: low,
    top: low + size(2),
  }
  const values = new Float32Array(columns * rows).fill(NaN)
  const mould = new Uint8Array(columns * rows)
  const middles = edges.map(middlesOf)
  const shown = shownAt(grid, moment, poured, what)
  const dot = (a: Vec3, b: Vec3) => a[0] * b[0] + a[1] * b[1] + a[2] * b[2]
  const c = [dot(section.axes.right, axes.right), dot(section.axes.right, axes.away)]
  const d = [dot(section.axes.away, axes.right), dot(section.axes.away, axes.away)]
  const heights = Array.from({ length: rows }, (_, row) =>
    placed(edges[2], middles[2], origin[2] + bottom + ((row + 0.5) / rows) * (top - bottom)),
  )
  const plane = nx * ny
  for (let column = 0; column < columns; column++) {
    const over = origin[0] + left + ((column + 0.5) / columns) * (right - left)
    const x = placed(edges[0], middles[0], over * c[0] + origin[1] * d[0])
    const y = placed(edges[1], middles[1], over * c[1] + origin[1] * d[1])
    if (!x || !y) continue
    // The four upright edges of the cells around, and how much each of them counts.
    const posts = [x.first, x.next].flatMap((i) => [y.first, y.next].map((j) => i + j * nx))
    const shares = [1 - x.share, x.share].flatMap((p) => [1 - y.share, y.share].map((q) => p * q))
    for (let row = 0; row < rows; row++) {
      const z = heights[row]
      if (!z) continue
      const own = z.own * plane + y.own * nx + x.own
      const still = shown[own]
      if (Number.isNaN(still)) continue
      const at = row * columns + column
      mould[at] = grid.kind[own] === cellKind.mould ? 1 : 0
      let sum = 0
      for (let post = 0; post < 4; post++) {
        const below = shown[z.first * plane + posts[post]]
        const above = shown[z.next * plane + posts[post]]
        // Across a border of what is shown the cell itself goes on.
        const from = Number.isNaN(below) ? still : below
        const to = Number.isNaN(above) ? still : above
        sum += shares[post] * (from + z.share * (to - from))
      }
      values[at] = sum
    }
  }
  return { columns, rows, left, right, bottom, top, values, mould }
}

/** What each cell shows at a moment; NaN for air, and for what has nothing to show. */
function shownAt(
  { kind }: HeatGrid,
  { before, after, share }: Moment,
  poured: readonly boolean[],
  what: Quantity,
): Float64Array {
  const [from, to] = [before[what], after[what]]
  const shows = Array.from({ length: cellKind.layer0 + poured.length }, (_, of) => {
    if (of === cellKind.air) return false
    return of === cellKind.mould ? what === 'temperature' : poured[of - cellKind.layer0]
  })
  const shown = new Float64Array(kind.length).fill(NaN)
  for (let cell = 0; cell < kind.length; cell++) {
    if (shows[kind[cell]]) shown[cell] = from[cell] + share * (to[cell] - from[cell])
  }
  return shown
}

/** The value at one place of the piece over all pictures, with the hand's breadth of one cell. */
export function probe(
  field: HeatField,
  place: Vec3,
  what: Quantity,
): { at: number; value: number }[] {
  const { grid, frames } = field
  const [x, y, z] = toAxes(grid.axes, place)
  const [px, py, pz] = [x, y, z].map((v, axis) => placeIn(grid.edges[axis], v))
  if (px < 0 || py < 0 || pz < 0) return []
  const cell = (pz * grid.counts[1] + py) * grid.counts[0] + px
  return frames.map((frame) => ({ at: frame.at, value: frame[what][cell] }))
}

/** What a place belongs to: a layer by its number, the mould, or neither. */
export function kindAt({ grid }: Pick<HeatField, 'grid'>, place: Vec3): number | 'mould' | 'air' {
  const at = toAxes(grid.axes, place).map((v, axis) => placeIn(grid.edges[axis], v))
  if (at.some((n) => n < 0)) return 'air'
  const kind = grid.kind[(at[2] * grid.counts[1] + at[1]) * grid.counts[0] + at[0]]
  return kind === cellKind.air ? 'air' : kind === cellKind.mould ? 'mould' : kind - cellKind.layer0
}

const middlesOf = (edges: Float64Array): Float64Array =>
  Float64Array.from({ length: edges.length - 1 }, (_, i) => (edges[i] + edges[i + 1]) / 2)

/** The cell that a coordinate lies in; −1 outside. */
function placeIn(edges: Float64Array, at: number): number {
  if (!(at >= edges[0]) || at >= edges[edges.length - 1]) return -1
  let low = 0
  let high = edges.length - 1
  while (high - low > 1) {
    const middle = (low + high) >> 1
    if (edges[middle] <= at) low = middle
    else high = middle
  }
  return low
}

/** A coordinate among cells: its own, the two whose middles lie around it, and its share of the next. */
function placed(edges: Float64Array, middles: Float64Array, at: number) {
  const own = placeIn(edges, at)
  if (own < 0) return undefined
  const before = at < middles[own] ? own - 1 : own
  const first = Math.min(Math.max(0, before), Math.max(0, middles.length - 2))
  const next = Math.min(first + 1, middles.length - 1)
  const span = middles[next] - middles[first]
  const share = span > 0 ? Math.min(1, Math.max(0, (at - middles[first]) / span)) : 0
  return { own, first, next, share }
}

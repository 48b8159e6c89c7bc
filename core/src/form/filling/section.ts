import { type Mesh } from '../mesh/mesh.ts'
import { axesFor, fromAxes, toAxes, type Axes } from '../mesh/axes.ts'
import { dot, type Vec3 } from '../mesh/vector.ts'
import { chain, cutEdges } from './planeCut.ts'

/** A closed or open run of points, x (to the right) and height above the lowest point, m. */
export interface Outline {
  points: Float64Array
  closed: boolean
}

export interface Section {
  outlines: Outline[]
  /** Half of the piece's extent to either side of the cut's middle, for a stable frame. */
  left: number
  right: number
  height: number
  /** The drawing's frame, and where its origin lies along it, m: places in the piece follow. */
  axes: Axes
  origin: Vec3
}

/**
 * The cut through a welded mesh by an upright plane through the middle of its bounds.
 * `turn` (radians) turns the plane about up. Points on the plane count as behind it, so that
 * every crossing face is cut at exactly two edges and outlines of closed meshes close.
 *
 * Throws `Problem('not-a-direction')`.
 */
export function section(mesh: Mesh, up: Vec3, turn = 0): Section {
  const axes = axesFor(up, turn)
  const { x, y, z } = project(mesh, axes)
  const middleX = (x.low + x.high) / 2
  const middleY = (y.low + y.high) / 2
  const cuts = cutEdges(mesh.triangles, y.values, middleY)
  const point = (lowVertex: number, highVertex: number): [number, number] => {
    const a = y.values[lowVertex] - middleY
    const b = y.values[highVertex] - middleY
    const s = a / (a - b)
    const across = x.values[lowVertex] + s * (x.values[highVertex] - x.values[lowVertex])
    const height = z.values[lowVertex] + s * (z.values[highVertex] - z.values[lowVertex])
    return [across - middleX, height - z.low]
  }
  const vertices = mesh.positions.length / 3
  const outlines = chain(cuts).map(({ edges, closed }) => ({
    closed,
    points: Float64Array.from(
      edges.flatMap((edge) => point(Math.floor(edge / vertices), edge % vertices)),
    ),
  }))
  return {
    outlines,
    left: x.low - middleX,
    right: x.high - middleX,
    height: z.high - z.low,
    axes,
    origin: [middleX, middleY, z.low],
  }
}

/** Where a place of the piece lies on the drawing: across, up, and how far behind the cut, m. */
export function ontoSection(
  { axes, origin }: Section,
  at: Vec3,
): { x: number; h: number; behind: number } {
  const [x, y, z] = toAxes(axes, at)
  return { x: x - origin[0], h: z - origin[2], behind: y - origin[1] }
}

/** Nearer to the middle than this share of the cut's width, a place lies in the middle. */
const middle = 0.05

/**
 * Which side of the middle a place lies, seen as the cut is drawn; left out where it is in the
 * middle.
 *
 * @example whereBeside(sectionOf60x40x20, [0.007, 0.001, 0]) // { across: 'right' }
 */
export function whereBeside(
  cut: Section,
  at: Vec3,
): { across?: 'left' | 'right'; away?: 'back' | 'front' } {
  const { x, behind } = ontoSection(cut, at)
  const clear = middle * (cut.right - cut.left)
  return {
    ...(Math.abs(x) > clear && { across: x > 0 ? 'right' : 'left' }),
    ...(Math.abs(behind) > clear && { away: behind > 0 ? 'back' : 'front' }),
  }
}

/** How far a cut is turned about up, radians below π, that runs through a place which lies beside one turned by `turn`. */
export function turnThrough(cut: Section, at: Vec3, turn: number): number {
  const { x, behind } = ontoSection(cut, at)
  return (turn + Math.atan2(behind, x) + 2 * Math.PI) % Math.PI
}

/** The place of the piece at a point of the cut. */
export const fromSection = ({ axes, origin }: Section, x: number, h: number): Vec3 =>
  fromAxes(axes, [x + origin[0], origin[1], h + origin[2]])

/** The point of the outlines nearest to one on the drawing; undefined for an empty cut. */
export function nearestOnOutline(
  { outlines }: Pick<Section, 'outlines'>,
  x: number,
  h: number,
): { x: number; h: number; far: number } | undefined {
  let best: { x: number; h: number; far: number } | undefined
  for (const { points, closed } of outlines) {
    const last = closed ? points.length : points.length - 2
    for (let i = 0; i < last; i += 2) {
      const j = (i + 2) % points.length
      const [dx, dy] = [points[j] - points[i], points[j + 1] - points[i + 1]]
      const length = dx * dx + dy * dy
      const along = length > 0 ? ((x - points[i]) * dx + (h - points[i + 1]) * dy) / length : 0
      const t = Math.min(1, Math.max(0, along))
      const at = { x: points[i] + t * dx, h: points[i + 1] + t * dy }
      const far = Math.hypot(at.x - x, at.h - h)
      if (!best || far < best.far) best = { ...at, far }
    }
  }
  return best
}

function project(mesh: Mesh, axes: Axes) {
  const along = (axis: Vec3) => {
    const values = new Float64Array(mesh.positions.length / 3)
    let low = Infinity
    let high = -Infinity
    for (let v = 0; v < values.length; v++) {
      const at: Vec3 = [mesh.positions[3 * v], mesh.positions[3 * v + 1], mesh.positions[3 * v + 2]]
      values[v] = dot(at, axis)
      low = Math.min(low, values[v])
      high = Math.max(high, values[v])
    }
    return { values, low, high }
  }
  return { x: along(axes.right), y: along(axes.away), z: along(axes.up) }
}

import { clustered, measure, triangleCount, type Mesh } from '../../form/mesh/index.ts'
import { Problem } from '../../base/problem/index.ts'
import { ownForm } from '../material/index.ts'
import { crossingOf } from '../../form/shape/index.ts'
import type { OwnForm, PlanInclusion } from './inclusion.ts'
import { boundsOf, type Loops } from './region.ts'
import { coveredBy } from './thing.ts'

/** Shares are kept to this: a tenth of a percent of a hair on a charm. */
const kept = (share: number) => Math.round(share * 1e4) / 1e4

/** What a file holds of a thing, at the size it has there. */
export interface ReadForm {
  form: OwnForm
  /** Across, m. */
  across: number
  /** Enclosed, m³; of a flat outline, covered, m². */
  holds: number
}

/** Points are dropped that lie nearer to the line of their neighbours than this share of the width. */
const finest = 2e-4

/**
 * The form of a flat thing from the loops of a drawing, m; small ones that touch nothing are holes
 * or islands by even and odd. Throws `Problem('outline-too-fine')` and `Problem('outline-crosses')`.
 *
 * @example plateFrom([[0, 0, 0.02, 0, 0.02, 0.01, 0, 0.01]]).holds.toFixed(4) // '0.0002'
 */
export function plateFrom(loops: Loops): ReadForm {
  const { middle, across } = around(loops)
  let shares: number[][] = []
  for (let slack = finest; ; slack *= 2) {
    shares = loops.map((points) => thinned(points, slack * across))
    const points = shares.reduce((sum, loop) => sum + loop.length / 2, 0)
    if (points <= ownForm.points) break
    if (slack > 0.02) throw new Problem('outline-too-fine', { points, limit: ownForm.points })
  }
  const held = shares
    .map((loop) => loop.map((at, i) => kept((at - middle[i % 2]) / across)))
    .filter((loop) => loop.length >= 6)
  const crossing = crossingOf(held)
  if (crossing) throw new Problem('outline-crosses', crossing)
  return {
    form: { loops: held },
    across,
    holds: coveredBy(loops.map((points) => Array.from(points))),
  }
}

/**
 * The form of a solid thing from a closed surface, m, with few enough faces to be set in by the
 * hundred. Throws `Problem('mesh-too-open')`.
 *
 * @example solidFrom(cubeOfSide(0.01)).holds.toFixed(9) // '0.000001000'
 */
export function solidFrom(mesh: Mesh): ReadForm {
  const whole = measure(mesh)
  const few = clustered(mesh, ownForm.triangles)
  const drawn = measure(few)
  if (!(whole.volume > 0) || !(drawn.volume > 0)) throw new Problem('mesh-too-open', { share: 1 })
  const middle = [0, 1].map((k) => (drawn.low[k] + drawn.high[k]) / 2)
  let radius = 0
  for (let i = 0; i < few.positions.length; i += 3) {
    const [x, y] = [few.positions[i] - middle[0], few.positions[i + 1] - middle[1]]
    radius = Math.max(radius, Math.hypot(x, y))
  }
  const from = [...middle, drawn.low[2]]
  const corners = Array.from(few.positions, (at, i) => kept((at - from[i % 3]) / (2 * radius)))
  const faces = Array.from(few.triangles).slice(0, 3 * triangleCount(few))
  return { form: { corners, faces }, across: 2 * radius, holds: whole.volume }
}

/** The middle of loops, and the width of the circle around it that holds them. */
function around(loops: Loops): { middle: number[]; across: number } {
  const { low, high } = boundsOf(loops)
  const middle = [(low[0] + high[0]) / 2, (low[1] + high[1]) / 2]
  let radius = 0
  for (const points of loops) {
    for (let i = 0; i < points.length; i += 2) {
      radius = Math.max(radius, Math.hypot(points[i] - middle[0], points[i + 1] - middle[1]))
    }
  }
  return { middle, across: 2 * radius }
}

/**
 * A loop without the points that lie nearer than `slack` to what is kept of it.
 * Source: Ramer 1972, Douglas & Peucker 1973.
 */
function thinned(points: ArrayLike<number>, slack: number): number[] {
  const count = points.length / 2
  const keep = new Uint8Array(count)
  // A closed loop is two runs: from its first point to the one farthest from it, and back.
  let far = 0
  for (let i = 1, most = 0; i < count; i++) {
    const off = Math.hypot(points[2 * i] - points[0], points[2 * i + 1] - points[1])
    if (off > most) [far, most] = [i, off]
  }
  keep[0] = keep[far] = 1
  const runs: [number, number][] = [
    [0, far],
    [far, count],
  ]
  for (let run = runs.pop(); run; run = runs.pop()) {
    const [from, to] = run
    const end = to % count
    const [ax, ay] = [points[2 * from], points[2 * from + 1]]
    const [bx, by] = [points[2 * end] - ax, points[2 * end + 1] - ay]
    const length = Math.hypot(bx, by)
    let [at, most] = [-1, slack]
    for (let i = from + 1; i < to; i++) {
      const [x, y] = [points[2 * i] - ax, points[2 * i + 1] - ay]
      const off = length > 0 ? Math.abs(bx * y - by * x) / length : Math.hypot(x, y)
      if (off > most) [at, most] = [i, off]
    }
    if (at < 0) continue
    keep[at] = 1
    runs.push([from, at], [at, to])
  }
  const left: number[] = []
  for (let i = 0; i < count; i++) if (keep[i]) left.push(points[2 * i], points[2 * i + 1])
  return left
}

/** A drawing names no thickness: a millimetre, unless one is known, m. */
const usualThickness = 0.001

/**
 * What a thing of a form from a file is, at the size it has there: what it weighs by its density,
 * and how thick it is where it is flat.
 *
 * @example thingOfForm(plateFrom([[0, 0, 0.02, 0, 0.02, 0.01, 0, 0.01]]), { density: 1000 }).mass // 0.0002
 */
export function thingOfForm(
  { form, holds }: ReadForm,
  { density, thickness = usualThickness }: { density: number; thickness?: number },
): Pick<PlanInclusion, 'form' | 'shape' | 'thickness' | 'mass'> {
  const flat = 'loops' in form
  const volume = flat ? holds * thickness : holds
  return {
    form,
    shape: 'own',
    thickness: flat ? thickness : undefined,
    mass: Number((density * volume).toPrecision(5)),
  }
}

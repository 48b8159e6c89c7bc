import { covered, free, outline, type PlanView } from './outline.ts'

/** Sweeps stop where no height changes by more than this share of a row. */
const settled = 0.002
const mostSweeps = 1200
/** How much a height at the outline is drawn to the middle of its range, against its neighbours (assumed). */
const toMiddle = 0.05
/** Clay and cards hold a slope of 45° (common practice, no source). */
const steepestSlope = 1

/**
 * Heights of the parting, in rows, for every column: at the outline within the range in which the
 * piece's side stands there, outside as a membrane that is drawn as level as those allow, nowhere
 * outside steeper than 45° where the outline itself is not, and within it as smooth as the piece lets it be.
 * An obstacle problem for Laplace's equation, by projected successive over-relaxation (Cryer, SIAM
 * J. Control 9, 1971). `aspect`: a row's height by a column's width along right, along away.
 *
 * @example Math.round(membraneOver(planViewOf(gridOfUnitCube, 4), [1, 1])[0]) // 5 (of 10 rows)
 */
export function membraneOver(view: PlanView, aspect: readonly [number, number]): Float32Array {
  const heights = startOf(view)
  relax(view, heights, (at) => view.what[at] !== covered, toMiddle)
  limitSlope(view, heights, aspect)
  relax(view, heights, (at) => view.what[at] === covered, 0)
  return heights
}

/** Everywhere as high as the middles of the outline are on average. */
function startOf(view: PlanView): Float32Array {
  let [sum, count] = [0, 0]
  for (let at = 0; at < view.what.length; at++) {
    if (view.what[at] !== outline) continue
    sum += (view.low[at] + view.high[at]) / 2
    count++
  }
  return new Float32Array(view.what.length).fill(count > 0 ? sum / count : 0)
}

/** Laplace over the columns that move, each within the range of the piece there; `pull` to its middle. */
function relax(
  view: PlanView,
  heights: Float32Array,
  moves: (at: number) => boolean,
  pull: number,
): void {
  const { what, low, high, counts } = view
  const list = Int32Array.from(what.keys()).filter(moves)
  const beside = neighboursOf(view, list, (next) => pull === 0 || what[next] !== covered)
  const over = 2 / (1 + Math.sin(Math.PI / Math.max(...counts)))
  for (let sweep = 0; sweep < mostSweeps; sweep++) {
    let most = 0
    for (let i = 0; i < list.length; i++) {
      const at = list[i]
      const held = what[at] !== free
      let [sum, weight] = [0, 0]
      for (let k = 4 * i; k < 4 * i + 4 && beside[k] >= 0; k++, weight++) sum += heights[beside[k]]
      if (held) {
        sum += (pull * (low[at] + high[at])) / 2
        weight += pull
      }
      if (weight === 0) continue
      const before = heights[at]
      const wanted = before + over * (sum / weight - before)
      const now = held ? Math.min(high[at], Math.max(low[at], wanted)) : wanted
      heights[at] = now
      const change = Math.abs(now - before)
      if (change > most) most = change
    }
    if (most < settled) return
  }
}

/** Of each column up to four beside it that count, then −1. */
function neighboursOf(
  { counts: [width, depth] }: PlanView,
  list: Int32Array,
  counts: (next: number) => boolean,
): Int32Array {
  const beside = new Int32Array(4 * list.length).fill(-1)
  list.forEach((at, i) => {
    let k = 4 * i
    const join = (there: boolean, next: number) => {
      if (there && counts(next)) beside[k++] = next
    }
    join(at % width > 0, at - 1)
    join(at % width < width - 1, at + 1)
    join(at >= width, at - width)
    join(at < width * (depth - 1), at + width)
  })
  return beside
}

/** Free columns between the highest and the lowest that a slope of 45° from the outline allows. */
function limitSlope(view: PlanView, heights: Float32Array, aspect: readonly [number, number]) {
  const highest = envelope(view, heights, aspect, 1)
  const lowest = envelope(view, heights, aspect, -1)
  for (let at = 0; at < heights.length; at++) {
    if (view.what[at] !== free || !Number.isFinite(highest[at])) continue
    const [least, most] = [lowest[at], highest[at]]
    heights[at] = least > most ? (least + most) / 2 : Math.min(most, Math.max(least, heights[at]))
  }
}

/** The least (or with −1 the most) of height plus way, over ways through free columns: a chamfer distance. */
function envelope(
  { counts: [width, depth], what }: PlanView,
  heights: Float32Array,
  [across, along]: readonly [number, number],
  sign: 1 | -1,
): Float32Array {
  const found = heights.map((height, at) => (what[at] === outline ? sign * height : Infinity))
  const steps = [
    { x: -1, y: 0 },
    { x: -1, y: -1 },
    { x: 0, y: -1 },
    { x: 1, y: -1 },
  ].map(({ x, y }) => ({ x, y, way: steepestSlope * Math.hypot(x / across, y / along) }))
  let changed = true
  while (changed) {
    changed = false
    for (const turn of [1, -1]) {
      for (let i = 0; i < found.length; i++) {
        const at = turn > 0 ? i : found.length - 1 - i
        if (what[at] !== free) continue
        const [x, y] = [at % width, Math.floor(at / width)]
        for (const step of steps) {
          const [fromX, fromY] = [x + turn * step.x, y + turn * step.y]
          if (fromX < 0 || fromX >= width || fromY < 0 || fromY >= depth) continue
          const reached = found[fromY * width + fromX] + step.way
          if (reached < found[at] - settled) {
            found[at] = reached
            changed = true
          }
        }
      }
    }
  }
  return sign > 0 ? found : found.map((value) => -value)
}

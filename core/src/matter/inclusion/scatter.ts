import { uniformFloat64 } from 'pure-rand/distribution/uniformFloat64'
import { xoroshiro128plus } from 'pure-rand/generator/xoroshiro128plus'
import type { Pattern, ThingPlace } from './inclusion.ts'
import { Near, type Taken } from './near.ts'
import { areaWithin, boundsOf, isInside, wallDistance, type Loops } from './region.ts'
import { rowsIn } from './rows.ts'

/** Kept free around a thing, m: to the wall, and to the next (common practice, no source). */
export const clearance = { wall: 0.002, thing: 0.001 } as const

/** Tries for each thing before it is said that no more fit. */
const tries = 60
/** Of these the one farthest from all others is taken: even, but not in rows. */
const candidates = 10
/** A gap is looked for in steps of this share of a thing. */
const gapSteps = 5
/** Turn from one seed of a sunflower to the next, radians. */
const golden = Math.PI * (3 - Math.sqrt(5))
/** A ring is laid at this share of what the outline gives. */
const ringAt = 0.72

export interface ScatterOptions {
  pattern: Pattern
  seed: number
  /** Half the width of the largest, m, and of the i-th as a share of it. */
  half: number
  share?: (i: number) => number
  /** Height of the i-th, underside and top, m; things that pass over one another need no room. */
  heights?: (i: number) => readonly [low: number, high: number]
  /** What the pattern follows where it is a line. */
  line?: readonly (readonly [x: number, y: number])[]
  taken?: readonly Taken[]
  /** Where the i-th has room, if that is not the same for all. */
  within?: (i: number) => Loops
  /** Where there is room in this too, a thing would sink on. */
  notWithin?: Loops
}

/**
 * Places for so many things that neither overlap nor come nearer to the wall than they should: the
 * same for the same seed. Fewer where no more fit.
 *
 * @example scatter([Float64Array.of(0, 0, 0.1, 0, 0.1, 0.1, 0, 0.1)], 40, { pattern: 'even', seed: 1, half: 0.001 }).length // 40
 */
export function scatter(
  loops: Loops,
  count: number,
  {
    pattern,
    seed,
    half: largest,
    share = () => 1,
    heights = () => [0, 0],
    line,
    taken = [],
    within,
    notWithin,
  }: ScatterOptions,
): ThingPlace[] {
  const random = xoroshiro128plus(seed)
  const next = () => uniformFloat64(random)
  const { low, high } = boundsOf(loops)
  if (!(high[0] > low[0])) return []
  const middle = [(low[0] + high[0]) / 2, (low[1] + high[1]) / 2]
  const reach = Math.min(high[0] - low[0], high[1] - low[1]) / 2 - clearance.wall - largest
  const pitch = 2 * largest + clearance.thing
  const spacing = pattern === 'even' ? Math.sqrt(areaWithin(loops) / count) : 0
  let near = new Near(Math.max(pitch, spacing), taken)
  const along = pattern === 'line' && line ? alongLine(line) : undefined
  let half = largest
  let [floor, roof] = heights(0)
  let region = loops
  const roomIn = (loops: Loops, x: number, y: number) =>
    isInside(loops, x, y) && wallDistance(loops, x, y) >= clearance.wall + half
  const fits = (x: number, y: number) =>
    near.room(x, y, half, floor, roof) >= clearance.thing &&
    roomIn(region, x, y) &&
    !(notWithin && roomIn(notWithin, x, y))
  const anywhere = (): [number, number] => [
    low[0] + next() * (high[0] - low[0]),
    low[1] + next() * (high[1] - low[1]),
  ]
  /** Where the pattern would have the i-th of them. */
  const drawn = (i: number): [number, number] => {
    if (along) return along((i + 0.5) / count)
    if (pattern === 'ring') {
      const angle = (2 * Math.PI * (i + 0.15 * next())) / count
      const far = ringAt * reach
      return [middle[0] + far * Math.cos(angle), middle[1] + far * Math.sin(angle)]
    }
    if (pattern === 'spiral') {
      const far = reach * Math.sqrt((i + 0.5) / count)
      return [middle[0] + far * Math.cos(i * golden), middle[1] + far * Math.sin(i * golden)]
    }
    if (pattern === 'cluster') {
      const far = 0.4 * reach * Math.sqrt(-2 * Math.log(1 - next()))
      const angle = 2 * Math.PI * next()
      return [middle[0] + far * Math.cos(angle), middle[1] + far * Math.sin(angle)]
    }
    return anywhere()
  }
  /** Gaps row by row, where chance finds none any more; what was too narrow stays so. */
  function* gaps(): Generator<[number, number]> {
    const step = pitch / gapSteps
    for (let y = low[1]; y <= high[1]; y += step) {
      for (let x = low[0]; x <= high[0]; x += step) if (fits(x, y)) yield [x, y]
    }
  }
  let left = gaps()
  const places: ThingPlace[] = []
  const put = (x: number, y: number) => {
    near.add({ x, y, half, floor, roof })
    places.push({ x, y, turn: 2 * Math.PI * next() })
  }
  const take = (i: number) => {
    half = largest * share(i)
    ;[floor, roof] = heights(i)
    region = within?.(i) ?? loops
  }
  const fill = () => {
    for (let i = places.length; i < count; i++) {
      take(i)
      let best: [number, number] | undefined
      let bestRoom = -1
      for (let k = 0, found = 0; k < tries && found < (pattern === 'even' ? candidates : 1); k++) {
        // What the pattern has no room for goes wherever there is some.
        const at = k < tries / 2 ? drawn(i) : anywhere()
        if (!fits(...at)) continue
        found++
        const room = near.room(...at, half, floor, roof)
        if (room > bestRoom) [best, bestRoom] = [at, room]
      }
      best ??= left.next().value as [number, number] | undefined
      if (!best) return
      put(...best)
    }
  }
  fill()
  const short = places.length > 0 && places.length < count
  if (!short || pattern !== 'even' || within || notWithin) return places
  near = new Near(pitch, taken)
  const spans = Array.from({ length: count }, (_, i) => heights(i))
  half = largest
  floor = Math.min(...spans.map(([from]) => from))
  roof = Math.max(...spans.map(([, to]) => to))
  const rows = evenlyFew(rowsIn(low, high, pitch, fits), count)
  if (rows.length <= places.length) return places
  places.length = 0
  rows.forEach((at, i) => {
    take(i)
    put(...at)
  })
  left = gaps()
  fill()
  return places
}

/** So many of them, left out evenly. */
function evenlyFew<T>(all: T[], count: number): T[] {
  const spare = Math.max(0, all.length - count) / all.length
  return all.filter((_, i) => Math.floor((i + 1) * spare) === Math.floor(i * spare))
}

/** Places along a drawn line, by the share of its length. */
function alongLine(line: readonly (readonly [number, number])[]) {
  const ends = [0]
  for (let i = 1; i < line.length; i++) {
    ends.push(ends[i - 1] + Math.hypot(line[i][0] - line[i - 1][0], line[i][1] - line[i - 1][1]))
  }
  const whole = ends[ends.length - 1]
  return (share: number): [number, number] => {
    const far = share * whole
    let i = 1
    while (i < line.length - 1 && ends[i] < far) i++
    const length = ends[i] - ends[i - 1]
    const t = length > 0 ? (far - ends[i - 1]) / length : 0
    return [
      line[i - 1][0] + t * (line[i][0] - line[i - 1][0]),
      line[i - 1][1] + t * (line[i][1] - line[i - 1][1]),
    ]
  }
}

import { uniformFloat64 } from 'pure-rand/distribution/uniformFloat64'
import { xoroshiro128plus } from 'pure-rand/generator/xoroshiro128plus'
import type { Pattern, Place } from './inclusion.ts'
import { boundsOf, isInside, wallDistance, type Loops } from './region.ts'

/** Kept free around a thing, m: to the wall, and to the next (common practice, no source). */
export const clearance = { wall: 0.002, thing: 0.001 } as const

/** Something that lies there already: its middle and half its width, m. */
export interface Taken {
  x: number
  y: number
  half: number
}

/** Tries for each thing before it is said that no more fit. */
const tries = 60
/** Of these the one farthest from all others is taken: even, but not in rows. */
const candidates = 5
/** A gap is looked for in steps of this share of a thing. */
const gapSteps = 5
/** Turn from one seed of a sunflower to the next, radians. */
const golden = Math.PI * (3 - Math.sqrt(5))

export interface ScatterOptions {
  pattern: Pattern
  seed: number
  /** Half the width of one, m. */
  half: number
  taken?: readonly Taken[]
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
  { pattern, seed, half, taken = [] }: ScatterOptions,
): Place[] {
  const random = xoroshiro128plus(seed)
  const next = () => uniformFloat64(random)
  const { low, high } = boundsOf(loops)
  if (!(high[0] > low[0])) return []
  const middle = [(low[0] + high[0]) / 2, (low[1] + high[1]) / 2]
  const reach = Math.min(high[0] - low[0], high[1] - low[1]) / 2 - clearance.wall - half
  const near = new Near(2 * half + clearance.thing, taken)
  const fits = (x: number, y: number) =>
    near.room(x, y, half) >= clearance.thing &&
    isInside(loops, x, y) &&
    wallDistance(loops, x, y) >= clearance.wall + half
  const anywhere = (): [number, number] => [
    low[0] + next() * (high[0] - low[0]),
    low[1] + next() * (high[1] - low[1]),
  ]
  /** Where the pattern would have the i-th of them. */
  const drawn = (i: number): [number, number] => {
    if (pattern === 'ring') {
      const angle = (2 * Math.PI * (i + 0.15 * next())) / count
      return [
        middle[0] + 0.72 * reach * Math.cos(angle),
        middle[1] + 0.72 * reach * Math.sin(angle),
      ]
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
    const step = (2 * half + clearance.thing) / gapSteps
    for (let y = low[1]; y <= high[1]; y += step) {
      for (let x = low[0]; x <= high[0]; x += step) if (fits(x, y)) yield [x, y]
    }
  }
  const left = gaps()
  const places: Place[] = []
  for (let i = 0; i < count; i++) {
    let best: [number, number] | undefined
    let bestRoom = -1
    for (let k = 0, found = 0; k < tries && found < (pattern === 'even' ? candidates : 1); k++) {
      // What the pattern has no room for goes wherever there is some.
      const at = k < tries / 2 ? drawn(i) : anywhere()
      if (!fits(...at)) continue
      found++
      const room = near.room(...at, half)
      if (room > bestRoom) [best, bestRoom] = [at, room]
    }
    best ??= left.next().value as [number, number] | undefined
    if (!best) break
    near.add({ x: best[0], y: best[1], half })
    places.push({ x: best[0], y: best[1], turn: 2 * Math.PI * next() })
  }
  return places
}

/** Things in cells, so that only those nearby are looked at. */
class Near {
  private readonly cells = new Map<string, Taken[]>()
  private readonly side: number
  private widest = 0

  constructor(side: number, taken: readonly Taken[]) {
    this.side = Math.max(side, ...taken.map(({ half }) => 2 * half), 1e-4)
    taken.forEach((one) => this.add(one))
  }

  add(one: Taken): void {
    const key = this.key(one.x, one.y)
    const known = this.cells.get(key)
    if (known) known.push(one)
    else this.cells.set(key, [one])
    this.widest = Math.max(this.widest, one.half)
  }

  /** Between a thing here and the nearest other, m; no farther than two cells are looked. */
  room(x: number, y: number, half: number): number {
    let best = 2 * this.side
    for (let dy = -2; dy <= 2; dy++) {
      for (let dx = -2; dx <= 2; dx++) {
        const there = this.cells.get(this.key(x + dx * this.side, y + dy * this.side)) ?? []
        for (const other of there) {
          best = Math.min(best, Math.hypot(other.x - x, other.y - y) - other.half - half)
        }
      }
    }
    return best
  }

  private key(x: number, y: number): string {
    return `${Math.floor(x / this.side)} ${Math.floor(y / this.side)}`
  }
}

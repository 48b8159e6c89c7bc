import { uniformFloat64 } from 'pure-rand/distribution/uniformFloat64'
import { xoroshiro128plus } from 'pure-rand/generator/xoroshiro128plus'
import type { PlanInclusion } from './inclusion.ts'

/** So that heights do not follow places: another stream of chance than the layout's. */
const other = 0x51ed

/**
 * How high above its floor each of a layout lies, m: evenly over the depth or its middle third, or
 * dense at one end and thinning evenly to none at the other. Without a spread all lie on the floor.
 *
 * @example spreadOver({ count: 4, spread: 'even' }, 0.01)(9) < 0.01 // true
 */
export function spreadOver(
  { count, spread, seed = 1 }: Pick<PlanInclusion, 'count' | 'spread' | 'seed'>,
  depth: number,
): (i: number) => number {
  if (!spread || !(depth > 0)) return () => 0
  const random = xoroshiro128plus(seed ^ other)
  const shares = Array.from({ length: count }, (_, i) => (i + uniformFloat64(random)) / count)
  for (let i = count - 1; i > 0; i--) {
    const k = Math.floor(uniformFloat64(random) * (i + 1))
    ;[shares[i], shares[k]] = [shares[k], shares[i]]
  }
  return (i) => {
    const share = shares[i % count]
    if (spread === 'even') return share * depth
    if (spread === 'middle third') return ((1 + share) / 3) * depth
    // The share below a height, of what thins evenly to none: 1 − (1 − h)².
    const low = 1 - Math.sqrt(1 - share)
    return (spread === 'dense below' ? low : 1 - low) * depth
  }
}

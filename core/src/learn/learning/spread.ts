/** What was seen of a value: how often, in the middle, and where most of it lies. */
export interface Spread {
  count: number
  middle: number
  low: number
  high: number
}

/** Eight in ten lie between both ends: what is rare is no rule. */
const ends = [0.1, 0.9] as const

/**
 * The median of what was seen, and between which values eight in ten of it lie (Hyndman & Fan 1996,
 * type 7). Undefined where nothing was seen.
 *
 * @example spreadOf([10, 20, 30])!.middle // 20
 */
export function spreadOf(values: readonly number[]): Spread | undefined {
  if (values.length === 0) return undefined
  const sorted = values.toSorted((a, b) => a - b)
  const at = (share: number) => {
    const place = share * (sorted.length - 1)
    const [below, above] = [sorted[Math.floor(place)], sorted[Math.ceil(place)]]
    return below + (above - below) * (place - Math.floor(place))
  }
  return { count: values.length, middle: at(0.5), low: at(ends[0]), high: at(ends[1]) }
}

import jStat from 'jstat'

/** What was seen of a time of hands: how often, in the middle, and where most of it lies. */
export interface Spread {
  count: number
  middle: number
  low: number
  high: number
}

/** Eight in ten lie between both ends: what is rare is no rule. */
const upper = 0.9

/**
 * The median of what was seen, and between which values the next will lie eight times in ten: the
 * prediction interval of Student's t on the logarithms, for times of hands lie lopsided (Hahn &
 * Meeker 1991). Of one value alone nothing is known of the next. Undefined where nothing was seen.
 *
 * @param values over 0
 * @example spreadOf([10, 20, 30])!.middle // 20
 */
export function spreadOf(values: readonly number[]): Spread | undefined {
  const count = values.length
  if (count === 0) return undefined
  const sorted = values.toSorted((a, b) => a - b)
  const middle = (sorted[(count - 1) >> 1] + sorted[count >> 1]) / 2
  if (count === 1) return { count, middle, low: 0, high: Infinity }
  const logs = values.map(Math.log)
  const mean = logs.reduce((sum, log) => sum + log, 0) / count
  const variance = logs.reduce((sum, log) => sum + (log - mean) ** 2, 0) / (count - 1)
  const away = jStat.studentt.inv(upper, count - 1) * Math.sqrt(variance * (1 + 1 / count))
  return { count, middle, low: Math.exp(mean - away), high: Math.exp(mean + away) }
}

/** Where a root lies between two places with values of unlike sign. */
export interface Bracket {
  low: number
  high: number
  atLow: number
  atHigh: number
}

/**
 * Root of a continuous function within a bracket by the Illinois rule (Dowell & Jarratt 1971,
 * from memory): false position that halves the value kept twice.
 *
 * @example illinois((x) => x * x - 2, { low: 1, high: 2, atLow: -1, atHigh: 2 }, 1e-9) // 1.41421356
 */
export function illinois(f: (x: number) => number, bracket: Bracket, tolerance: number): number {
  let { low, high, atLow, atHigh } = bracket
  for (let i = 0; i < 60; i++) {
    const x = (low * atHigh - high * atLow) / (atHigh - atLow)
    const value = f(x)
    if (Math.abs(value) <= tolerance || Math.abs(high - low) < 1e-12) return x
    if (value > 0 === atHigh > 0) {
      high = x
      atHigh = value
      atLow /= 2
    } else {
      low = high
      atLow = atHigh
      high = x
      atHigh = value
    }
  }
  return high
}

/**
 * Root of a falling function of any x, beginning at `from` and looking further by `stride` at a
 * time; undefined when it keeps its sign for `most` strides.
 */
export function findFalling(
  f: (x: number) => number,
  from: number,
  stride: number,
  tolerance: number,
  most = 40,
): number | undefined {
  let x = from
  let value = f(x)
  if (Math.abs(value) <= tolerance) return x
  const way = value > 0 ? stride : -stride
  for (let i = 0; i < most; i++) {
    const next = x + way
    const ahead = f(next)
    if (ahead > 0 !== value > 0) {
      return illinois(f, { low: x, atLow: value, high: next, atHigh: ahead }, tolerance)
    }
    x = next
    value = ahead
  }
  return undefined
}

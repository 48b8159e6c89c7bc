import jStat from 'jstat'

/** So many of so many. */
export interface Count {
  seen: number
  of: number
  /** So many of their own they are worth, where they share their luck; all of them where not said. */
  worth?: number
}

/** What share lies behind a count, with how sure that is. */
export interface Share {
  low: number
  middle: number
  high: number
}

/** Nine times in ten the true share lies within. */
const within = 0.9

/**
 * The share behind a count, with nothing known before: the interval of nine in ten of a beta
 * distribution with one added to both sides (Bayes 1763, uniform prior).
 *
 * @example rateOf({ seen: 0, of: 4 }).high.toFixed(2) // '0.45'
 */
export function rateOf(count: Count): Share {
  const [a, b] = shapesOf(count)
  const tail = (1 - within) / 2
  return {
    low: jStat.beta.inv(tail, a, b),
    middle: a / (a + b),
    high: jStat.beta.inv(1 - tail, a, b),
  }
}

/** Both parameters of its beta distribution. */
function shapesOf(count: Count): [number, number] {
  const { seen, of } = count
  const each = of > 0 ? worthOf(count) / of : 1
  return [1 + seen * each, 1 + (of - seen) * each]
}

/** Before and after a change, and whether it can be said to have helped. */
export interface Effect {
  before: Count
  after: Count
  /** Of the shares behind them. */
  was: Share
  is: Share
  /** How likely the share is smaller now than before, 0..1. */
  better: number
  verdict: 'too early' | 'helped' | 'no difference seen' | 'worse'
}

const worthOf = ({ of, worth = of }: Count): number => worth

/**
 * Said to have helped from here on; from less than two pulls nothing is claimed:
 * a usual pull of six casts is worth 2.4 of their own.
 */
const sure = 0.9
const fewest = 2.5

/**
 * Whether a change did something about a fault: both shares as beta distributions, and how likely
 * the later is the smaller.
 *
 * @example effectOf({ seen: 3, of: 3 }, { seen: 0, of: 4 }).verdict // 'helped'
 */
export function effectOf(before: Count, after: Count): Effect {
  const better = smaller(after, before)
  const verdict =
    worthOf(before) < fewest || worthOf(after) < fewest
      ? 'too early'
      : better >= sure
        ? 'helped'
        : better <= 1 - sure
          ? 'worse'
          : 'no difference seen'
  return { before, after, was: rateOf(before), is: rateOf(after), better, verdict }
}

/** Stretches of Simpson's rule; an even number. */
const stretches = 400

/** How likely a share is smaller than another: P(X < Y) = ∫ F_X(x) f_Y(x) dx, by Simpson's rule. */
function smaller(one: Count, other: Count): number {
  const [a, b] = shapesOf(one)
  const [c, d] = shapesOf(other)
  let sum = 0
  for (let i = 0; i <= stretches; i++) {
    const x = i / stretches
    const weight = i === 0 || i === stretches ? 1 : i % 2 === 1 ? 4 : 2
    sum += weight * jStat.beta.cdf(x, a, b) * jStat.beta.pdf(x, c, d)
  }
  return sum / (3 * stretches)
}

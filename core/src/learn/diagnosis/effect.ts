/** So many of so many. */
export interface Count {
  seen: number
  of: number
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
export function rateOf({ seen, of }: Count): Share {
  const [a, b] = [seen + 1, of - seen + 1]
  const tail = (1 - within) / 2
  return { low: betaAt(tail, a, b), middle: a / (a + b), high: betaAt(1 - tail, a, b) }
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

/** Said to have helped from here on; from one pull nothing is claimed. */
const sure = 0.9
const fewest = 2

/**
 * Whether a change did something about a fault: both shares as beta distributions, and how likely
 * the later is the smaller.
 *
 * @example effectOf({ seen: 3, of: 3 }, { seen: 0, of: 4 }).verdict // 'helped'
 */
export function effectOf(before: Count, after: Count): Effect {
  const better = smaller(after, before)
  const verdict =
    before.of < fewest || after.of < fewest
      ? 'too early'
      : better >= sure
        ? 'helped'
        : better <= 1 - sure
          ? 'worse'
          : 'no difference seen'
  return { before, after, was: rateOf(before), is: rateOf(after), better, verdict }
}

/**
 * How likely a share is smaller than another: P(X < Y) of two beta distributions with whole
 * parameters, in closed form (E. Miller 2014, sum of beta functions).
 */
function smaller(one: Count, other: Count): number {
  const [a1, b1] = [one.seen + 1, one.of - one.seen + 1]
  const [a2, b2] = [other.seen + 1, other.of - other.seen + 1]
  let sum = 0
  for (let i = 0; i < a2; i++) {
    sum += Math.exp(
      logBeta(a1 + i, b1 + b2) - Math.log(b2 + i) - logBeta(1 + i, b2) - logBeta(a1, b1),
    )
  }
  return sum
}

const logBeta = (a: number, b: number): number =>
  logFactorial(a - 1) + logFactorial(b - 1) - logFactorial(a + b - 1)

const factorials = [0]
function logFactorial(n: number): number {
  while (factorials.length <= n) factorials.push(factorials.at(-1)! + Math.log(factorials.length))
  return factorials[n]
}

/** The value under which a share of a beta distribution with whole parameters lies, by halving. */
function betaAt(share: number, a: number, b: number): number {
  let [low, high] = [0, 1]
  for (let i = 0; i < 50; i++) {
    const middle = (low + high) / 2
    if (betaBelow(middle, a, b) < share) low = middle
    else high = middle
  }
  return (low + high) / 2
}

/** Of a beta distribution with whole parameters, below x: a tail of the binomial (Abramowitz & Stegun 26.5.24). */
function betaBelow(x: number, a: number, b: number): number {
  const n = a + b - 1
  let sum = 0
  for (let j = a; j <= n; j++) {
    const log = logFactorial(n) - logFactorial(j) - logFactorial(n - j)
    sum += Math.exp(log + j * Math.log(x) + (n - j) * Math.log1p(-x))
  }
  return sum
}

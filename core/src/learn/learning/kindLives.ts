import jStat from 'jstat'
import {
  detailOf,
  details,
  lifeFactor,
  mouldKindNames,
  mouldKinds,
  type KindLives,
  type LearnedLife,
  type Detail,
  type Mould,
  type MouldKind,
} from '../../mould/index.ts'

/** How often a mould was pulled, and whether that was all of its life. */
export interface KnownLife {
  mould: Pick<Mould, 'kind' | 'coats' | 'wish'>
  pulls: number
  ended: boolean
}

/** Ends of a band of nine in ten, in standard deviations. */
const nineInTen = 1.645
/** Of the spread of a kind's lives, half lies between studios, half between moulds of one (assumed). */
const between = 0.5
/** Means that are weighed, and how far to both sides, in standard deviations. */
const meansWeighed = 81
const meansTo = 4

/**
 * Lives of moulds by kind as a studio's own have shown them. The logarithm of a life is normal; its
 * mean in this studio is not known and has the trade's band for its prior. Moulds still in use are
 * known to last longer than they have: they are censored (Meeker & Escobar, Statistical Methods for
 * Reliability Data, 1998, ch. 14). Kinds of which no mould has ended are left as they usually are.
 *
 * @example kindLivesOf([]) // {}
 */
export function kindLivesOf(known: readonly KnownLife[]): KindLives {
  const found: KindLives = {}
  for (const kind of mouldKindNames) {
    for (const detail of details) {
      const own = known.filter(({ mould }) => mould.kind === kind && detailOf(mould) === detail)
      if (own.some(({ ended }) => ended)) {
        found[kind] = { ...found[kind], [detail]: learned(kind, detail, own) }
      }
    }
  }
  return found
}

function learned(kind: MouldKind, detail: Detail, own: readonly KnownLife[]): LearnedLife {
  const { pulls, lives } = mouldKinds[kind]
  const [least, most] = lives[detail]
  const usual = Math.log(pulls[detail])
  const spread = Math.log(most / least) / (2 * nineInTen)
  const [studio, mould] = [spread * Math.sqrt(between), spread * Math.sqrt(1 - between)]
  const logs = own.map(({ mould: made, pulls: given, ended }) => ({
    log: Math.log(Math.max(1, given) / lifeFactor(made.kind, made)),
    ended,
  }))
  const weighed = Array.from({ length: meansWeighed }, (_, i) => {
    const mean = usual + studio * meansTo * ((2 * i) / (meansWeighed - 1) - 1)
    const prior = -(((mean - usual) / studio) ** 2) / 2
    const likelihood = logs.reduce((sum, { log, ended }) => {
      const z = (log - mean) / mould
      return sum + (ended ? -(z * z) / 2 : Math.log(Math.max(1e-300, above(z))))
    }, 0)
    return { mean, log: prior + likelihood }
  })
  const highest = Math.max(...weighed.map(({ log }) => log))
  const weights = weighed.map(({ mean, log }) => ({ mean, weight: Math.exp(log - highest) }))
  const all = weights.reduce((sum, { weight }) => sum + weight, 0)
  const below = (log: number) =>
    weights.reduce((sum, { mean, weight }) => sum + weight * (1 - above((log - mean) / mould)), 0) /
    all
  const quantile = (share: number) => Math.max(1, Math.round(Math.exp(solve(below, share, usual))))
  const ended = own.filter((one) => one.ended).length
  return {
    life: quantile(0.5),
    band: [quantile(0.05), quantile(0.95)],
    ended,
    running: own.length - ended,
  }
}

/** Of a standard normal, what lies above z. */
const above = (z: number): number => 1 - jStat.normal.cdf(z, 0, 1)

/** Where a rising share is met, by bisection. */
function solve(below: (log: number) => number, share: number, from: number): number {
  let [low, high] = [from - 8, from + 8]
  for (let i = 0; i < 50; i++) {
    const middle = (low + high) / 2
    if (below(middle) < share) low = middle
    else high = middle
  }
  return (low + high) / 2
}

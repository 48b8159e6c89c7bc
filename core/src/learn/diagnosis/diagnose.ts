import { causeNames, type CauseName } from './causes.ts'
import type { Finding } from './finding.ts'
import { likelihoods } from './likelihoods.ts'
import { shows, signNames, signTable, type SignName } from './signs.ts'

/** One sign of a cause: how much more often it is seen with this cause than with any. */
export interface Evidence {
  sign: SignName
  /** Seen, or looked for and not there. */
  seen: boolean
  /** Times more likely that it is so with this cause than without knowing the cause. */
  weight: number
}

/** A cause with what speaks for and against it. */
export interface Suspect {
  cause: CauseName
  /** 0..1, all that are told sum to 1 or less. */
  likely: number
  speaks: Evidence[]
  against: Evidence[]
}

export interface Diagnosis {
  /** The likeliest first; none under a hundredth. */
  suspects: Suspect[]
  /** What was not told and would tell the first two apart best, the best first. */
  ask: SignName[]
}

/** Evidence under this is noise in a table of guesses. */
const worthTelling = 1.25
const leastLikely = 0.01
/** A way that nobody listed: any sign, as often as usual. */
const mostAsked = 3

/** How often a sign is as it is seen, with a cause and anyway. */
function odds(cause: CauseName, sign: SignName, seen: boolean): number {
  const { usual } = signTable[sign]
  const with_ = likelihoods[cause].signs[sign] ?? usual
  return seen ? with_ / usual : (1 - with_) / (1 - usual)
}

/**
 * What lies behind a fault, by Bayes over the table of likelihoods with signs taken as independent
 * of each other: prior of the cause for this fault times the odds of every sign that was told.
 * What was not told counts neither way. Common practice, no source.
 *
 * @example diagnose({ fault: 'bent', facts: { demouldedAt: 0.5 } }).suspects[0].cause // 'demoulded early'
 */
export function diagnose(finding: Finding): Diagnosis {
  const told = signNames.flatMap((sign) => {
    const seen = shows(finding, sign)
    return seen === undefined ? [] : [{ sign, seen }]
  })
  const weighed = causeNames.flatMap((cause) => {
    const prior = likelihoods[cause].makes[finding.fault]
    if (prior === undefined) return []
    const evidence = told.map(({ sign, seen }): Evidence => ({
      sign,
      seen,
      weight: odds(cause, sign, seen),
    }))
    return [{ cause, evidence, weight: evidence.reduce((all, one) => all * one.weight, prior) }]
  })
  const sum = weighed.reduce((all, { weight }) => all + weight, 0)
  const suspects = weighed
    .map(({ cause, evidence, weight }): Suspect => ({
      cause,
      likely: weight / sum,
      speaks: strongest(evidence.filter((one) => one.weight >= worthTelling)),
      against: strongest(evidence.filter((one) => one.weight <= 1 / worthTelling)),
    }))
    .filter(({ likely }) => likely >= leastLikely)
    .toSorted((a, b) => b.likely - a.likely)
  return { suspects, ask: tellingApart(suspects, new Set(told.map(({ sign }) => sign))) }
}

const strongest = (evidence: Evidence[]): Evidence[] =>
  evidence.toSorted((a, b) => Math.abs(Math.log(b.weight)) - Math.abs(Math.log(a.weight)))

/** Signs not told that split the first from the second: by how far their likelihoods lie apart. */
function tellingApart(suspects: readonly Suspect[], told: ReadonlySet<SignName>): SignName[] {
  const [first, second] = suspects
  if (!second) return []
  const of = (cause: CauseName, sign: SignName) =>
    likelihoods[cause].signs[sign] ?? signTable[sign].usual
  return signNames
    .filter((sign) => !told.has(sign))
    .map((sign) => ({ sign, apart: Math.abs(of(first.cause, sign) - of(second.cause, sign)) }))
    .filter(({ apart }) => apart > 0.3)
    .toSorted((a, b) => b.apart - a.apart)
    .slice(0, mostAsked)
    .map(({ sign }) => sign)
}

import type { Mould } from '../mould.ts'
import { mouldKinds, type MouldKind } from './kinds.ts'
import { detailOf, kindLife, type KindLives } from './lives.ts'

/** What one kind of mould comes to for this piece. */
export interface KindSums {
  kind: MouldKind
  /** kg of silicone for one mould, and its price. */
  silicone: number
  siliconePrice: number
  hands: number
  days: number
  pulls: number
  /** Casts of each pull. */
  cavities: number
  /** Minutes for each pull: cleaning, and for a hollow cast turning. */
  cleaning: number
  turning: number
}

/** A cast that is turned: minutes that hands are at it, each time. */
export interface TurnedCast {
  minutes: number
}

/** Kinds whose wear depends on how deep the silicone is undercut. */
const perUndercut = 4

/**
 * Sums of a kind from its facts, the silicone it takes, and how deep the piece is undercut
 * (blocked silicone as a share of the piece): deep undercuts wear a mould sooner.
 */
export function sumsOf(
  kind: MouldKind,
  { silicone, price }: { silicone: number; price: number },
  mould: Pick<Mould, 'coats' | 'wish' | 'cavities'>,
  undercut: number,
  { lives, turned }: { lives?: KindLives; turned?: TurnedCast } = {},
): KindSums {
  const facts = mouldKinds[kind]
  const { life } = kindLife(kind, mould, lives)
  return {
    kind,
    silicone,
    siliconePrice: silicone * price,
    hands: facts.hands,
    days: facts.days,
    pulls: Math.max(1, Math.round(life / (1 + perUndercut * undercut))),
    cavities: mould.cavities,
    cleaning: facts.cleaning[detailOf(mould)],
    turning: turned?.minutes ?? 0,
  }
}

/** Moulds that a number of copies wears out. @example mouldsFor({ pulls: 10, cavities: 2 }, 30) // 2 */
export const mouldsFor = (
  { pulls, cavities }: Pick<KindSums, 'pulls' | 'cavities'>,
  copies: number,
) => Math.ceil(copies / (pulls * cavities))

/**
 * In the studio's money, for all copies: moulds as often as they wear out, every cleaning, and the
 * turning of what is cast hollow.
 */
export function costOf(sums: KindSums, copies: number, hourPrice: number): number {
  const moulds = mouldsFor(sums, copies)
  return (
    moulds * (sums.siliconePrice + sums.hands * hourPrice) +
    copies * (minutesOf(sums) / 60) * hourPrice
  )
}

/** Minutes of hands for each cast. @example minutesOf({ cleaning: 5, turning: 16 }) // 21 */
export const minutesOf = ({ cleaning, turning }: Pick<KindSums, 'cleaning' | 'turning'>): number =>
  cleaning + turning

/** For each copy. @example costPerCopy({ siliconePrice: 6, hands: 1, pulls: 5, cavities: 1, cleaning: 15, turning: 0 }, 5, 20) // 10.2 */
export const costPerCopy = (sums: KindSums, copies: number, hourPrice: number): number =>
  costOf(sums, copies, hourPrice) / copies

/** Another kind has to save this much to be worth a change: estimates are no finer. */
const worthChanging = 0.05

/** Where the cheapest kind changes, from one copy up: its copies and the kind from there on. */
export function cheapestFrom(
  all: readonly KindSums[],
  hourPrice: number,
  most = 100,
): { copies: number; kind: MouldKind }[] {
  const changes: { copies: number; kind: MouldKind }[] = []
  let now: KindSums | undefined
  for (let copies = 1; copies <= most; copies++) {
    const cost = (sums: KindSums) => costOf(sums, copies, hourPrice)
    const best = all.reduce((a, b) => (cost(b) < cost(a) ? b : a))
    if (now && cost(best) > cost(now) * (1 - worthChanging)) continue
    if (now !== best) changes.push({ copies, kind: best.kind })
    now = best
  }
  return changes
}

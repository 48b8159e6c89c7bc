import type { MouldGeometry } from '../geometry.ts'
import { openBlocked, openShare, shareBlocked, weakBelow } from '../geometry.ts'
import type { Mould } from '../mould.ts'
import { costOf, minutesOf, mouldsFor, type KindSums, type TurnedCast } from './cost.ts'
import { mouldKinds } from './kinds.ts'

/** What speaks for or against a kind of mould; sentences stand in the words. */
export type KindReason =
  | { reason: 'wears-out'; pulls: number; moulds: number; copies: number }
  | { reason: 'one-mould'; copies: number }
  | {
      reason:
        | 'seam-shows'
        | 'no-seam'
        | 'seam-hidden'
        | 'straight-out'
        | 'grooves-fray'
        | 'block-heavy'
        | 'locked'
        | 'undercut-both'
        | 'parts-cleanly'
        | 'hinge-large'
        | 'little-silicone'
        | 'brushing-small'
        | 'shell-hides'
        | 'thin-to-brush'
        | 'thin-tears'
        | 'no-printer'
        | 'print-large'
        | 'same-again'
        | 'only-turned'
        | 'made-to-turn'
        | 'light-to-turn'
        | 'heavy-to-turn'
        | 'slushed'
        | 'sold-ready'
        | 'not-sold'
        | 'hollow-fills'
        | 'undercut-above'
    }

export interface KindAdvice extends KindSums {
  /** For the wished number of copies. */
  cost: number
  perCopy: number
  /** Reasons for and against; what is ruled out comes last. */
  pros: KindReason[]
  cons: KindReason[]
  ruledOut: boolean
  /** The one to take, all things weighed. */
  advised: boolean
  /** Minutes of hands for each cast. */
  minutes: number
}

/** A piece taller or wider than this is large: blocks get heavy and dear, m (common practice). */
const large = 0.14
/** A shell longer than this is printed in parts, m (common practice, no source). */
const printedUpTo = 0.2
/** Nobody turns more silicone by hand, kg (common practice, no source). */
const turnedUpTo = 1.5
/** Hinged moulds stay small, m (common practice). */
const hingedUpTo = 0.06

/**
 * The kinds of mould for a piece and what is wished of it, the cheapest for all copies first and
 * what cannot work last. Advised is the cheapest, a wish not met counting half again; a bought one
 * never, since its price is not known here. `turned`: casts are hollow. Every kind stays open to choose: the schools differ.
 *
 * @example adviseKinds(allSums(mouldOf80x60x40, geometryOf60x40x20, platinum), geometryOf60x40x20, mouldOf80x60x40).find((k) => k.advised)!.kind // 'open block'
 */
export function adviseKinds(
  all: readonly KindSums[],
  geometry: MouldGeometry,
  mould: Pick<Mould, 'wish' | 'hourPrice'>,
  turned?: TurnedCast,
): KindAdvice[] {
  const kinds = all
    .map((sums): KindAdvice => {
      const { pros, cons, out } = reasons(sums, geometry, mould.wish, turned !== undefined)
      const cost = costOf(sums, mould.wish.copies, mould.hourPrice)
      const perCopy = cost / mould.wish.copies
      return {
        ...sums,
        cost,
        perCopy,
        pros,
        cons,
        ruledOut: out,
        advised: false,
        minutes: minutesOf(sums),
      }
    })
    .sort((a, b) => Number(a.ruledOut) - Number(b.ruledOut) || a.cost - b.cost)
  const best = kinds.reduce((a, b) => (score(b) < score(a) ? b : a))
  return kinds.map((one) => ({ ...one, advised: one === best }))
}

const score = ({ kind, ruledOut, cost, cons }: KindAdvice) =>
  cost * (1 + 0.5 * cons.length) + (ruledOut ? 1e9 : 0) + (kind === 'bought' ? 1e9 : 0)

function reasons(
  sums: KindSums,
  geometry: MouldGeometry,
  { copies, seam, seeThrough, detail, printer }: Mould['wish'],
  hollow: boolean,
): { pros: KindReason[]; cons: KindReason[]; out: boolean } {
  const { foot, volume, pulls, area } = geometry
  const facts = mouldKinds[sums.kind]
  const pros: KindReason[] = []
  const cons: KindReason[] = []
  let out = false
  const longest = Math.max(foot.width, foot.depth, foot.height)
  // A two-part mould is laid the way it parts best.
  const [pull] = pulls
  const locked = shareBlocked(pull.inner, pull.around)
  const moulds = mouldsFor(sums, copies)
  if (moulds > 1) cons.push({ reason: 'wears-out', pulls: sums.pulls, moulds, copies })
  else pros.push({ reason: 'one-mould', copies })
  if (facts.seam === 'shows' && seam === 'hidden') cons.push({ reason: 'seam-shows' })
  if (facts.seam === 'none') pros.push({ reason: 'no-seam' })
  if (facts.seam === 'hidden' && seam === 'hidden') pros.push({ reason: 'seam-hidden' })
  switch (sums.kind) {
    case 'open block':
      if (openShare(geometry) > 0.05) {
        const { blocked, hollow } = openBlocked(geometry)
        out = true
        cons.push({ reason: hollow > blocked ? 'hollow-fills' : 'undercut-above' })
      } else pros.push({ reason: 'straight-out' })
      break
    case 'cut block':
      if (detail === 'fine grooves' && copies > 8) cons.push({ reason: 'grooves-fray' })
      if (longest > large) cons.push({ reason: 'block-heavy' })
      break
    case 'two-part':
    case 'hinged':
      if (locked > 0.1) {
        out = true
        cons.push({ reason: 'locked' })
      } else if (shareBlocked(pull.blocked, pull.around) > 0.1)
        cons.push({ reason: 'undercut-both' })
      else pros.push({ reason: 'parts-cleanly' })
      if (sums.kind === 'hinged' && longest > hingedUpTo) {
        out = true
        cons.push({ reason: 'hinge-large' })
      }
      break
    case 'brushed sock':
      if (longest > large) pros.push({ reason: 'little-silicone' })
      else cons.push({ reason: 'brushing-small' })
      if (seeThrough === 'yes') cons.push({ reason: 'shell-hides' })
      if (area > 0 && volume / area < weakBelow) cons.push({ reason: 'thin-to-brush' })
      break
    case 'printed shell':
      if (locked > 0.1) cons.push({ reason: 'thin-tears' })
      if (printer === 'no') {
        out = true
        cons.push({ reason: 'no-printer' })
      }
      if (longest > printedUpTo) cons.push({ reason: 'print-large' })
      pros.push({ reason: 'same-again' })
      break
    case 'turning':
      if (hollow) pros.push({ reason: 'made-to-turn' })
      else cons.push({ reason: 'only-turned' })
      break
    case 'bought':
      if (geometry.soldReady) {
        pros.push({ reason: 'sold-ready' })
      } else {
        out = true
        cons.push({ reason: 'not-sold' })
      }
      break
  }
  if (hollow && sums.kind !== 'turning') {
    if (sums.kind === 'open block') cons.push({ reason: 'slushed' })
    else if (facts.poured === 'coats' || sums.kind === 'printed shell') {
      pros.push({ reason: 'light-to-turn' })
    } else if (sums.silicone > turnedUpTo) cons.push({ reason: 'heavy-to-turn' })
  }
  return { pros, cons, out }
}

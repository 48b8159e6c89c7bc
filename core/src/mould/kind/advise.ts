import type { MouldGeometry } from '../geometry.ts'
import { openBlocked, openShare, shareBlocked, weakBelow } from '../geometry.ts'
import type { Mould } from '../mould.ts'
import { costOf, mouldsFor, type KindSums } from './cost.ts'
import { mouldKinds } from './kinds.ts'

export interface KindAdvice extends KindSums {
  label: string
  what: string
  /** For the wished number of copies. */
  cost: number
  perCopy: number
  /** Reasons for and against; what is ruled out comes last. */
  pros: string[]
  cons: string[]
  ruledOut: boolean
  /** The one to take, all things weighed. */
  advised: boolean
}

/** A piece taller or wider than this is large: blocks get heavy and dear, m (common practice). */
const large = 0.14
/** A shell longer than this is printed in parts, m (common practice, no source). */
const printedUpTo = 0.2
/** Hinged moulds stay small, m (common practice). */
const hingedUpTo = 0.06

/**
 * The kinds of mould for a piece and what is wished of it, the cheapest for all copies first and
 * what cannot work last. Advised is the cheapest, a wish not met counting half again; a bought one
 * never, since its price is not known here. Every kind stays open to choose: the schools differ.
 *
 * @example adviseKinds(allSums(mouldOf80x60x40, geometryOf60x40x20, platinum), geometryOf60x40x20, mouldOf80x60x40).find((k) => k.advised)!.kind // 'open block'
 */
export function adviseKinds(
  all: readonly KindSums[],
  geometry: MouldGeometry,
  mould: Pick<Mould, 'wish' | 'hourPrice'>,
): KindAdvice[] {
  const kinds = all
    .map((sums): KindAdvice => {
      const { pros, cons, out } = reasons(sums, geometry, mould.wish)
      const cost = costOf(sums, mould.wish.copies, mould.hourPrice)
      const { label, what } = mouldKinds[sums.kind]
      const perCopy = cost / mould.wish.copies
      return { ...sums, label, what, cost, perCopy, pros, cons, ruledOut: out, advised: false }
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
): { pros: string[]; cons: string[]; out: boolean } {
  const { foot, volume, pulls, area } = geometry
  const facts = mouldKinds[sums.kind]
  const pros: string[] = []
  const cons: string[] = []
  let out = false
  const longest = Math.max(foot.width, foot.depth, foot.height)
  // A two-part mould is laid the way it parts best.
  const [pull] = pulls
  const locked = shareBlocked(pull.inner, pull.around)
  const moulds = mouldsFor(sums, copies)
  if (moulds > 1)
    cons.push(`wears out after about ${sums.pulls} pulls: ${moulds} moulds for ${copies} copies`)
  else pros.push(`one mould gives all ${copies}`)
  if (facts.seam === 'shows' && seam === 'hidden') cons.push('leaves a seam where the halves meet')
  if (facts.seam === 'none') pros.push('no seam at all')
  if (facts.seam === 'hidden' && seam === 'hidden') pros.push('its seam hardly shows')
  switch (sums.kind) {
    case 'open block':
      if (openShare(geometry) > 0.05) {
        const { blocked, hollow } = openBlocked(geometry)
        out = true
        cons.push(
          hollow > blocked
            ? 'its hollow would fill with resin: that takes a second half'
            : 'the piece is undercut above its back and would not come out upward',
        )
      } else pros.push('comes straight out, back open to the air')
      break
    case 'cut block':
      if (detail === 'fine grooves' && copies > 8)
        cons.push('fine grooves fray along the cut within ten pulls')
      if (longest > large) cons.push('a block this large is heavy to cut and to hold shut')
      break
    case 'two-part':
    case 'hinged':
      if (locked > 0.1) {
        out = true
        cons.push('parts of the piece lock it in both halves: it needs a core or a cut')
      } else if (shareBlocked(pull.blocked, pull.around) > 0.1)
        cons.push('undercut on both sides of any flat parting')
      else pros.push('parts cleanly, laid the way it pulls best')
      if (sums.kind === 'hinged' && longest > hingedUpTo) {
        out = true
        cons.push('too large to fold open on a hinge')
      }
      break
    case 'brushed sock':
      if (longest > large) pros.push('takes a fraction of the silicone a block would')
      else cons.push('brushing pays for large pieces only')
      if (seeThrough === 'yes') cons.push('thickened coats and a shell hide what is inside')
      if (area > 0 && volume / area < weakBelow) cons.push('so thin a piece is hard to brush')
      break
    case 'printed shell':
      if (locked > 0.1) cons.push('deep undercuts tear a thin layer')
      if (printer === 'no') {
        out = true
        cons.push('there is no printer for its shell')
      }
      if (longest > printedUpTo) cons.push('larger than common printers lay in one piece')
      pros.push('little silicone, and the next one is the same again')
      break
    case 'turning':
      cons.push('only for hollow casts that are turned while they gel')
      break
    case 'bought':
      if (geometry.soldReady) {
        pros.push('plain shapes like this are sold ready: hold its price against these')
      } else {
        out = true
        cons.push('a shape of your own is not sold ready')
      }
      break
  }
  return { pros, cons, out }
}

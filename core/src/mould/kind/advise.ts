import type { MouldGeometry } from '../geometry.ts'
import { openBlocked, weakBelow } from '../geometry.ts'
import type { Mould } from '../mould.ts'
import { costOf, type KindSums } from './cost.ts'
import { mouldKinds, type MouldKind } from './kinds.ts'

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
}

/** A piece taller or wider than this is large: blocks get heavy and dear, m (common practice). */
const large = 0.14
/** Hinged moulds stay small, m (common practice). */
const hingedUpTo = 0.06

/**
 * The kinds of mould for a piece and what is wished of it, best first. Ruled out is only what
 * cannot work; the rest is ordered by cost for the copies, a wish not met counting half again.
 * Every kind stays open to choose: the schools differ.
 */
export function adviseKinds(
  all: readonly KindSums[],
  geometry: MouldGeometry,
  mould: Pick<Mould, 'wish' | 'hourPrice'>,
): KindAdvice[] {
  return all
    .map((sums): KindAdvice => {
      const { pros, cons, out } = reasons(sums, geometry, mould.wish)
      const cost = costOf(sums, mould.wish.copies, mould.hourPrice)
      const { label, what } = mouldKinds[sums.kind]
      const perCopy = cost / mould.wish.copies
      return { ...sums, label, what, cost, perCopy, pros, cons, ruledOut: out }
    })
    .sort((a, b) => score(a) - score(b))
}

const score = ({ kind, ruledOut, cost, cons }: KindAdvice) =>
  cost * (1 + 0.5 * cons.length) + (ruledOut ? 1e9 : 0) + (kind === 'bought' ? 1e9 : 0)

function reasons(
  sums: KindSums,
  geometry: MouldGeometry,
  { copies, seam, seeThrough, detail }: Mould['wish'],
): { pros: string[]; cons: string[]; out: boolean } {
  const { foot, volume, pulls, area } = geometry
  const facts = mouldKinds[sums.kind]
  const pros: string[] = []
  const cons: string[] = []
  let out = false
  const longest = Math.max(foot.width, foot.depth, foot.height)
  // A two-part mould is laid the way it parts best.
  const [pull] = pulls
  const share = (blockedVolume: number) => blockedVolume / volume
  const moulds = Math.ceil(copies / sums.pulls)
  if (moulds > 1)
    cons.push(`wears out after about ${sums.pulls} pulls: ${moulds} moulds for ${copies} copies`)
  else pros.push(`one mould gives all ${copies}`)
  if (facts.seam === 'shows' && seam === 'hidden') cons.push('leaves a seam where the halves meet')
  if (facts.seam === 'none') pros.push('no seam at all')
  if (facts.seam === 'hidden' && seam === 'hidden') pros.push('its seam hardly shows')
  switch (sums.kind) {
    case 'open block':
      if (share(openBlocked(geometry)) > 0.05) {
        out = true
        cons.push('the piece is undercut above its back and would not come out upward')
      } else pros.push('comes straight out, back open to the air')
      break
    case 'cut block':
      if (detail === 'fine grooves' && copies > 8)
        cons.push('fine grooves fray along the cut within ten pulls')
      if (longest > large) cons.push('a block this large is heavy to cut and to hold shut')
      break
    case 'two-part':
    case 'hinged':
      if (share(pull.inner) > 0.1) {
        out = true
        cons.push('parts of the piece lock it in both halves: it needs a core or a cut')
      } else if (share(pull.blocked) > 0.1) cons.push('undercut on both sides of any flat parting')
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
      if (share(pull.inner) > 0.1) cons.push('deep undercuts tear a thin layer')
      pros.push('little silicone, and the next one is the same again')
      break
    case 'turning':
      cons.push('only for hollow casts that are turned while they gel')
      break
    case 'bought':
      out = true
      cons.push('nobody sells a mould of your own master')
      break
  }
  return { pros, cons, out }
}

/** The kind that is advised. */
export const bestKind = (advice: readonly KindAdvice[]): MouldKind => advice[0].kind

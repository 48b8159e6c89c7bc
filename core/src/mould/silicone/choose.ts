import type { Silicone } from '../../matter/material/index.ts'
import { contactsOf } from '../contact/check.ts'
import type { Substance } from '../contact/substances.ts'
import { shareBlocked, type MouldGeometry } from '../geometry.ts'
import { mouldKinds } from '../kind/kinds.ts'
import type { Mould } from '../mould.ts'
import { batches } from './batches.ts'

/** Shore A that registers well in blocks, and that peels off deep undercuts (common practice). */
export const firmFrom = 20
export const softUpTo = 18
/** Blocked silicone as a share of what stands around the piece from which a soft silicone is asked for. */
const deepUndercut = 0.12
/** Thicker than this wants vacuum, Pa·s (common practice, no source). */
const thinUpTo = 8

/** What this mould asks of its silicone. */
export interface SiliconeAsks {
  hardness: 'soft' | 'firm'
  clear: boolean
  thin: boolean
}

export function siliconeAsks(mould: Mould, geometry: MouldGeometry): SiliconeAsks {
  const facts = mouldKinds[mould.kind]
  const [pull] = geometry.pulls
  const blocked =
    facts.parts === 2
      ? shareBlocked(pull.blocked, pull.around)
      : shareBlocked(geometry.blocked[0], geometry.around)
  const soft = blocked > deepUndercut || geometry.tongues.length > 0
  const clear = mould.wish.seeThrough === 'yes' || mould.kind === 'cut block'
  const thin = mould.vessel === undefined && facts.poured !== 'coats'
  return {
    hardness: soft ? 'soft' : 'firm',
    clear,
    thin,
  }
}

/** What speaks for or against a silicone; sentences stand in the words. */
export type SiliconeReason =
  | { reason: 'inhibited'; by?: Substance }
  | {
      reason:
        | 'cures'
        | 'soft-enough'
        | 'firm-enough'
        | 'too-firm'
        | 'too-soft'
        | 'clear'
        | 'opaque'
        | 'thin'
        | 'thick'
        | 'time-enough'
        | 'time-short'
        | 'tin-ages'
        | 'keeps-size'
    }

export interface Candidate {
  id: string
  silicone: Silicone
  score: number
  pros: SiliconeReason[]
  cons: SiliconeReason[]
}

/**
 * Silicones of a shelf ranked for a mould, best first, with their reasons. One that would not
 * cure on what it touches comes last, whatever else speaks for it.
 */
export function rankSilicones(
  shelf: readonly { id: string; silicone: Silicone }[],
  mould: Mould,
  geometry: MouldGeometry,
  net: number,
): Candidate[] {
  const asks = siliconeAsks(mould, geometry)
  return shelf
    .map(({ id, silicone }): Candidate => {
      const pros: SiliconeReason[] = []
      const cons: SiliconeReason[] = []
      let score = 0
      const say = (good: boolean, weight: number, pro: SiliconeReason, con: SiliconeReason) => {
        if (good) pros.push(pro)
        else cons.push(con)
        score += good ? weight : -weight
      }
      const bad = contactsOf(mould, silicone, []).find(({ verdict }) => verdict === 'inhibited')
      say(!bad, 10, { reason: 'cures' }, { reason: 'inhibited', by: bad?.surface.substance })
      const fits =
        asks.hardness === 'soft' ? silicone.hardness <= softUpTo : silicone.hardness >= firmFrom
      say(
        fits,
        2,
        { reason: asks.hardness === 'soft' ? 'soft-enough' : 'firm-enough' },
        { reason: asks.hardness === 'soft' ? 'too-firm' : 'too-soft' },
      )
      if (asks.clear)
        say(silicone.clarity !== 'opaque', 1.5, { reason: 'clear' }, { reason: 'opaque' })
      if (asks.thin && silicone.viscosity !== undefined) {
        say(silicone.viscosity <= thinUpTo, 1.5, { reason: 'thin' }, { reason: 'thick' })
      }
      const { eachFits, joinFits } = batches(net * (1 + mould.loss), mould, silicone)
      say(eachFits && joinFits, 2, { reason: 'time-enough' }, { reason: 'time-short' })
      if (silicone.chemistry === 'tin') {
        cons.push({ reason: 'tin-ages' })
        score -= 0.5
      }
      if (silicone.shrinkage <= 0.0015) pros.push({ reason: 'keeps-size' })
      if (silicone.kitPrice !== undefined && silicone.kitMass !== undefined) {
        score -= silicone.kitPrice / silicone.kitMass / 100
      }
      return { id, silicone, score, pros, cons }
    })
    .sort((a, b) => b.score - a.score)
}

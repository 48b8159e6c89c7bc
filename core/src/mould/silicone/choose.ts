import type { Silicone } from '../../material/index.ts'
import { contactsOf } from '../contact/check.ts'
import { shareBlocked, type MouldGeometry } from '../geometry.ts'
import { mouldKinds } from '../kind/kinds.ts'
import type { Mould } from '../mould.ts'
import { batches } from './batches.ts'

/** Shore A that registers well in blocks, and that peels off deep undercuts (common practice). */
const firmFrom = 20
const softUpTo = 18
/** Blocked silicone as a share of what stands around the piece from which a soft silicone is asked for. */
const deepUndercut = 0.12
/** Thicker than this wants vacuum, Pa·s (common practice, no source). */
const thinUpTo = 8

/** What this mould asks of its silicone. */
export interface SiliconeAsks {
  hardness: 'soft' | 'firm'
  clear: boolean
  thin: boolean
  lines: string[]
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
    lines: [
      soft
        ? `Soft, about 10 to ${softUpTo}A: it has to peel out of undercuts.`
        : `Firm, ${firmFrom}A and more: it keeps its shape and its halves in line.`,
      clear
        ? 'Clear or translucent helps: the piece is seen while cutting and pouring.'
        : 'Its clarity does not matter.',
      thin
        ? 'Thin, since there is no vacuum: thick silicone keeps its air.'
        : 'Viscosity does not matter much.',
    ],
  }
}

export interface Candidate {
  id: string
  silicone: Silicone
  score: number
  pros: string[]
  cons: string[]
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
      const pros: string[] = []
      const cons: string[] = []
      let score = 0
      const say = (good: boolean, weight: number, pro: string, con: string) => {
        if (good) pros.push(pro)
        else cons.push(con)
        score += good ? weight : -weight
      }
      const bad = contactsOf(mould, silicone, []).find(({ verdict }) => verdict === 'inhibited')
      say(
        !bad,
        10,
        'cures on everything it touches',
        bad ? `does not cure on ${bad.surface.substance}` : '',
      )
      const fits =
        asks.hardness === 'soft' ? silicone.hardness <= softUpTo : silicone.hardness >= firmFrom
      say(
        fits,
        2,
        asks.hardness === 'soft' ? 'soft enough to peel' : 'firm enough to register',
        asks.hardness === 'soft' ? 'too firm for these undercuts' : 'so soft that halves shift',
      )
      if (asks.clear)
        say(
          silicone.clarity !== 'opaque',
          1.5,
          'you see the piece in it',
          'opaque: the cut goes by memory',
        )
      if (asks.thin && silicone.viscosity !== undefined) {
        say(
          silicone.viscosity <= thinUpTo,
          1.5,
          'thin enough without vacuum',
          'thick: it keeps its air without vacuum',
        )
      }
      const { eachFits, joinFits } = batches(net * (1 + mould.loss), mould, silicone)
      say(
        eachFits && joinFits,
        2,
        'its pot life leaves time for all of it',
        'its pot life is too short for this much',
      )
      if (silicone.chemistry === 'tin') {
        cons.push('shrinks more and ages within a few years')
        score -= 0.5
      }
      if (silicone.shrinkage <= 0.0015) pros.push('keeps its size')
      if (silicone.kitPrice !== undefined && silicone.kitMass !== undefined) {
        score -= silicone.kitPrice / silicone.kitMass / 100
      }
      return { id, silicone, score, pros, cons }
    })
    .sort((a, b) => b.score - a.score)
}

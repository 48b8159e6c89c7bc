import { firmFrom, softUpTo, type SiliconeAsks, type SiliconeReason } from '@mivro/core/mould'

/** What a mould asks of its silicone, line by line. */
export const saySiliconeAsks = ({ hardness, clear, thin }: SiliconeAsks): string[] => [
  hardness === 'soft'
    ? `Soft, about 10 to ${softUpTo}A: it has to peel out of undercuts.`
    : `Firm, ${firmFrom}A and more: it keeps its shape and its halves in line.`,
  clear
    ? 'Clear or translucent helps: the piece is seen while cutting and pouring.'
    : 'Its clarity does not matter.',
  thin
    ? 'Thin, since there is no vacuum: thick silicone keeps its air.'
    : 'Viscosity does not matter much.',
]

const reasons: Record<Exclude<SiliconeReason['reason'], 'inhibited'>, string> = {
  cures: 'cures on everything it touches',
  'soft-enough': 'soft enough to peel',
  'firm-enough': 'firm enough to register',
  'too-firm': 'too firm for these undercuts',
  'too-soft': 'so soft that halves shift',
  clear: 'you see the piece in it',
  opaque: 'opaque: the cut goes by memory',
  thin: 'thin enough without vacuum',
  thick: 'thick: it keeps its air without vacuum',
  'time-enough': 'its pot life leaves time for all of it',
  'time-short': 'its pot life is too short for this much',
  'tin-ages': 'shrinks more and ages within a few years',
  'keeps-size': 'keeps its size',
}

/**
 * What speaks for or against a silicone, as a part of a sentence.
 *
 * @example saySiliconeReason({ reason: 'keeps-size' }) // 'keeps its size'
 */
export const saySiliconeReason = (reason: SiliconeReason): string =>
  reason.reason === 'inhibited' ? `does not cure on ${reason.by}` : reasons[reason.reason]

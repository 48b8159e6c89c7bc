import type { KindReason, LearnedLife, MouldKind, WearMark } from '@mivro/core/mould'
import type { Wear } from '@mivro/core/work/pull'

export const mouldKindWords: Record<MouldKind, { label: string; what: string }> = {
  'open block': {
    label: 'Open block',
    what: 'The flat back lies on the box floor; silicone over it, cast face down.',
  },
  'cut block': {
    label: 'One-piece cut block',
    what: 'The master stands in one block; a wavy cut frees it, and keeps it in line.',
  },
  'two-part': {
    label: 'Two-part block',
    what: 'A clay bed up to the parting, keys, silicone, release, silicone again.',
  },
  hinged: {
    label: 'Hinged two-part',
    what: 'Two halves that stay joined along one side; for small pieces.',
  },
  'brushed sock': {
    label: 'Brushed sock in a shell',
    what: 'Thickened coats brushed on, a rigid shell around; little silicone for large pieces.',
  },
  'printed shell': {
    label: 'Silicone in a printed shell',
    what: 'A thin layer poured between master and a shell of your own printer.',
  },
  turning: {
    label: 'Round, for turning',
    what: 'A round block without corners, turned by hand or machine for hollow casts.',
  },
  bought: {
    label: 'Ready-bought',
    what: 'Somebody made it already; water tells what it holds.',
  },
}

type Reasons = {
  [R in KindReason['reason']]: (amounts: Extract<KindReason, { reason: R }>) => string
}

const reasons: Reasons = {
  'wears-out': (a) =>
    `wears out after about ${a.pulls} pulls: ${a.moulds} moulds for ${a.copies} copies`,
  'one-mould': (a) => `one mould gives all ${a.copies}`,
  'seam-shows': () => 'leaves a seam where the halves meet',
  'no-seam': () => 'no seam at all',
  'seam-hidden': () => 'its seam hardly shows',
  'straight-out': () => 'comes straight out, back open to the air',
  'grooves-fray': () => 'fine grooves fray along the cut within ten pulls',
  'block-heavy': () => 'a block this large is heavy to cut and to hold shut',
  locked: () => 'parts of the piece lock it in both halves: it needs a core or a cut',
  'undercut-both': () => 'undercut on both sides of any flat parting',
  'parts-cleanly': () => 'parts cleanly, laid the way it pulls best',
  'hinge-large': () => 'too large to fold open on a hinge',
  'little-silicone': () => 'takes a fraction of the silicone a block would',
  'brushing-small': () => 'brushing pays for large pieces only',
  'shell-hides': () => 'thickened coats and a shell hide what is inside',
  'thin-to-brush': () => 'so thin a piece is hard to brush',
  'thin-tears': () => 'deep undercuts tear a thin layer',
  'no-printer': () => 'there is no printer for its shell',
  'print-large': () => 'larger than common printers lay in one piece',
  'same-again': () => 'little silicone, and the next one is the same again',
  'made-to-turn': () => 'round and light in the hands: made for casts that are turned',
  'light-to-turn': () => 'light, and held evenly by its shell while it is turned',
  'heavy-to-turn': () => 'too heavy to be turned by hand: a machine, or a lighter mould',
  slushed: () => 'a hollow cast is rolled in it, its mouth open: only its walls and its floor',
  'only-turned': () => 'only for hollow casts that are turned while they gel',
  'sold-ready': () => 'plain shapes like this are sold ready: hold its price against these',
  'not-sold': () => 'a shape of your own is not sold ready',
  'hollow-fills': () => 'its hollow would fill with resin: that takes a second half',
  'undercut-above': () => 'the piece is undercut above its back and would not come out upward',
}

/**
 * What speaks for or against a kind of mould, as a part of a sentence.
 *
 * @example sayKindReason({ reason: 'one-mould', copies: 6 }) // 'one mould gives all 6'
 */
export const sayKindReason = (reason: KindReason): string =>
  (reasons[reason.reason] as (amounts: KindReason) => string)(reason)

/** What is seen of a mould as it wears, and where it is asked for. */
export const wearMarkWords: Record<WearMark['what'], { add: string; seen: string; where: string }> =
  {
    torn: { add: 'It is torn', seen: 'Torn', where: 'Where, how long' },
    frayed: { add: 'A cut frays', seen: 'Frayed', where: 'Which part of the seam' },
    patched: { add: 'I patched it', seen: 'Patched', where: 'With what' },
    ended: { add: 'It is worn out', seen: 'Worn out', where: 'What ended it' },
  }

/** How a mould stands by its pulls and by what was seen. */
export const wearStateWords: Record<Wear['state'], string> = {
  fresh: 'Fresh.',
  torn: 'Torn and not patched: look at it before every pull.',
  'near its end': 'Near its end: look at it before every pull.',
  'past its life': 'Past its expected life: each pull may be the last.',
  ended: 'Worn out.',
}

/**
 * Where the pulls of a kind come from, when a studio's own moulds have shown them.
 *
 * @example sayLearnedLife({ life: 34, band: [20, 58], ended: 3, running: 1 }) // 'About 34 pulls, between 20 and 58: as 3 of your own that are worn out and 1 still in use have shown.'
 */
export const sayLearnedLife = ({ life, band, ended, running }: LearnedLife): string =>
  `About ${life} pulls, ${sayLives(band)}: as ${ended} of your own that ${ended === 1 ? 'is' : 'are'} worn out${running > 0 ? ` and ${running} still in use` : ''} ${ended + running === 1 ? 'has' : 'have'} shown.`

/** How few and how many pulls a kind has given. @example sayLives([10, 100]) // 'between 10 and 100' */
export const sayLives = ([least, most]: readonly [number, number]): string =>
  `between ${least} and ${most}`

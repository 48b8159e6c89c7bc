import {
  fewBubbles,
  type Handling,
  type Hindrance,
  type OwnFault,
  type Pouring,
  type Remedy,
  type SiliconeAir,
  type Way,
  type WayOfPiece,
} from '@mivro/core/matter/air'
import type { whereBeside } from '@mivro/core/form/filling'
import { showDuration } from '@mivro/core/base/units'

export const wayWords: Record<Way | 'own', string> = {
  none: 'Neither',
  vacuum: 'Vacuum',
  pressure: 'Pressure',
  both: 'Both',
  own: 'Your own',
}

/** Where a place lies. @example sayWhere({ across: 'left', away: 'front' }) // 'front left' */
export const sayWhere = ({ across, away }: ReturnType<typeof whereBeside>): string =>
  [away, across].filter(Boolean).join(' ') || 'in the middle'

export const hindranceWords: Record<Hindrance, string> = {
  'no vessel': 'no vacuum vessel in Equipment',
  'no pot': 'no pressure pot in Equipment',
  'froths over': 'so much froths over: at most a fifth of the vessel',
  'no longer pours': 'the mix no longer pours by then',
  'gels before': 'it gels before the pot is at pressure',
}

export const faultWords: Record<OwnFault, string> = {
  'pressure after the gel': 'pressure after the gel does nothing',
  'let go before hard': 'let go before it is hard, bubbles grow again: worse than none',
  'over the mark': 'over what the pot is marked for',
}

export const finishWords = { 'as cast': 'As it comes out', painted: 'Painted over' } as const

export const stirringWords: Record<Handling['stirring'], string> = {
  gentle: 'Gently',
  usual: 'As usual',
  whisked: 'By drill',
}

export const pouringWords: Record<Pouring, string> = {
  'thin stream': 'In a high thin stream',
  low: 'Low and slow',
  syringe: 'By syringe',
  'from below': 'From below, through a channel',
}

export const remedyWords: Record<Remedy, string> = {
  prefill: 'Prefill tight spots',
  brush: 'Brush details in',
  'wet walls': 'Wet all walls first',
  rock: 'Rock',
  tap: 'Tap',
  vibrate: 'Vibrate',
  flame: 'Heat passes on the open surface',
}

const rounded = (count: number): string =>
  count < 0.5 ? '0' : count < 10 ? count.toFixed(0) : Number(count.toPrecision(2)).toString()

/**
 * A count with its band.
 *
 * @example sayBand([0, 117]) // '0 to 120'
 */
export function sayBand([likely, slow]: readonly [number, number]): string {
  const [low, high] = [Math.min(likely, slow), Math.max(likely, slow)].map(rounded)
  return low === high ? low : `${low} to ${high}`
}

/**
 * What to do about the bubbles of a piece, in one sentence with its reason.
 *
 * @example sayBestWay({ way: 'none', seen: [0, 0], pits: [0, 0], takes: 0, potLifeLeft: 1 }, []) // 'Neither vacuum nor pressure: this resin stays thin for so long that it clears itself.'
 */
export function sayBestWay(best: WayOfPiece, all: readonly WayOfPiece[]): string {
  const without = all.find(({ way }) => way === 'none')
  if (best.way === 'none') {
    if (best.seen[0] < fewBubbles) {
      return 'Neither vacuum nor pressure: this resin stays thin for so long that it clears itself.'
    }
    const barred = all.filter(({ hindrance }) => hindrance?.startsWith('no '))
    const why =
      barred.length > 0 ? ` With what is at hand nothing does better: ${reasons(barred)}.` : ''
    return `About ${sayBand(best.seen)} bubbles stay.${why} Stir gently, pour low and thin, rock and tap, and let it rest.`
  }
  const how = {
    vacuum: 'Vacuum of the mix before it is poured',
    pressure: 'Pressure until it is hard',
    both: 'Vacuum of the mix, then pressure until it is hard',
    own: 'Your own way',
  }[best.way]
  const from = without ? ` instead of ${sayBand(without.seen)}` : ''
  const eaten = all.find(
    ({ way, hindrance }) => way === 'vacuum' && hindrance === 'no longer pours',
  )
  const why =
    best.way === 'pressure' && eaten
      ? ' Vacuum after mixing would eat its pot life: free each part of air before they meet, if at all.'
      : ''
  return `${how}: ${sayBand(best.seen)} bubbles stay${from}, for ${showDuration(best.takes)} more at the bench.${why}`
}

const reasons = (barred: readonly WayOfPiece[]): string =>
  [...new Set(barred.map(({ hindrance }) => hindranceWords[hindrance!]))].join(', ')

/** Fewer than this near to the cavity nobody feels. */
const hardly = 1

/**
 * What air a silicone keeps, and what that means for casts under pressure.
 *
 * @example saySiliconeAir({ inside: 0, dents: 0 }, {}) // 'Hardly a bubble stays in it: it bears casts under pressure.'
 */
export function saySiliconeAir(
  { inside, dents }: SiliconeAir,
  { vacuum, pressure }: { vacuum?: number; pressure?: number },
): string {
  const done = [
    vacuum === undefined ? '' : 'its vacuum',
    pressure === undefined ? '' : 'its pressure',
  ].filter(Boolean)
  const count =
    inside < hardly
      ? 'hardly a bubble stays in it'
      : `about ${rounded(inside)} bubbles over 0.1 mm stay in it`
  const start =
    done.length > 0
      ? `With ${done.join(' and ')} ${count}`
      : count[0].toUpperCase() + count.slice(1)
  return dents < hardly
    ? `${start}: it bears casts under pressure.`
    : `${start}, ${rounded(dents)} of them large and near to the cavity: casts under pressure get dents there.`
}

import { deairing } from './deairing.ts'
import { leftBy, type Handling, type OwnWay } from './handling.ts'
import { absolute, closingTime, insideOf, type AirTools } from './equipment.ts'
import { largestDeaired } from './vessel.ts'
import {
  bubbleOutcomes,
  type BubbleQuestion,
  type BubbleOutcomes,
  type Staying,
} from './bubbleOutcomes.ts'

export const ways = ['none', 'vacuum', 'pressure', 'both'] as const
export type Way = (typeof ways)[number]

/** Why a way cannot be carried out as it stands. */
export type Hindrance = 'no vessel' | 'no pot' | 'froths over' | 'no longer pours' | 'gels before'

/** What of a person's own way does nothing, or harm. */
export type OwnFault = 'pressure after the gel' | 'let go before hard' | 'over the mark'

/** What one way comes to in one layer. */
export interface WayResult {
  way: Way | 'own'
  hindrance?: Hindrance
  fault?: OwnFault
  /** With gas going into the resin as fast as is thought, and ten times as slowly. */
  likely: BubbleOutcomes
  slow: BubbleOutcomes
  /** s that it adds to the time at the bench. */
  takes: number
  /** When the mix is poured, s since mixing: after its vacuum. */
  pouredAt: number
}

/** Gas goes into a resin within a factor of ten of what is thought. */
const slower = 0.1

/** A pot is to be at pressure by this share of the gel time (common practice, no source). */
export const underPressureBy = 0.8

/** A layer without a way yet, until when its mix pours, s since mixing, and how much is mixed. */
export type LayerBubbles = Omit<BubbleQuestion, 'vacuum' | 'pressure'> & {
  poursUntil: number
  /** Mixed in one cup, and that cup to the brim, m³. */
  mixed: number
  cup: number
  /** What hands do besides. */
  handling: Pick<Handling, 'remedies' | 'own'>
}

/**
 * Neither, vacuum of the mix, pressure on the cast, and both, for one layer with the tools at
 * hand; and the person's own way, where there is one.
 *
 * A way whose vacuum would outlast the pour, or whose pressure would come after most of the gel
 * time, is told as hindered and still reckoned.
 */
export function compareWays(layer: LayerBubbles, tools: AirTools): WayResult[] {
  const found = ways.map((way) => wayOf(way, layer, tools))
  const { own } = layer.handling
  return own ? [...found, ownWayOf(own, layer, tools)] : found
}

/** What a mix lives through by one way, and what that takes at the bench, s. */
function heldBy(
  way: Way | 'own',
  layer: LayerBubbles,
  { pot, vessel }: AirTools,
): { pumps: number; closes: number; held: Partial<BubbleQuestion> & { pouredAt: number } } {
  const own = way === 'own' ? layer.handling.own : undefined
  const pumped = way === 'vacuum' || way === 'both' || (own?.vacuum ?? 0) > 0 ? vessel : undefined
  const pressed = way === 'pressure' || way === 'both' || own?.pressure ? pot : undefined
  const pumps =
    own?.vacuum ??
    (pumped
      ? deairing({ ...layer, volume: layer.mixed, share: layer.stirred.share }, pumped).each
      : 0)
  const closes = pressed ? closingTime(pressed) : 0
  const pouredAt = layer.pouredAt + pumps
  const pressure = own
    ? own.pressure && {
        from: Math.max(own.pressure.from, pouredAt),
        until: own.pressure.until,
        pressure: absolute(own.pressure.gauge),
      }
    : pressed && {
        from: pouredAt + closes,
        until: layer.hardAt,
        pressure: absolute(pressed.gauge),
      }
  const vacuum = pumped && {
    from: layer.pouredAt,
    until: pouredAt,
    pressure: absolute(pumped.gauge),
  }
  return { pumps, closes, held: { pouredAt, vacuum, pressure } }
}

function wayOf(way: Way, layer: LayerBubbles, tools: AirTools): WayResult {
  const { pumps, closes, held } = heldBy(way, layer, tools)
  const { vessel } = tools
  const froths =
    held.vacuum !== undefined && layer.mixed > largestDeaired(insideOf(vessel!), Infinity)
  const late = held.pouredAt > layer.poursUntil
  const gelled = held.pouredAt + closes > gelOfLayer(layer)
  return {
    way,
    hindrance: hindranceOf(way, tools, { froths, late, gelled }),
    ...bothFates(layer, held),
    takes: pumps + closes,
    pouredAt: held.pouredAt,
  }
}

function ownWayOf(own: OwnWay, layer: LayerBubbles, tools: AirTools): WayResult {
  const { pumps, closes, held } = heldBy('own', layer, tools)
  const { pressure } = own
  return {
    way: 'own',
    hindrance:
      pumps > 0 && !tools.vessel
        ? 'no vessel'
        : pressure && !tools.pot
          ? 'no pot'
          : held.pouredAt > layer.poursUntil
            ? 'no longer pours'
            : undefined,
    fault: pressure && ownFault(pressure, layer, tools.pot),
    ...bothFates(layer, held),
    takes: pumps + closes,
    pouredAt: held.pouredAt,
  }
}

/** The bubbles that are there at a moment, s since mixing, by one way; as fast as gas is thought to go. */
export function bubblesAt(
  way: Way | 'own',
  { handling, ...layer }: LayerBubbles,
  tools: AirTools,
  at: number,
): Staying[] {
  const { held } = heldBy(way, { handling, ...layer }, tools)
  return bubbleOutcomes({ ...layer, ...held, at: Math.max(at, held.pouredAt) }).stay
}

function ownFault(
  { from, until, gauge }: NonNullable<OwnWay['pressure']>,
  layer: LayerBubbles,
  pot: AirTools['pot'],
): OwnFault | undefined {
  if (pot && gauge > pot.marked) return 'over the mark'
  if (from >= gelOfLayer(layer)) return 'pressure after the gel'
  return until < layer.hardAt ? 'let go before hard' : undefined
}

const gelOfLayer = ({ thickening: { time } }: LayerBubbles): number => time[time.length - 1]

function bothFates(
  { handling, ...layer }: LayerBubbles,
  held: Partial<BubbleQuestion>,
): Pick<WayResult, 'likely' | 'slow'> {
  const question = { ...layer, ...held }
  const tenth = { ...layer.gas, diffusivity: slower * layer.gas.diffusivity }
  const left = leftBy(handling)
  return {
    likely: handled(bubbleOutcomes(question), left),
    slow: handled(bubbleOutcomes({ ...question, gas: tenth }), left),
  }
}

/** What hands leave of what would stay. */
function handled(fates: BubbleOutcomes, left: { pits: number; inside: number }): BubbleOutcomes {
  const drawn = { pit: 0, inside: 0 }
  return {
    ...fates,
    inside: left.inside * fates.inside,
    pits: left.pits * fates.pits,
    out: fates.out + (1 - left.inside) * fates.inside + (1 - left.pits) * fates.pits,
    stay: fates.stay.filter(({ pit }) => {
      const kind = pit ? 'pit' : 'inside'
      const share = pit ? left.pits : left.inside
      return Math.floor(share * ++drawn[kind]) > Math.floor(share * (drawn[kind] - 1))
    }),
  }
}

function hindranceOf(
  way: Way,
  { pot, vessel }: AirTools,
  { froths, late, gelled }: { froths: boolean; late: boolean; gelled: boolean },
): Hindrance | undefined {
  if ((way === 'vacuum' || way === 'both') && !vessel) return 'no vessel'
  if ((way === 'pressure' || way === 'both') && !pot) return 'no pot'
  if (froths) return 'froths over'
  if (late) return 'no longer pours'
  return gelled ? 'gels before' : undefined
}

import { deairing } from './deairing.ts'
import { absolute, closingTime, insideOf, type AirTools } from './equipment.ts'
import { largestDeaired } from './vessel.ts'
import { fatesOf, type BubbleQuestion, type Fates } from './fates.ts'

export const ways = ['none', 'vacuum', 'pressure', 'both'] as const
export type Way = (typeof ways)[number]

/** Why a way cannot be carried out as it stands. */
export type Hindrance = 'no vessel' | 'no pot' | 'froths over' | 'no longer pours' | 'gels before'

/** What one way comes to in one layer. */
export interface WayResult {
  way: Way
  hindrance?: Hindrance
  /** With gas going into the resin as fast as is thought, and ten times as slowly. */
  likely: Fates
  slow: Fates
  /** s that it adds to the time at the bench. */
  takes: number
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
}

/**
 * Neither, vacuum of the mix, pressure on the cast, and both, for one layer with the tools at hand.
 *
 * A way whose vacuum would outlast the pour, or whose pressure would come after most of the gel
 * time, is told as hindered and still reckoned.
 */
export function compareWays(layer: LayerBubbles, { pot, vessel }: AirTools): WayResult[] {
  const gel = layer.thickening.time[layer.thickening.time.length - 1]
  return ways.map((way) => {
    const pumped = way === 'vacuum' || way === 'both' ? vessel : undefined
    const pressed = way === 'pressure' || way === 'both' ? pot : undefined
    const pumps = pumped
      ? deairing({ ...layer, volume: layer.mixed, share: layer.stirred.share }, pumped).each
      : 0
    const closes = pressed ? closingTime(pressed) : 0
    const pouredAt = layer.pouredAt + pumps
    const closed = pouredAt + closes
    const question: BubbleQuestion = {
      ...layer,
      pouredAt,
      vacuum: pumped && {
        from: layer.pouredAt,
        until: pouredAt,
        pressure: absolute(pumped.gauge),
      },
      pressure: pressed && {
        from: closed,
        until: layer.hardAt,
        pressure: absolute(pressed.gauge),
      },
    }
    const tenth = { ...layer.gas, diffusivity: slower * layer.gas.diffusivity }
    return {
      way,
      hindrance: hindranceOf(
        way,
        { pot, vessel },
        {
          froths: pumped !== undefined && layer.mixed > largestDeaired(insideOf(pumped), Infinity),
          late: pouredAt > layer.poursUntil,
          gelled: closed > gel,
        },
      ),
      likely: fatesOf(question),
      slow: fatesOf({ ...question, gas: tenth }),
      takes: pumps + closes,
    }
  })
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

/** Fewer bubbles than this in a piece nobody looks for (common practice, no source). */
export const fewBubbles = 3

/** What a piece comes to by one way: the band of what is seen, and of pits on its skin. */
export interface WayOfPiece {
  way: Way
  hindrance?: Hindrance
  seen: readonly [likely: number, slow: number]
  pits: readonly [likely: number, slow: number]
  takes: number
}

/**
 * A piece's layers together. What is opaque shows only its skin.
 *
 * @example waysOfPiece([]) // []
 */
export function waysOfPiece(
  layers: readonly { results: readonly WayResult[]; opaque: boolean }[],
): WayOfPiece[] {
  const [first] = layers
  if (!first) return []
  return first.results.map(({ way }, i) => {
    const of = layers.map(({ results, opaque }) => ({ ...results[i], opaque }))
    const sum = (pick: (result: (typeof of)[number]) => number) =>
      of.reduce((all, one) => all + pick(one), 0)
    const pits = [sum(({ likely }) => likely.pits), sum(({ slow }) => slow.pits)] as const
    return {
      way,
      hindrance: of.find(({ hindrance }) => hindrance)?.hindrance,
      seen: [
        pits[0] + sum(({ likely, opaque }) => (opaque ? 0 : likely.inside)),
        pits[1] + sum(({ slow, opaque }) => (opaque ? 0 : slow.inside)),
      ] as const,
      pits,
      takes: sum(({ takes }) => takes),
    }
  })
}

/**
 * Which way to take: the least work that leaves few bubbles, else of those that can be carried out
 * the one that leaves fewest.
 *
 * @example bestWay([{ way: 'none', seen: [0, 0], pits: [0, 0], takes: 0 }])!.way // 'none'
 */
export function bestWay(found: readonly WayOfPiece[]): WayOfPiece | undefined {
  const possible = found.filter(({ hindrance }) => hindrance === undefined)
  const enough = possible.filter(({ seen }) => seen[0] < fewBubbles)
  const ranked = (enough.length > 0 ? enough : possible).toSorted((a, b) =>
    enough.length > 0
      ? a.takes - b.takes || a.seen[1] - b.seen[1]
      : a.seen[0] - b.seen[0] || a.seen[1] - b.seen[1],
  )
  return ranked[0]
}

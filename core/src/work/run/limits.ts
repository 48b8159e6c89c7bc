import { closingTime, underPressureBy, type AirTools } from '../../matter/air/index.ts'
import { gelOf } from '../../matter/cure/index.ts'
import type { Hands } from './hands.ts'
import type { Mix } from './mix.ts'
import type { RunMould } from './moulds.ts'
import type { RunLayer, TurnedLayer } from './needs.ts'
import type { Run } from './run.ts'

/** What every load of a run is planned with. */
export interface LoadBench {
  run: Pick<Run, 'room' | 'parts' | 'perMix' | 'way' | 'prefill' | 'onMachine'>
  hands: Hands
  /** Pairs of hands. */
  pairs: number
  tools: AirTools
  /** The largest cup that is to be had, m³ to the brim. */
  largestCup: number
}

/** A mix as it stands in its load. */
export interface LoadedMix extends Mix {
  /** From the first mix of the load until its parts meet, s. */
  begins: number
}

/** Why a mould can't be filled in time even when it is alone. */
export interface TooSlow {
  mould: RunMould
  by: 'pouring' | 'lid' | 'pot'
  /** s that hands take, and that there are. */
  needs: number
  has: number
}

/** Casts cure under pressure. @example usesPot({ way: 'both' }) // true */
export const usesPot = ({ way }: Pick<Run, 'way'>) => way === 'pressure' || way === 'both'
/** A mix is freed of air before it is poured. @example usesVacuum({ way: 'none' }) // false */
export const usesVacuum = ({ way }: Pick<Run, 'way'>) => way === 'vacuum' || way === 'both'

/** Of the time a cup pours so much is kept to spare where more than one mould is planned (common practice, no source). */
export const keptToSpare = 0.1

/**
 * What comes too late in a load, if anything: a mould, or the lid of the pot. One mould alone may
 * take all the time there is; what is planned beside it leaves a tenth to spare, for no hand pours
 * to the second.
 */
export function lateness(
  mixes: readonly LoadedMix[],
  bench: LoadBench,
  pot: boolean,
): Omit<TooSlow, 'mould'> | undefined {
  const spare = ({ cup }: Mix) => keptToSpare * cup.poursUntil
  for (const mix of mixes) {
    const has = mix.cup.poursUntil - (mix.moulds.length > 1 ? spare(mix) : 0)
    if (mix.poured > has) return { by: 'pouring', needs: mix.poured, has }
  }
  if (!pot) return undefined
  const { atPressure } = closing(mixes, bench)
  const several = mixes.length > 1 || mixes[0].moulds.length > 1
  for (const mix of mixes) {
    const has = underPressureBy * gelOfMix(mix, bench.run) - (several ? spare(mix) : 0)
    if (atPressure! - mix.begins > has) return { by: 'lid', needs: atPressure! - mix.begins, has }
  }
  return undefined
}

/** When the lid is on, and when the pot is at pressure, s after the first mix; nothing without a pot. */
export function closing(mixes: readonly LoadedMix[], { run, tools }: LoadBench) {
  const done = Math.max(...mixes.map((mix) => mix.begins + mix.done))
  const pot = usesPot(run) ? tools.pot : undefined
  return pot ? { lid: done + pot.lid, atPressure: done + closingTime(pot) } : {}
}

const slower = new WeakMap<RunLayer['law'], Map<string, number>>()

/** How much longer a layer takes in the room of the run than in that of its plan, as its law runs with the room. */
function slowerIn({ law, room }: Pick<RunLayer, 'law' | 'room'>, run: Pick<Run, 'room'>): number {
  const known = slower.get(law) ?? new Map<string, number>()
  slower.set(law, known)
  const key = `${run.room} ${room}`
  const found = known.get(key) ?? gelOf(law, run.room) / gelOf(law, room)
  known.set(key, found)
  return found
}

/**
 * A layer's clock in the room of the run, s after its mixing: its gel, when it is hard, and from
 * when until when things are set into it. In a warmer room all of it comes sooner.
 */
export function inRoom(
  layer: Pick<RunLayer, 'law' | 'gel' | 'hard' | 'trim' | 'room' | 'sets' | 'turned'>,
  run: Pick<Run, 'room'>,
): Pick<RunLayer, 'gel' | 'hard' | 'trim' | 'sets' | 'turned'> {
  const slower = slowerIn(layer, run)
  return {
    gel: layer.gel * slower,
    hard: layer.hard * slower,
    trim: layer.trim === undefined ? undefined : layer.trim * slower,
    sets: layer.sets.map((set) => ({
      ...set,
      from: set.from * slower,
      until: set.until * slower,
    })),
    turned: layer.turned && turnedSlower(layer.turned, slower),
  }
}

/**
 * A shot in a resin or a room that thickens so many times slower.
 *
 * @example turnedSlower({ shot: 1, of: 1, by: 'hands', turns: 6, countsFrom: 60, stopsAt: 90 }, 2).stopsAt // 180
 */
export const turnedSlower = (turned: TurnedLayer, slower: number): TurnedLayer => ({
  ...turned,
  countsFrom: turned.countsFrom * slower,
  stopsAt: turned.stopsAt * slower,
})

/** From the pour of the layer below to that of this one, s: as long as the one below takes to get there. */
export const waitInRoom = (
  layers: readonly Pick<RunLayer, 'law' | 'room' | 'wait'>[],
  layer: number,
  run: Pick<Run, 'room'>,
): number => (layer === 0 ? 0 : layers[layer].wait * slowerIn(layers[layer - 1], run))

/** When the first of a mix's moulds gels that are to go into the pot; Infinity where none is. */
export const gelOfMix = ({ moulds, layer, dabs }: Mix, run: Pick<Run, 'room'>): number =>
  Math.min(
    ...moulds
      .filter(({ pour }) => !dabs && layer === pour.layers.length - 1)
      .map(({ pour }) => inRoom(pour.layers[layer], run).gel),
  )

/**
 * When a layer comes out of its mould, s after its mixing: while it is rubbery where its plan has it
 * so, but never out of a pot before it is hard, or bubbles grow back.
 */
export function outOf(
  layer: Parameters<typeof inRoom>[0],
  run: Pick<Run, 'room' | 'way'>,
): { at: number; rubbery: boolean } {
  const { hard, trim } = inRoom(layer, run)
  const rubbery = trim !== undefined && !usesPot(run)
  return { at: rubbery ? trim : hard, rubbery }
}

import type { AirTools } from '../../matter/air/index.ts'
import { conditionFacts } from '../../mould/index.ts'
import { safetyInTurn, type Hazard, type SafetyLine, type Step } from '../../base/caution/index.ts'
import { laidBefore, type SetHow } from '../../matter/inclusion/index.ts'
import { weighedApart, weighIn, type Weighing } from '../../matter/mix/index.ts'
import type { TimedLoad } from './compile.ts'
import type { Conditioning } from './conditioning.ts'
import { inRoom, outOf, type LoadedMix } from './limits.ts'
import { closesBefore } from './mix.ts'
import type { RunMould } from './moulds.ts'
import type { Run } from './run.ts'

export type RunStepName =
  | 'lay out'
  | 'condition'
  | 'close'
  | 'weigh'
  | 'mix'
  | 'vacuum'
  | 'face'
  | 'prefill'
  | 'fill'
  | 'turn'
  | 'set'
  | 'into pot'
  | 'pressure'
  | 'clean'
  | 'demould'

/** One thing to do in a load, with the safety lines to read before it (each once in a run). */
export interface RunStep {
  step: RunStepName
  load: TimedLoad
  /** s after the first mix of the load. */
  at?: number
  mix?: LoadedMix
  /** What goes into its cup. */
  weighing?: Weighing
  /** What is done to its moulds before anything is mixed. */
  condition?: Conditioning
  /** What is set into all its moulds, from `at` until so many s after the first mix of the load. */
  set?: { name: string; count: number; how: SetHow; until: number }
  /** They come out rubbery, and are hard so many s after the first mix. */
  flat?: number
  /** Moulds in their order. */
  moulds: RunMould[]
  /** What lies on the bench, as far as safety asks. */
  hazards: Hazard[]
  safety: SafetyLine[]
}

/** Steps of the safety table that stand before a step of a run. */
const read: Record<RunStepName, Step | undefined> = {
  'lay out': undefined,
  condition: 'prepare',
  close: undefined,
  weigh: 'weigh',
  mix: 'mix',
  vacuum: 'vacuum',
  face: 'mix',
  prefill: 'pour',
  fill: 'pour',
  turn: 'turn',
  set: undefined,
  'into pot': undefined,
  pressure: 'pressure',
  clean: 'pour',
  demould: 'demould',
}

/**
 * A run as steps in the order of the work: each load laid out, its moulds conditioned, what lies on
 * one laid before its parts meet, moulds closed and banded, dusted where metal makes their skin, each of its cups weighed, mixed and poured,
 * the pot shut, and what comes out; tools are cleaned before what is on them is hard. A mould that is prefilled from its cup is closed once it is. Cups that follow one
 * another are all weighed before the first of them is mixed: there is no time for it later.
 */
export function runSteps(
  loads: readonly TimedLoad[],
  run: Pick<Run, 'room' | 'layOut' | 'way'>,
  { pot, vessel }: AirTools,
  cups?: readonly number[],
): RunStep[] {
  const safetyOf = safetyInTurn()
  return loads.flatMap((load) => {
    const add = (step: RunStepName, more: Partial<RunStep> = {}): RunStep => {
      const moulds = more.moulds ?? more.mix?.moulds ?? load.moulds
      const hazards = more.hazards ?? hazardsOf(moulds, { pot, vessel })
      const stand = read[step]
      const safety = stand ? safetyOf(stand, hazards) : []
      return { step, load, moulds, hazards, safety, ...more }
    }
    const setSteps = (mix: LoadedMix, before: boolean) =>
      setsOf(mix, run)
        .filter(({ how }) => laidBefore.has(how) === before)
        .map(({ at, ...set }) => add('set', { mix, at, set }))
    const pour = (mix: LoadedMix) => {
      const at = (what: string) => {
        const task = mix.tasks.find((one) => one.what === what)
        return task && mix.begins + task.from
      }
      const handled = (what: string) =>
        mix.moulds.filter((mould) =>
          mix.tasks.some((task) => task.what === what && task.mould === mould),
        )
      const [open, shut, turned] = [handled('prefill'), handled('band'), handled('turn')]
      return [
        add('mix', { mix, at: mix.begins }),
        ...(at('vacuum') === undefined ? [] : [add('vacuum', { mix, at: at('vacuum') })]),
        ...(at('face') === undefined ? [] : [add('face', { mix, at: at('face') })]),
        ...(open.length === 0 ? [] : [add('prefill', { mix, moulds: open, at: at('prefill') })]),
        ...(shut.length === 0 ? [] : [add('close', { mix, moulds: shut, at: at('band') })]),
        ...(mix.dabs ? [] : [add('fill', { mix, at: at('fill') }), ...setSteps(mix, false)]),
        ...(turned.length === 0
          ? []
          : [add('turn', { mix, moulds: turned, at: at('plug') ?? at('turn') })]),
        ...(at('pot') === undefined ? [] : [add('into pot', { mix, at: at('pot') })]),
      ]
    }
    const condition = (condition: Conditioning) => {
      const { what, clings } = condition
      const hazards = [...conditionFacts[what].hazards]
      if (clings !== undefined) hazards.push('powder')
      return add('condition', { condition, moulds: condition.moulds, hazards })
    }
    const conditioned = load.conditioning.filter((line) => !isSkin(line)).map(condition)
    // Shaken about in the closed mould.
    const dusted = load.conditioning.filter(isSkin)
    const closed = load.moulds.filter(({ pour }) => closesBefore(pour))
    const worked = rounds(load.mixes).flatMap((round, i) => [
      ...round.filter(({ dabs }) => !dabs).flatMap((mix) => setSteps(mix, true)),
      ...(i === 0 && closed.length > 0 ? [add('close', { moulds: closed })] : []),
      ...(i === 0 ? dusted.map(condition) : []),
      ...round.map((mix) => add('weigh', { mix, weighing: weighingOf(mix, load, cups) })),
      ...round.flatMap(pour).toSorted((a, b) => a.at! - b.at!),
    ])
    const shut = load.lid === undefined ? [] : [add('pressure', { at: load.lid })]
    const begins = -(run.layOut + load.preparing)
    return [
      add('lay out', { at: begins }),
      ...conditioned,
      ...worked,
      ...shut,
      add('clean'),
      add('demould', { at: load.out, flat: flatUntil(load, run) }),
    ]
  })
}

/** It makes a metal skin. */
const isSkin = ({ clings }: Conditioning): boolean => clings !== undefined

/** A first mix this long after another one is a stay at the bench of its own, s. */
const anotherStay = 900

/**
 * The steps that somebody has to be there for anew: a load laid out, a later layer mixed, things set
 * in, casts taken out.
 *
 * @example staysOf([]) // []
 */
export const staysOf = (steps: readonly RunStep[]): RunStep[] =>
  steps.filter(({ step, load, at = 0 }, i) => {
    if (step === 'set') return at >= anotherStay
    if (step !== 'mix') return step === 'lay out' || step === 'demould'
    const before = steps.slice(0, i).findLast((one) => one.step === 'mix' && one.load === load)
    return before !== undefined && at - before.at! >= anotherStay
  })

/** What came out rubbery lies flat until it is hard, s after the first mix; undefined where nothing did. */
function flatUntil({ mixes }: TimedLoad, run: Pick<Run, 'room' | 'way'>): number | undefined {
  const hard = mixes.flatMap(({ begins, moulds, layer, dabs }) =>
    (dabs ? [] : moulds)
      .map(({ pour }) => pour.layers[layer])
      .filter((one) => outOf(one, run).rubbery)
      .map((one) => begins + inRoom(one, run).hard),
  )
  return hard.length > 0 ? Math.max(...hard) : undefined
}

/** What is set into all moulds of a mix together: a moment at which each of them takes it. */
function setsOf({ moulds, layer, begins }: LoadedMix, run: Pick<Run, 'room'>) {
  const found = new Map<
    string,
    { name: string; how: SetHow; count: number; at: number; until: number }
  >()
  for (const { pour } of moulds) {
    for (const { name, how, count, from, until } of inRoom(pour.layers[layer], run).sets) {
      const key = `${how} ${name}`
      const before = found.get(key)
      found.set(key, {
        name,
        how,
        count: count + (before?.count ?? 0),
        at: Math.max(begins + from, before?.at ?? -Infinity),
        until: Math.min(begins + until, before?.until ?? Infinity),
      })
    }
  }
  return [...found.values()]
}

/**
 * Metal powder of a mix that makes a skin, and the part of it that takes it, kg.
 *
 * @example faceOf({ moulds: [], layer: 0 }) // undefined
 */
export function faceOf({ moulds, layer }: Pick<LoadedMix, 'moulds' | 'layer'>) {
  const skins = moulds.flatMap(({ pour }) => pour.layers[layer].skin ?? [])
  const faces = skins.flatMap(({ face }) => face ?? [])
  if (faces.length === 0) return undefined
  const sum = (what: 'powder' | 'resin') => faces.reduce((all, face) => all + face[what], 0)
  return { name: skins[0].powder, powder: sum('powder'), resin: sum('resin') }
}

/** Mixes with less than this between them are weighed together, s. */
const oneStay = 900

/**
 * Mixes of a load by stays at the bench: those that follow one another without a pause.
 *
 * @example rounds([]) // []
 */
export function rounds(mixes: readonly LoadedMix[]): LoadedMix[][] {
  const found: LoadedMix[][] = []
  for (const mix of mixes) {
    const before = found.at(-1)?.at(-1)
    if (before && mix.begins - before.begins - before.done < oneStay) found.at(-1)!.push(mix)
    else found.push([mix])
  }
  return found
}

/**
 * Cups of a load: two for each mix, since a fast one is weighed in two and a slow one is stirred on
 * in a second clean one.
 *
 * @example cupsOf({ mixes: [] }) // 0
 */
export const cupsOf = ({ mixes }: Pick<TimedLoad, 'mixes'>): number => 2 * mixes.length

/** What goes into the cup of a mix of a load, of the sizes that are to be had, m³ to the brim. */
export function weighingOf(
  mix: LoadedMix,
  { mixes }: Pick<TimedLoad, 'mixes'>,
  cups?: readonly number[],
): Weighing {
  const { layers, step } = mix.moulds[0].pour
  const { resin, tints } = layers[mix.layer]
  const stay = rounds(mixes).find((round) => round.includes(mix))!
  return weighedApart(
    weighIn(1, mix.volume, { resin, tints }, step, cups),
    resin,
    step,
    stay.length,
  )
}

/** Each once: a bench keeps them with every task. */
function hazardsOf(moulds: readonly RunMould[], { pot, vessel }: AirTools): Hazard[] {
  const layers = moulds.flatMap(({ pour }) => pour.layers)
  return [
    ...new Set<Hazard>([
      'any resin',
      ...layers.flatMap(({ hazards }) => hazards),
      ...(pot ? (['pressure vessel'] as const) : []),
      ...(vessel ? (['vacuum vessel'] as const) : []),
    ]),
  ]
}

import type { AirTools } from '../../matter/air/index.ts'
import { safetyFor, type Hazard, type SafetyLine, type Step } from '../../base/caution/index.ts'
import { resinClasses } from '../../matter/material/index.ts'
import { weighIn, type Weighing } from '../../matter/mix/index.ts'
import type { TimedLoad } from './compile.ts'
import type { LoadedMix } from './limits.ts'
import type { RunMould } from './moulds.ts'

export type RunStepName =
  'lay out' | 'weigh' | 'mix' | 'vacuum' | 'fill' | 'finish' | 'pressure' | 'demould'

/** One thing to do in a load, with the safety lines to read before it (each once in a run). */
export interface RunStep {
  step: RunStepName
  load: TimedLoad
  /** s after the first mix of the load. */
  at?: number
  mix?: LoadedMix
  /** What goes into its cup. */
  weighing?: Weighing
  /** Moulds in their order. */
  moulds: RunMould[]
  /** What lies on the bench, as far as safety asks. */
  hazards: Hazard[]
  safety: SafetyLine[]
}

/** Steps of the safety table that stand before a step of a run. */
const read: Record<RunStepName, Step | undefined> = {
  'lay out': undefined,
  weigh: 'weigh',
  mix: 'mix',
  vacuum: 'vacuum',
  fill: 'pour',
  finish: undefined,
  pressure: 'pressure',
  demould: 'demould',
}

/**
 * A run as steps in the order of the work: each load laid out, each of its cups weighed, mixed and
 * poured, the pot shut, and what comes out. Cups that follow one another are all weighed before
 * the first of them is mixed: there is no time for it later.
 */
export function runSteps(
  loads: readonly TimedLoad[],
  { pot, vessel }: AirTools,
  cups?: readonly number[],
): RunStep[] {
  const shown = new Set<string>()
  const fresh = (step: RunStepName, hazards: readonly Hazard[]) => {
    const at = read[step]
    const lines = at ? safetyFor(at, hazards).filter(({ id }) => !shown.has(id)) : []
    lines.forEach(({ id }) => shown.add(id))
    return lines
  }
  return loads.flatMap((load) => {
    const add = (step: RunStepName, more: Partial<RunStep> = {}): RunStep => {
      const moulds = more.moulds ?? more.mix?.moulds ?? load.moulds
      const hazards = hazardsOf(moulds, { pot, vessel })
      return { step, load, moulds, hazards, safety: fresh(step, hazards), ...more }
    }
    const pour = (mix: LoadedMix) => {
      const at = (what: string) => {
        const task = mix.tasks.find((one) => one.what === what)
        return task && mix.begins + task.from
      }
      const finished = mix.tasks.some(({ what }) => what === 'band' || what === 'pot')
      return [
        add('mix', { mix, at: mix.begins }),
        ...(at('vacuum') === undefined ? [] : [add('vacuum', { mix, at: at('vacuum') })]),
        add('fill', { mix, at: at('prefill') ?? at('fill') }),
        ...(finished ? [add('finish', { mix, at: at('band') ?? at('pot') })] : []),
      ]
    }
    const worked = rounds(load.mixes).flatMap((round) => [
      ...round.map((mix) => add('weigh', { mix, weighing: weighingOf(mix, cups) })),
      ...round.flatMap(pour),
    ])
    const shut = load.lid === undefined ? [] : [add('pressure', { at: load.lid })]
    return [add('lay out'), ...worked, ...shut, add('demould', { at: load.out })]
  })
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

/** What goes into the cup of a mix, of the sizes that are to be had, m³ to the brim. */
export function weighingOf(
  { moulds, layer, volume }: Pick<LoadedMix, 'moulds' | 'layer' | 'volume'>,
  cups?: readonly number[],
): Weighing {
  const { layers, step } = moulds[0].pour
  const { resin, tints } = layers[layer]
  return weighIn(1, volume, { resin, tints }, step, cups)
}

function hazardsOf(moulds: readonly RunMould[], { pot, vessel }: AirTools): Hazard[] {
  const resins = moulds.flatMap(({ pour }) => pour.layers)
  return [
    'any resin',
    ...resins.map(({ resin }): Hazard => resinClasses[resin.class].hazard),
    ...(resins.some(({ tints }) => tints.some(({ material }) => material.form === 'powder'))
      ? (['powder'] as const)
      : []),
    ...(pot ? (['pressure vessel'] as const) : []),
    ...(vessel ? (['vacuum vessel'] as const) : []),
  ]
}

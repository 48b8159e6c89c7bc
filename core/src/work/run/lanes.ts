import { underPressureBy } from '../../matter/air/index.ts'
import type { TimedLoad } from './compile.ts'
import { gelOfMix } from './limits.ts'
import type { Task, TaskName } from './mix.ts'
import type { Run } from './run.ts'

/** Something on a lane of the clock, s after the first mix of the load. */
export interface Span {
  what: TaskName | 'held'
  /** The mould's place in the order, from 1. */
  mould?: number
  from: number
  until: number
  viscosity?: number
}

/** One cup on the clock. */
export interface CupLane {
  from: number
  poursUntil: number
  gel: number
  /** How thick it is, times what it was, at moments. */
  thick: { at: number; times: number }[]
}

/** A load as a clock draws it: a lane for each cup, for each pair of hands, for the turning machine, for the pot. */
export interface LoadLanes {
  cups: CupLane[]
  hands: Span[][]
  machine: Span[]
  pot: Span[]
  /** Under pressure by then, for the first of the cups; absent without a pot. */
  lidBy?: number
  /** What the clock shows, s. */
  end: number
}

/** Room after the last mark, as a share. */
const after = 0.06

/**
 * The lanes of a load.
 *
 * @example lanesOf({ mixes: [], moulds: [], handsOn: 0, out: 0, spare: 0, index: 0, at: 0, day: 0, outside: false }, { room: 294 }).cups // []
 */
export function lanesOf(load: TimedLoad, run: Pick<Run, 'room'>): LoadLanes {
  const { mixes, moulds, lid, atPressure } = load
  const number = ({ mould }: Task) => (mould ? moulds.indexOf(mould) + 1 : undefined)
  const spans = mixes.flatMap(({ begins, tasks }) =>
    tasks.map((task) => ({
      by: task.by,
      what: task.what,
      mould: number(task),
      from: begins + task.from,
      until: begins + task.until,
      viscosity: task.viscosity,
    })),
  )
  const pairs = Math.max(0, ...spans.map(({ by }) => (by === 'machine' ? 0 : by + 1)))
  const cups = mixes.map((mix): CupLane => {
    const { begins, cup } = mix
    return {
      from: begins,
      poursUntil: begins + cup.poursUntil,
      gel: begins + cup.gel,
      thick: cup.time.map((time, i) => ({
        at: begins + time,
        times: cup.viscosity[i] / cup.viscosity[0],
      })),
    }
  })
  const by = Math.min(...mixes.map((mix) => mix.begins + underPressureBy * gelOfMix(mix, run)))
  const lidBy = lid === undefined || by === Infinity ? undefined : by
  const marks = [load.handsOn, lidBy ?? 0, ...cups.map(({ gel }) => gel)]
  // A slow cup gels in hours: what the hands do is seen beside it.
  const end = (1 + after) * Math.min(Math.max(0, ...marks), 6 * Math.max(load.handsOn, 1))
  const shut = mixes.length > 0 ? Math.max(...mixes.map(({ begins, done }) => begins + done)) : 0
  return {
    cups,
    hands: Array.from({ length: pairs }, (_, by) => spans.filter((span) => span.by === by)),
    machine: spans.filter(({ by }) => by === 'machine'),
    pot:
      lid === undefined
        ? []
        : [
            { what: 'lid', from: shut, until: lid },
            { what: 'pressure', from: lid, until: atPressure! },
            { what: 'held', from: atPressure!, until: end },
          ],
    lidBy,
    end,
  }
}

/** Even marks for a clock of that length: no more than six, at round times. @example ticksOf(170) // [0, 30, 60, 90, 120, 150] */
export function ticksOf(end: number): number[] {
  const steps = [10, 15, 30, 60, 120, 300, 600, 1800, 3600, 7200, 14400, 43200, 86400]
  const step = steps.find((one) => end / one <= 6) ?? 86400
  // The last needs room for its words.
  return Array.from({ length: Math.floor((0.97 * end) / step) + 1 }, (_, i) => i * step)
}

import { lieAt, turnTakes, type Lie } from '../../matter/turning/index.ts'
import { toRead } from './before.ts'
import { amberFrom, clocksOf, type Clock } from './clocks.ts'
import type { Bench } from './bench.ts'
import { progressOf, type Progress } from './progress.ts'
import type { Task, TaskOf } from './tasks.ts'

/** Something to be said aloud. */
export interface Cue {
  /** s since 1970. */
  at: number
  when: 'ahead' | 'amber' | 'over' | 'lie'
  clock: Clock
  /** Side that a turned mould is laid on. */
  lie?: Lie
}

/** Said so long before a clock ends, s. */
export const ahead = 30

/**
 * What is to be said while a bench runs, in its order: half a minute ahead of the end of every
 * clock (not of those that are shorter), deadlines at amber, and at their end.
 */
export function cuesOf(bench: Pick<Bench, 'tasks' | 'events'>): Cue[] {
  const progress = progressOf(bench)
  return clocksOf(bench, progress)
    .flatMap((clock): Cue[] => {
      const { from, until, kind } = clock
      const long = until - from
      const amber = from + amberFrom * long
      const said: Cue[] = [{ at: until, when: 'over', clock }]
      if (long > 2 * ahead) said.push({ at: until - ahead, when: 'ahead', clock })
      // Two warnings within seconds of each other are one.
      const apart = Math.abs(until - ahead - amber) > ahead / 2
      if (kind === 'deadline' && (apart || long <= 2 * ahead)) {
        said.push({ at: amber, when: 'amber', clock })
      }
      if (clock.what === 'turn') said.push(...liesSaid(bench, progress, clock))
      return said
    })
    .toSorted((a, b) => a.at - b.at)
}

/** Where a mould is laid next, at each turn of it, until nothing moves. */
function liesSaid(bench: Pick<Bench, 'tasks' | 'events'>, { task }: Progress, clock: Clock): Cue[] {
  const turning = turningNow(bench, task)
  if (!turning?.called || turning.task.mix !== clock.mix) return []
  const { since } = turning
  const { turns } = turning.task
  const takes = turnTakes(turns)
  return Array.from({ length: Math.max(0, Math.ceil((clock.until - since) / takes)) }, (_, i) => ({
    at: since + i * takes,
    when: 'lie',
    clock,
    lie: lieAt(turns, i * takes).now,
  }))
}

/**
 * The turning that goes on, and since when, s since 1970: its moulds were filled, and its caution was
 * read. Sides are called out for hands that turn a closed mould.
 *
 * @example turningNow({ tasks: [], events: [] }, undefined) // undefined
 */
export function turningNow(
  bench: Pick<Bench, 'tasks' | 'events'>,
  task: Task | undefined,
): { task: TaskOf<'turn'>; since: number; called: boolean } | undefined {
  if (task?.what !== 'turn' || toRead(bench, task).length > 0) return undefined
  const begun = bench.events.findLast(({ what }) => what === 'done' || what === 'read')
  const called = task.by === 'hands' && task.closed === 'yes'
  return begun && { task, since: begun.at, called }
}

/** Cues that fall between two looks at the clock. After a long sleep only those of the last minute are said. */
export function cuesDue(cues: readonly Cue[], from: number, until: number): Cue[] {
  const since = Math.max(from, until - 60)
  return cues.filter(({ at }) => at > since && at <= until)
}

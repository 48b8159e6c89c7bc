import { lieAt, turnTakes, type Lie } from '../../matter/turning/index.ts'
import { toRead } from './before.ts'
import type { Bench } from './bench.ts'
import type { Progress } from './progress.ts'
import type { Task, TaskOf } from './tasks.ts'

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

/** Where a mould is laid next, at each turn of it, until nothing moves. */
export function calledSides(
  bench: Pick<Bench, 'tasks' | 'events'>,
  { task }: Pick<Progress, 'task'>,
  until: number,
): { at: number; lie: Lie }[] {
  const turning = turningNow(bench, task)
  if (!turning?.called) return []
  const { since } = turning
  const { turns } = turning.task
  const takes = turnTakes(turns)
  return Array.from({ length: Math.max(0, Math.ceil((until - since) / takes)) }, (_, i) => ({
    at: since + i * takes,
    lie: lieAt(turns, i * takes).now,
  }))
}

/** A turning as it stands at a moment. */
export interface TurningStand {
  /** Which side lies below, which comes next and in how many seconds; absent where none is called out. */
  lies?: ReturnType<typeof lieAt>
  /** What it lays stays by now; else in so many seconds. */
  counts: boolean
  countsIn: number
  /** Until nothing moves, s. */
  left: number
}

/**
 * How the turning of a task stands at `now`, s since 1970; undefined before its parts met.
 *
 * @example turningAt({ tasks: [], events: [] }, { met: new Map() }, { mix: 0 }, 0) // undefined
 */
export function turningAt(
  bench: Pick<Bench, 'tasks' | 'events'>,
  { met }: Pick<Progress, 'met'>,
  task: TaskOf<'turn'>,
  now: number,
): TurningStand | undefined {
  const from = met.get(task.mix)
  if (from === undefined) return undefined
  const turning = turningNow(bench, task)
  const countsIn = Math.max(0, from + task.counts - now)
  return {
    lies: turning?.called ? lieAt(task.turns, Math.max(0, now - turning.since)) : undefined,
    counts: countsIn === 0,
    countsIn,
    left: Math.max(0, from + task.stops - now),
  }
}

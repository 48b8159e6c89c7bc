import { isAtPressure } from '../../matter/air/index.ts'
import type { ConditionName } from '../../mould/index.ts'
import type { Bench } from './bench.ts'
import { progressOf, type Progress } from './progress.ts'
import type { Task, TaskOf } from './tasks.ts'

export type ClockName =
  | 'pours'
  | 'gels'
  | 'pressure by'
  | 'hold'
  | 'next mix'
  | 'stir'
  | 'turn'
  | 'set'
  | 'demould'
  | 'wait'
  | 'dries'
  | 'flat'

/** One row of the bench's clock. */
export interface Clock {
  what: ClockName
  /** Tells it from others of its kind. */
  id: string
  /** s since 1970. */
  from: number
  until: number
  /** Time is what ends, or what has to pass first. */
  kind: 'deadline' | 'wait'
  /** Name of what it is about. */
  name?: string
  mix?: number
}

/** How a clock stands. */
export interface ClockState extends Clock {
  /** s; under 0 when it is over. */
  left: number
  share: number
  state: 'calm' | 'amber' | 'red'
}

/** A deadline turns amber when this share of it is gone. */
export const amberFrom = 0.8

/** All clocks that run, the soonest end first. */
export function clocksOf(
  bench: Pick<Bench, 'tasks' | 'events'>,
  progress: Progress = progressOf(bench),
): Clock[] {
  const { tasks, done, skipped, met, lost, begun } = progress
  const open = (task: Task) => !done.has(task.id) && !skipped.has(task.id)
  const clocks: Clock[] = [
    ...waitingNow(bench, progress),
    ...drying(bench, progress).map(({ load: _, condition: name, ...dries }): Clock => ({
      ...dries,
      what: 'dries',
      kind: 'wait',
      name,
    })),
  ]
  for (const task of tasks) {
    if (task.what === 'mix') clocks.push(...clocksOfMix(task, progress, open))
    const start = begun.get(task.load)
    if (start === undefined || !open(task)) continue
    if (task.what === 'lid' && task.by !== undefined) {
      clocks.push({
        what: 'pressure by',
        id: task.id,
        from: start,
        until: start + task.by,
        kind: 'deadline',
      })
    }
    if (task.what === 'hold' || task.what === 'demould') {
      // Nothing is held before the lid is on.
      const shut = tasks.some(
        ({ what, load, id }) => what === 'lid' && load === task.load && !done.has(id),
      )
      if (task.at === undefined || (task.what === 'hold' && shut)) continue
      const what = task.what
      clocks.push({ what, id: task.id, from: start, until: start + task.at, kind: 'wait' })
    }
    if (task.what === 'trim' && task.flat !== undefined) {
      const { id, flat } = task
      clocks.push({ what: 'flat', id, from: start, until: start + flat, kind: 'wait' })
    }
    if (task.what === 'mix' && !met.has(task.mix) && !lost.has(task.mix) && task.at! > 0) {
      clocks.push({
        what: 'next mix',
        id: task.id,
        from: start,
        until: start + task.at!,
        kind: 'wait',
        mix: task.mix,
      })
    }
  }
  return clocks.toSorted((a, b) => a.until - b.until)
}

/**
 * The clock that binds: the deadline that comes first, and a wait only where nothing is lost by time.
 *
 * @example bindingClock([]) // undefined
 */
export const bindingClock = (clocks: readonly Clock[]): Clock | undefined =>
  clocks.find(({ kind }) => kind === 'deadline') ?? clocks.at(0)

/** A wait begins when what came before it was done. */
function waitingNow({ events }: Pick<Bench, 'events'>, { task }: Progress): Clock[] {
  if (task?.what !== 'wait') return []
  const from = events.findLast(({ what }) => what === 'done')?.at
  if (from === undefined) return []
  return [{ what: 'wait', id: task.id, from, until: from + task.takes, kind: 'wait' }]
}

/** What was done to a mould and is left alone until then, s since 1970. */
interface Drying {
  id: string
  load: number
  condition: ConditionName
  from: number
  until: number
}

/** What was wiped or released is left alone until it is dry; none once its load is mixed. */
const drying = ({ events }: Pick<Bench, 'events'>, { tasks, done, begun }: Progress): Drying[] =>
  tasks.flatMap((task): Drying[] => {
    if (task.what !== 'condition' || task.waits <= 0) return []
    if (!done.has(task.id) || begun.has(task.load)) return []
    const from = events.findLast((one) => one.what === 'done' && one.task === task.id)!.at
    const { id, load, condition, waits } = task
    return [{ id, load, condition, from, until: from + waits }]
  })

/**
 * What is still wet of the moulds of a task's load, the last to be dry: resin waits for it. Nothing
 * once it is dry.
 *
 * @example dryingOf({ tasks: [], events: [] }, progressOf({ tasks: [], events: [] }), { load: 0 }, 0) // undefined
 */
export const dryingOf = (
  bench: Pick<Bench, 'tasks' | 'events'>,
  progress: Progress,
  { load }: Pick<Task, 'load'>,
  now: number,
): Drying | undefined =>
  drying(bench, progress)
    .filter((one) => one.load === load && one.until > now)
    .toSorted((a, b) => b.until - a.until)
    .at(0)

function clocksOfMix(
  task: TaskOf<'mix'>,
  { tasks, met, lost }: Progress,
  open: (task: Task) => boolean,
): Clock[] {
  const from = met.get(task.mix)
  if (from === undefined || lost.has(task.mix)) return []
  const clock = (
    what: ClockName,
    takes: number,
    kind: Clock['kind'],
    more: Partial<Clock> = {},
  ) => ({
    what,
    id: `${task.id} ${what}`,
    from,
    until: from + takes,
    kind,
    mix: task.mix,
    ...more,
  })
  /** Silicone is poured by the step that follows its mixing, and has its pot life until then. */
  const poursNext = ({ id }: TaskOf<'mix'>) => {
    const rest = tasks.slice(tasks.findIndex((one) => one.id === id) + 1)
    const next = rest.find(({ what }) => what !== 'vacuum')
    return next?.what === 'step' && open(next)
  }
  const found: Clock[] = []
  if (open(task) && task.takes) found.push(clock('stir', task.takes, 'wait'))
  const ours = tasks.filter((other) => 'mix' in other && other.mix === task.mix && open(other))
  const pouring = ours.some(({ what }) => what === 'fill' || what === 'prefill') || poursNext(task)
  if (pouring) found.push(clock('pours', task.pours, 'deadline'))
  else if (ours.some(({ what }) => what === 'into pot'))
    found.push(clock('gels', task.gel, 'deadline'))
  const turned = ours.find((one) => one.what === 'turn')
  if (turned?.what === 'turn' && !pouring) found.push(clock('turn', turned.stops, 'wait'))
  for (const other of ours) {
    if (other.what !== 'set') continue
    const { name, until } = other
    found.push(clock('set', until, 'deadline', { id: other.id, name, from: from + other.from }))
  }
  return found
}

/** A clock at a moment. @example clockAt({ what: 'pours', id: 'a', from: 0, until: 100, kind: 'deadline' }, 85).state // 'amber' */
export function clockAt(clock: Clock, now: number): ClockState {
  const long = clock.until - clock.from
  const share = long > 0 ? Math.min(1, Math.max(0, (now - clock.from) / long)) : 1
  const left = clock.until - now
  const state =
    clock.kind === 'wait' || share < amberFrom ? 'calm' : left > 0 ? ('amber' as const) : 'red'
  return { ...clock, left, share, state }
}

/**
 * The gauge decides whether a pot is at pressure in time, not the key that says so. `gauge` in Pa.
 *
 * @example isInTime({ tasks: [] }, { what: 'pours', id: '1' }, 3e5) // false
 */
export const isInTime = (
  { tasks }: Pick<Bench, 'tasks'>,
  { what, id }: Pick<Clock, 'what' | 'id'>,
  gauge: number | undefined,
): boolean =>
  what === 'pressure by' &&
  gauge !== undefined &&
  tasks.some((task) => task.what === 'lid' && task.id === id && isAtPressure(gauge, task.gauge))

/** A cup that was mixed and no longer pours although moulds of it are still empty: is it lost? */
export function lateCup(
  bench: Pick<Bench, 'tasks' | 'events'>,
  now: number,
  progress: Progress = progressOf(bench),
): { mix: number; since: number } | undefined {
  const kept = new Set(bench.events.flatMap((event) => (event.what === 'kept' ? [event.mix] : [])))
  // Silicone past its pot life is still poured: thick, not lost.
  const fills = new Set(bench.tasks.flatMap((task) => (task.what === 'fill' ? [task.mix] : [])))
  const over = clocksOf(bench, progress).find(
    ({ what, until, mix }) => what === 'pours' && until < now && fills.has(mix!) && !kept.has(mix!),
  )
  return over && { mix: over.mix!, since: now - over.until }
}

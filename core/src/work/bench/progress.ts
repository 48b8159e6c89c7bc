import type { Bench, BenchEvent } from './bench.ts'
import type { Task, TaskOf } from './tasks.ts'
import { addings } from './weighing.ts'

/** How a bench stands. */
export interface Progress {
  /** With what was added since: parts to correct a cup. */
  tasks: Task[]
  done: ReadonlySet<string>
  skipped: ReadonlySet<string>
  /** The one thing to do; absent when all is done. */
  task?: Task
  /** When the parts of a mix met, s since 1970, by its number. */
  met: ReadonlyMap<number, number>
  /** The first of each load. */
  begun: ReadonlyMap<number, number>
  lost: ReadonlySet<number>
  finished: boolean
}

const eventsOf = <W extends BenchEvent['what']>(events: readonly BenchEvent[], what: W) =>
  events.filter((event): event is Extract<BenchEvent, { what: W }> => event.what === what)

/** The moment the parts meet: the last weighing of a cup where B goes onto A, else its mixing begins. */
export function progressOf(bench: Pick<Bench, 'tasks' | 'events'>): Progress {
  const { events } = bench
  const tasks = addings(bench)
  const doneAt = new Map(eventsOf(events, 'done').map(({ task, at }) => [task, at]))
  const skipped = new Set(eventsOf(events, 'skipped').map(({ task }) => task))
  const lost = new Set(eventsOf(events, 'lost').map(({ mix }) => mix))
  const fills = new Set(tasks.flatMap((task) => (task.what === 'fill' ? [task.mix] : [])))
  // A small cup for tight places that is lost fills nothing: its moulds are closed all the same.
  const stays = (task: Task & { mix: number }) =>
    task.what === 'weigh' || (task.what === 'band' && !fills.has(task.mix))
  const gone = (task: Task) => 'mix' in task && lost.has(task.mix) && !stays(task)
  const open = (task: Task) => !doneAt.has(task.id) && !skipped.has(task.id) && !gone(task)
  const met = new Map<number, number>()
  const begun = new Map<number, number>()
  for (const task of tasks) {
    if (task.what !== 'mix') continue
    const at = meetingOf(task, tasks, doneAt)
    if (at === undefined) continue
    met.set(task.mix, at)
    begun.set(task.load, Math.min(begun.get(task.load) ?? Infinity, at))
  }
  const next = tasks.find(open)
  return {
    tasks,
    done: new Set(doneAt.keys()),
    skipped,
    task: next,
    met,
    begun,
    lost,
    finished: next === undefined,
  }
}

/** When the key that lets the parts meet was pressed. */
function meetingOf(
  mix: TaskOf<'mix'>,
  tasks: readonly Task[],
  doneAt: ReadonlyMap<string, number>,
): number | undefined {
  const into = tasks.filter(
    (task): task is TaskOf<'weigh'> => task.what === 'weigh' && task.mix === mix.mix,
  )
  const apart = into.some((task) => task.apart === 'own cup')
  if (apart) return doneAt.get(startOf(mix.id))
  const last = into.filter(({ part }) => part !== 'tint').at(-1)
  return last ? doneAt.get(last.id) : doneAt.get(startOf(mix.id))
}

/** Mixing is begun by a key of its own: the parts meet. @example startOf('m1') // 'm1 begun' */
export const startOf = (task: string): string => `${task} begun`

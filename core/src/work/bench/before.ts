import { safetyFor, type SafetyLine, type Step } from '../../base/caution/index.ts'
import type { Bench } from './bench.ts'
import type { Task, TaskKind } from './tasks.ts'

/** Which step of the safety table stands before a task; each is read once, some in every load. */
const stands: Record<TaskKind, { step: Step; again: 'every load' | 'once' } | undefined> = {
  'lay out': undefined,
  condition: { step: 'prepare', again: 'once' },
  weigh: { step: 'weigh', again: 'once' },
  mix: { step: 'mix', again: 'once' },
  vacuum: { step: 'vacuum', again: 'every load' },
  face: { step: 'mix', again: 'once' },
  prefill: { step: 'pour', again: 'once' },
  wet: { step: 'pour', again: 'once' },
  fill: { step: 'pour', again: 'once' },
  turn: { step: 'turn', again: 'once' },
  set: { step: 'set', again: 'once' },
  band: undefined,
  'into pot': undefined,
  clean: { step: 'pour', again: 'once' },
  lid: { step: 'pressure', again: 'every load' },
  hold: undefined,
  release: { step: 'release', again: 'every load' },
  demould: { step: 'demould', again: 'once' },
  trim: undefined,
  step: undefined,
  wait: undefined,
}

/** What is told in sentences says itself which step it is. */
const safetyStepOf = (task: Task) =>
  task.what === 'step'
    ? { step: task.step, again: 'once' as const }
    : (silicone(task) ?? stands[task.what])

/** A mix that is turned as soon as it is poured leaves no time to read then: that is read before too. */
function safetyStepsOf(task: Task, tasks: readonly Task[]) {
  const own = safetyStepOf(task)
  const turns =
    task.what === 'mix' && tasks.some((one) => one.what === 'turn' && one.mix === task.mix)
  return [...(own ? [own] : []), ...(turns ? [stands.turn!] : [])]
}

/** Silicone is weighed and mixed by its own lines. */
const silicone = (task: Task) =>
  (task.what === 'weigh' || task.what === 'mix') && task.hazards.includes('any silicone')
    ? { step: 'silicone' as const, again: 'once' as const }
    : undefined

/**
 * What is to be read before a task, that was not read before: the table's lines for its step and
 * what lies on the bench. Nothing of a task is shown until they were.
 */
export function toRead(
  { tasks, events }: Pick<Bench, 'tasks' | 'events'>,
  task: Task,
): SafetyLine[] {
  const byId = new Map(tasks.map((one) => [one.id, one]))
  const read = events.flatMap((event) => {
    const other = event.what === 'read' ? byId.get(event.task) : undefined
    return other ? safetyStepsOf(other, tasks).map(({ step }) => ({ step, other })) : []
  })
  return safetyStepsOf(task, tasks).flatMap(({ step, again }) => {
    const known = new Set(
      read
        .filter((one) => one.step === step && (again === 'once' || one.other.load === task.load))
        .flatMap(({ other }) => safetyFor(step, other.hazards).map(({ id }) => id)),
    )
    return safetyFor(step, task.hazards).filter(({ id }) => !known.has(id))
  })
}

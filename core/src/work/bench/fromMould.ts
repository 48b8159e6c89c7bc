import type { Silicone } from '../../matter/material/index.ts'
import { makingSteps, type CompiledMould, type MakingStep, type Mould } from '../../mould/index.ts'
import { weighIn, type Weighing } from '../../matter/mix/index.ts'
import type { Bench } from './bench.ts'
import { progressOf } from './progress.ts'
import type { Task } from './tasks.ts'

/** Thickeners are stirred in by weight; their volume hardly counts (from memory), kg/m³. */
const thickenerDensity = 1500
/** Silicone gels at so many pot lives (common practice, no source). */
const gelsAfter = 2.5

/** What is known of a mould when its bench is set out. */
export interface MouldBenchOf {
  id: string
  revision: number
  mould: Mould
  compiled: CompiledMould
  silicone: Silicone
  room: number
  step: number
  /** Of the vacuum vessel, gauge, Pa. */
  gauge?: number
}

/**
 * A mould of silicone as a bench to be carried out: every step of its sheet, each batch and each
 * coat weighed and mixed by itself, and the waits between.
 */
export function benchOfMould(of: MouldBenchOf): Bench {
  const { id, revision, mould, compiled, silicone, room } = of
  const steps = makingSteps(mould, compiled, silicone)
  let mixes = 0
  const tasks = steps.flatMap((step, i): Task[] => {
    const own = `${i + 1}`
    const made = batchesOf(step, of).map((weighing, k) =>
      mixing(weighing, `${own}.${k + 1}`, mixes++, step, of),
    )
    // Each batch has its own round in the vessel, and is poured as soon as it is mixed.
    if (step.does === 'de-air' || step.does === 'pour') return []
    if (step.does === 'mix') {
      const pour = steps.find(({ does, part }) => does === 'pour' && part === step.part)!
      return made.flatMap((tasks, k) => [...tasks, ...told(pour, `${own}.${k + 1} pour`)])
    }
    return [...made.flat(), ...told(step, own), ...waiting(step, own)]
  })
  return {
    name: mould.name,
    of: { what: 'mould', id, revision },
    way: mould.vessel !== undefined ? 'vacuum' : mould.pressure !== undefined ? 'pressure' : 'none',
    room,
    pours: [],
    tasks,
    events: [],
  }
}

/** Which step of the making a task belongs to, from 0: its number stands first in the task's id. */
const stepOf = ({ id }: Pick<Task, 'id'>): number => Number.parseInt(id, 10) - 1

/**
 * Steps of the making that a bench has behind it. What has no task of its own (each batch is freed of
 * air and poured with its mixing) goes with the step before.
 *
 * @example doneMaking({ tasks: [], events: [] }, 0).size // 0
 */
export function doneMaking(
  bench: Pick<Bench, 'tasks' | 'events'>,
  steps: number,
): ReadonlySet<number> {
  const { done, skipped } = progressOf(bench)
  const found = new Set<number>()
  for (let i = 0; i < steps; i++) {
    const own = bench.tasks.filter((task) => stepOf(task) === i)
    const over = own.every(({ id }) => done.has(id) || skipped.has(id))
    if (own.length > 0 ? over : found.has(i - 1)) found.add(i)
  }
  return found
}

/**
 * A step of the making ticked on its list rather than at the bench: its open tasks are done at `at`,
 * s since 1970. Ticked off again, what was recorded of them is taken back.
 */
export function tickedMaking(
  bench: Bench,
  step: number,
  ticked: boolean,
  at: number,
): Bench['events'] {
  if (!ticked) {
    return bench.events.filter((event) => !('task' in event && stepOf({ id: event.task }) === step))
  }
  const { tasks, done, skipped } = progressOf(bench)
  const open = tasks.filter(
    (task) => stepOf(task) === step && !done.has(task.id) && !skipped.has(task.id),
  )
  return [...bench.events, ...open.map(({ id }) => ({ what: 'done', at, task: id }) as const)]
}

/** What is mixed in a step: its batches, or one coat. */
function batchesOf(
  { does, need }: MakingStep,
  { mould, compiled, silicone, step: finest }: MouldBenchOf,
): Weighing[] {
  if (need) return Array.from({ length: need.weighing.cups }, () => need.weighing)
  if (does !== 'brush coat' || !compiled.need) return []
  return [weighIn(1, compiled.need.volume / mould.coats, { resin: silicone }, finest)]
}

function mixing(
  { steps, cupSize }: Weighing,
  id: string,
  mix: number,
  { title, hazards }: MakingStep,
  { mould, compiled, silicone, step, gauge }: MouldBenchOf,
): Task[] {
  const common = { load: 0, hazards, mix, layer: 0 }
  const part = {
    ...common,
    what: 'weigh' as const,
    apart: 'mixing cup' as const,
    cup: cupSize,
    step,
    moulds: 1,
  }
  const coat = title.code === 'coat' ? (title.amounts as { number: number }).number - 1 : undefined
  const thickener = coat === undefined ? 0 : (compiled.thickener[coat] ?? 0)
  const [a, b] = [steps.find(({ what }) => what === 'A')!, steps.find(({ what }) => what === 'B')!]
  return [
    {
      ...part,
      id: `${id} A`,
      part: 'A',
      key: 'A',
      name: a.name,
      mass: a.mass,
      density: silicone.densityA,
    },
    ...(thickener > 0
      ? [
          {
            ...part,
            id: `${id} thickener`,
            part: 'tint' as const,
            key: 'thickener',
            name: 'thickener',
            mass: thickener,
            density: thickenerDensity,
          },
        ]
      : []),
    {
      ...part,
      id: `${id} B`,
      part: 'B',
      key: 'B',
      name: b.name,
      mass: b.mass,
      density: silicone.densityB,
    },
    {
      ...common,
      id: `${id} mix`,
      what: 'mix',
      takes: silicone.mixTime,
      pours: silicone.potLife,
      gel: gelsAfter * silicone.potLife,
      hard: silicone.demould,
      secondCup: 'yes',
    },
    ...(mould.vessel !== undefined && gauge !== undefined
      ? [
          {
            ...common,
            hazards: [...hazards, 'vacuum vessel' as const],
            id: `${id} vacuum`,
            what: 'vacuum' as const,
            gauge,
          },
        ]
      : []),
  ]
}

/** What a step says, to be done; what only waits says it there. */
function told({ step, title, lines, hazards }: MakingStep, id: string): Task[] {
  if (step === 'wait') return []
  return [{ id, load: 0, hazards, what: 'step', step, phrases: plain([title, ...lines]) }]
}

function waiting({ step, title, lines, wait, hazards }: MakingStep, id: string): Task[] {
  if (!(wait > 0)) return []
  const phrases = step === 'wait' ? plain([title, ...lines]) : plain([title])
  return [{ id: `${id} wait`, load: 0, hazards, what: 'wait', takes: wait, phrases }]
}

const plain = (phrases: MakingStep['lines']) =>
  phrases.map(({ code, amounts }) => ({
    code,
    amounts: Object.fromEntries(
      Object.entries(amounts as Record<string, unknown>).filter(([, value]) => value !== undefined),
    ) as Record<string, string | number | boolean>,
  }))

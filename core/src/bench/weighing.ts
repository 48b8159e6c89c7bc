import { checkCup, ratioTolerance, type Mix } from '../mix/index.ts'
import type { Bench } from './bench.ts'
import type { Task, TaskOf } from './tasks.ts'

type Weigh = TaskOf<'weigh'>

/** What is good enough: half of what the ratio bears, no finer than the scale, kg. */
export interface Target {
  mass: number
  low: number
  high: number
}

/** How a weighing stands on the scale. */
export interface Weighed {
  target: Target
  /** In the cup of this part, kg. */
  inCup: number
  /** Under 0: past the mark. */
  toGo: number
  /** Of the target, as a share. */
  error: number
  state: 'empty' | 'pouring' | 'good' | 'past'
  /** So many of its moulds are filled if it stops here. */
  fills: number
  /** The mixing cup with all parts, as a share of its brim. */
  full: number
  /** What past the mark costs. */
  past?: {
    /** Of each other part, beyond what was planned, kg. */
    more: { key: string; name: string; mass: number }[]
    /** The cup still stirs it. */
    fits: boolean
  }
}

/** Ids of weighings that were added to make a cup right again. @example addingOf('w1') // 'w1 more' */
export const addingOf = (task: string): string => `${task} more`

/** What was weighed of each part of a cup, kg, by the key of the part. */
export function inCupOf({ tasks, events }: Pick<Bench, 'tasks' | 'events'>, mix: number) {
  const into = new Map<string, number>()
  const known = new Map(weighingsOf(tasks, mix).map((task) => [task.id, task.key]))
  for (const event of events) {
    if (event.what !== 'done' || event.weighed === undefined) continue
    const key = known.get(event.task) ?? known.get(event.task.replace(/ more$/, ''))
    if (key !== undefined) into.set(key, (into.get(key) ?? 0) + event.weighed)
  }
  return into
}

const weighingsOf = (tasks: readonly Task[], mix: number): Weigh[] =>
  tasks.filter((task): task is Weigh => task.what === 'weigh' && task.mix === mix)

/** The cup of a mix as the mixing desk reckons it. */
function deskMix(parts: readonly Weigh[]): Mix {
  const a = parts.find(({ part }) => part === 'A')!
  const b = parts.find(({ part }) => part === 'B')!
  return {
    ratio: { by: 'weight', a: a.mass, b: b.mass },
    densityA: a.density,
    densityB: b.density,
    nameA: a.name,
    nameB: b.name,
    extras: parts
      .filter(({ part }) => part === 'tint')
      .map(({ key, name, mass, density }) => ({
        id: key,
        name,
        share: mass / (a.mass + b.mass),
        of: 'both' as const,
        density,
      })),
  }
}

/** All parts of a cup are stirred in so much of its brim, m³. */
const volumeOf = (parts: readonly Weigh[]): number =>
  parts.reduce((sum, { mass, density }) => sum + mass / density, 0)

/**
 * How much of it there will be, times what was planned: as much as the fullest part that is in asks
 * for. A tint that is a little over makes the colour deeper, and no one pours more resin for it.
 */
function scaleOf(parts: readonly Weigh[], into: ReadonlyMap<string, number>): number {
  const factors = parts
    .filter(({ part, key }) => part !== 'tint' && into.has(key))
    .map(({ key, mass, step }) => {
      const has = into.get(key)!
      const { low, high } = bandOf(mass, step)
      return has >= low && has <= high ? 1 : has / mass
    })
  return factors.length > 0 ? Math.max(...factors) : 1
}

/** Good from and until: half of what the ratio bears, or one step of the scale where that is coarser. */
function bandOf(mass: number, step: number): Target {
  const wide = Math.max((ratioTolerance / 2) * mass, step)
  return { mass, low: mass - wide, high: mass + wide }
}

/**
 * How the weighing of a part stands, with `inCup` kg of it in its cup: how much is to go, and past
 * the mark what that costs. The mark of a part moves with what was poured before it.
 */
export function weighedNow(
  bench: Pick<Bench, 'tasks' | 'events'>,
  task: Weigh,
  inCup: number,
): Weighed {
  const parts = weighingsOf(bench.tasks, task.mix)
  const base = parts.find(({ key }) => key === task.key)!
  const into = inCupOf(bench, task.mix)
  const before = into.get(task.key) ?? 0
  const scale = scaleOf(parts, into)
  const target = bandOf(base.mass * scale - before, task.step)
  const state =
    inCup < task.step / 2
      ? 'empty'
      : inCup > target.high
        ? 'past'
        : inCup < target.low
          ? 'pouring'
          : 'good'
  const then = new Map(into).set(task.key, before + inCup)
  const has = (before + inCup) / base.mass
  const checked = checkCup(deskMix(parts), Object.fromEntries(then), task.cup)
  const past = state === 'past' && task.part !== 'tint'
  const volume = past ? checked.volume : volumeOf(parts) * scale
  return {
    target,
    inCup,
    toGo: target.mass - inCup,
    error: target.mass > 0 ? inCup / target.mass - 1 : 0,
    state,
    fills: task.moulds * Math.min(1, task.part === 'tint' ? scale : has),
    full: volume / task.cup,
    past: past
      ? {
          more: parts
            .filter(({ key, part }) => key !== task.key && part !== 'tint')
            .map(({ key, name, mass }) => ({ key, name, mass: mass * (has - scale) })),
          fits: checked.fits,
        }
      : undefined,
  }
}

/** What stands in the cup of a weighing before it, what is still to come into it, kg, and what is weighed next. */
export function aroundWeighing(bench: Pick<Bench, 'tasks' | 'events'>, task: Weigh) {
  const into = inCupOf(bench, task.mix)
  const cup = sameCup(bench.tasks, task)
  const at = cup.findIndex(({ key }) => key === task.key)
  const parts = weighingsOf(bench.tasks, task.mix)
  const place = parts.findIndex(({ id }) => id === task.id)
  return {
    before: cup.reduce((sum, { key }) => sum + (into.get(key) ?? 0), 0),
    after: cup.slice(at + 1).reduce((sum, { mass }) => sum + mass, 0),
    next: place < 0 ? undefined : parts[place + 1],
  }
}

/** Whether a weighing begins a cup: it has to be put on the scale and tared first. */
export const beginsCup = ({ tasks }: Pick<Bench, 'tasks'>, task: Weigh): boolean =>
  sameCup(tasks, task)[0]?.id === task.id.replace(/ more$/, '') || task.apart === 'own cup'

/** Weighings that go into one cup, in their order. */
const sameCup = (tasks: readonly Task[], { mix, apart }: Weigh): Weigh[] =>
  weighingsOf(tasks, mix).filter((one) => one.apart === apart)

/**
 * What of the scale's reading is not of this weighing, kg: what is in the cup since it was tared.
 * Undefined until the cup was put on and tared.
 */
export function zeroOf(bench: Pick<Bench, 'tasks' | 'events'>, task: Weigh): number | undefined {
  const cup = new Set(sameCup(bench.tasks, task).map(({ id }) => id))
  let zero: number | undefined
  for (const event of bench.events) {
    if (event.what === 'tared' && (cup.has(event.task) || event.task === task.id)) zero = 0
    if (event.what !== 'done' || event.by !== 'scale' || zero === undefined) continue
    if (cup.has(event.task.replace(/ more$/, ''))) zero += event.weighed ?? 0
  }
  const added = task.id.endsWith(' more')
  const tared = bench.events.some((event) => event.what === 'tared' && event.task === task.id)
  return added && !tared ? undefined : zero
}

/**
 * All tasks of a bench, with weighings put in where a part went past its mark after another was in
 * already: that other gets the rest.
 */
export function addings({ tasks, events }: Pick<Bench, 'tasks' | 'events'>): Task[] {
  const all: Task[] = []
  for (const [i, task] of tasks.entries()) {
    all.push(task)
    const next = tasks[i + 1]
    if (task.what !== 'weigh') continue
    if (next?.what === 'weigh' && next.mix === task.mix) continue
    const parts = weighingsOf(tasks, task.mix)
    const first = new Map<string, number>()
    for (const event of events) {
      if (event.what !== 'done') continue
      const part = parts.find(({ id }) => id === event.task)
      if (part) first.set(part.key, event.weighed ?? part.mass)
    }
    if (!parts.every(({ key }) => first.has(key))) continue
    const scale = scaleOf(parts, first)
    for (const part of parts) {
      const wanted = part.mass * scale
      const lacks = wanted - first.get(part.key)!
      if (part.part !== 'tint' && first.get(part.key)! < bandOf(wanted, part.step).low) {
        all.push({ ...part, id: addingOf(part.id), mass: lacks })
      }
    }
  }
  return all
}

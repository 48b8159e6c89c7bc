import { checkCup, ratioTolerance, type Mix } from '../../matter/mix/index.ts'
import type { Bench } from './bench.ts'
import type { Task, TaskOf } from './tasks.ts'

type Weigh = TaskOf<'weigh'>

/** What is good enough: half of what the ratio bears, no finer than the scale can tell, kg. */
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
  /** The other part was too little for all of it: so many moulds it makes, and what all of them take, kg. */
  short?: { moulds: number; mass: number; more: { name: string; mass: number }[] }
  /** What past the mark costs. */
  past?: {
    /** Of each other part, beyond what was planned, kg. */
    more: { key: string; name: string; mass: number }[]
    /** The cup still stirs it. */
    fits: boolean
  }
}

const added = / more( \d+)?$/

/**
 * Ids of weighings that were added to make a cup right again: the first, the second ...
 *
 * @example addingOf('w1') // 'w1 more'
 */
export const addingOf = (task: string, turn = 1): string =>
  turn === 1 ? `${task} more` : `${task} more ${turn}`

/** Whether a weighing was added to make its cup right again. @example isAdding('w1 more') // true */
export const isAdding = (task: string): boolean => added.test(task)

/** The weighing that was planned, of one that was added to it. */
const plannedOf = (task: string): string => task.replace(added, '')

/** What was weighed of each part of a cup, kg, by the key of the part. */
export function inCupOf({ tasks, events }: Pick<Bench, 'tasks' | 'events'>, mix: number) {
  const into = new Map<string, number>()
  const known = new Map(weighingsOf(tasks, mix).map((task) => [task.id, task.key]))
  for (const event of events) {
    if (event.what !== 'done' || event.weighed === undefined) continue
    const key = known.get(plannedOf(event.task))
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
 * for, to the gram that is really in. A tint that is a little over makes the colour deeper, and no
 * one pours more resin for it.
 */
function scaleOf(parts: readonly Weigh[], into: ReadonlyMap<string, number>): number {
  const factors = parts
    .filter(({ part, key }) => part !== 'tint' && into.has(key))
    .map(({ key, mass }) => into.get(key)! / mass)
  return factors.length > 0 ? Math.max(...factors) : 1
}

/** Good from and until: half of what the ratio bears, or half a step of the scale where that is coarser. */
function bandOf(mass: number, step: number): Target {
  const wide = Math.max((ratioTolerance / 2) * mass, step / 2)
  return { mass, low: mass - wide, high: mass + wide }
}

/** A tint that is paler by less than this is not seen (common practice, no source). */
const paler = 0.1

/** Whether a cup wants more of a part than it has. */
function lacks({ part, step }: Weigh, wanted: number, has: number): boolean {
  if (part !== 'tint') return has < bandOf(wanted, step).low
  return has < (1 - paler) * wanted && has < wanted - step / 2
}

/** A step of a scale is no exact binary number: so much of it is none. */
const stepSlack = 1e-6

/**
 * The first and last weight that are good on a scale of this step, kg: what it can show of the band.
 *
 * @example readableBand({ mass: 0.0059, low: 0.00584, high: 0.00596 }, 1e-4) // { low: 0.0059, high: 0.0059 }
 */
export function readableBand({ low, high }: Target, step: number): { low: number; high: number } {
  const perUnit = 1 / step
  return {
    low: Math.ceil(low * perUnit - stepSlack) / perUnit,
    high: Math.floor(high * perUnit + stepSlack) / perUnit,
  }
}

/**
 * The scale is too coarse for a part: even half of its step puts the ratio out by more than it bears.
 *
 * @example isTooCoarse({ mass: 0.005, step: 0.001, part: 'B' }) // true
 */
export const isTooCoarse = ({ mass, step, part }: Pick<Weigh, 'mass' | 'step' | 'part'>): boolean =>
  part !== 'tint' && step / 2 > ratioTolerance * mass

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
  const slack = stepSlack * task.step
  const state =
    inCup < task.step / 2
      ? 'empty'
      : inCup > target.high + slack
        ? 'past'
        : inCup < target.low - slack
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
    short:
      scale < 1 - ratioTolerance && state !== 'past' && task.part !== 'tint'
        ? {
            moulds: Math.floor(task.moulds * scale + 1e-9),
            mass: base.mass - before,
            more: parts
              .filter(({ key, part }) => into.has(key) && key !== task.key && part !== 'tint')
              .map(({ key, name, mass }) => ({ name, mass: mass - into.get(key)! })),
          }
        : undefined,
    past: past
      ? {
          more: parts
            .filter(
              (one) =>
                one.key !== task.key &&
                (one.part !== 'tint' || lacks(one, one.mass * has, one.mass * scale)),
            )
            .map(({ key, name, mass }) => ({ key, name, mass: mass * (has - scale) })),
          fits: checked.fits,
        }
      : undefined,
  }
}

/**
 * What stands in the cup of a weighing before it, what is still to come into it, kg, and what is
 * weighed next: with `inCup` kg of this one in, what comes after it is as much more as that is past.
 */
export function aroundWeighing(
  bench: Pick<Bench, 'tasks' | 'events'>,
  task: Weigh,
  inCup = 0,
): { before: number; after: number; next?: Weigh } {
  const into = inCupOf(bench, task.mix)
  const cup = sameCup(bench.tasks, task)
  const at = cup.findIndex(({ key }) => key === task.key)
  const parts = weighingsOf(bench.tasks, task.mix)
  const place = parts.findIndex(({ id }) => id === task.id)
  const { state } = weighedNow(bench, task, inCup)
  const known = state === 'past' || state === 'good'
  const then = new Map(into).set(task.key, (into.get(task.key) ?? 0) + inCup)
  const scale = scaleOf(parts, known ? then : into)
  const next = place < 0 ? undefined : parts[place + 1]
  const rest = next ? next.mass * scale - (into.get(next.key) ?? 0) : 0
  return {
    before: cup.reduce((sum, { key }) => sum + (into.get(key) ?? 0), 0),
    after: cup.slice(at + 1).reduce((sum, { mass }) => sum + mass * scale, 0),
    next: next && rest > task.step / 2 ? { ...next, mass: rest } : undefined,
  }
}

/** Whether a weighing begins a cup: it has to be put on the scale and tared first. */
export const beginsCup = ({ tasks }: Pick<Bench, 'tasks'>, task: Weigh): boolean =>
  sameCup(tasks, task)[0]?.id === plannedOf(task.id) || task.apart === 'own cup'

/** Weighings that go into one cup, in their order. */
const sameCup = (tasks: readonly Task[], { mix, apart }: Weigh): Weigh[] =>
  weighingsOf(tasks, mix).filter((one) => one.apart === apart)

/**
 * What of the scale's reading is not of this weighing, kg: what it showed when the cup was tared, and
 * what was poured since. Undefined until the cup was put on and tared: also after a part that was
 * weighed on another scale, since this one does not know where it was poured in.
 */
export function zeroOf(bench: Pick<Bench, 'tasks' | 'events'>, task: Weigh): number | undefined {
  const cup = new Set(sameCup(bench.tasks, task).map(({ id }) => id))
  let zero: number | undefined
  for (const event of bench.events) {
    if (event.what !== 'tared' && event.what !== 'done') continue
    if (!cup.has(plannedOf(event.task))) continue
    if (event.what === 'tared') zero = event.reading ?? 0
    else if (event.by === 'hand') zero = undefined
    else if (zero !== undefined) zero += event.weighed ?? 0
  }
  const tared = bench.events.some((event) => event.what === 'tared' && event.task === task.id)
  return isAdding(task.id) && !tared ? undefined : zero
}

/** Nobody corrects a cup more often. */
const mostTurns = 8

/**
 * All tasks of a bench, with weighings put in where a part went past its mark after another was in
 * already: that other gets the rest, and where this goes past its own mark, the first again.
 */
export function addings(bench: Pick<Bench, 'tasks' | 'events'>): Task[] {
  const { tasks } = bench
  return tasks.flatMap((task, i) => {
    const next = tasks[i + 1]
    const ends = task.what === 'weigh' && !(next?.what === 'weigh' && next.mix === task.mix)
    return ends ? [task, ...corrections(bench, weighingsOf(tasks, task.mix))] : [task]
  })
}

/** What is added to a cup, turn by turn: those that were weighed, and those that are still lacking. */
function corrections({ events }: Pick<Bench, 'events'>, parts: readonly Weigh[]): Weigh[] {
  const done = new Map(
    events.flatMap((event) =>
      event.what === 'done' ? [[event.task, event.weighed] as const] : [],
    ),
  )
  const skipped = new Set(events.flatMap((event) => (event.what === 'skipped' ? [event.task] : [])))
  if (!parts.every(({ id }) => done.has(id))) return []
  const into = new Map(parts.map(({ id, key, mass }) => [key, done.get(id) ?? mass]))
  const all: Weigh[] = []
  for (let turn = 1; turn <= mostTurns; turn++) {
    const scale = scaleOf(parts, into)
    const lacking = parts.flatMap((part): Weigh[] => {
      const wanted = part.mass * scale
      const has = into.get(part.key)!
      if (!lacks(part, wanted, has)) return []
      return [{ ...part, id: addingOf(part.id, turn), mass: wanted - has }]
    })
    all.push(...lacking)
    // What a hand left out is not asked for again.
    if (lacking.length === 0 || !lacking.every(({ id }) => done.has(id))) break
    for (const { id, key, mass } of lacking) into.set(key, into.get(key)! + (done.get(id) ?? mass))
  }
  return all.filter(({ id }) => !skipped.has(id) || done.has(id))
}

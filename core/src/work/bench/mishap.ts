import { underPressureBy } from '../../matter/air/index.ts'
import type { PhraseAmounts } from '../../mould/index.ts'
import type { Bench } from './bench.ts'
import {
  mishapCases,
  mishaps,
  ofPour,
  ofSilicone,
  type Mishap,
  type MishapRemedy,
} from './mishapCases.ts'
import { progressOf, type Progress } from './progress.ts'
import { roomBefore } from './record.ts'
import type { Task, TaskOf } from './tasks.ts'
import { inCupOf } from './weighing.ts'

/** What a bench knows of a mishap, with what can be done; amounts in SI, what is not known left out. */
export interface MishapNow {
  mishap: Mishap
  remedies: readonly MishapRemedy[]
  /** It can happen at the task at hand. */
  likely: boolean
  mix?: number
  /** s until it no longer pours, until the pressure helps, under 0 when that is over. */
  left?: number
  /** Moulds of its cup that are still empty, and the casts and kg in them. */
  open?: { moulds: number; casts: number; mass: number }
  /** To hold a master down with, kg. */
  hold?: number
  /** Of a cure that is slow: how long it has stood, when it should have gelled, s, and what speaks for a cause. */
  age?: number
  gels?: number
  causes?: SlowCause[]
}

/** Why a resin stays liquid, as its bench can tell. */
export type SlowCause = 'cold' | 'ratio' | 'stirred short'

/** Out of ratio so far, and colder than planned by so much, K, and it is felt (common practice, no source). */
const felt = { ratio: 0.03, cold: 2, stirred: 0.8 }

const atTask: Record<Mishap, readonly Task['what'][]> = {
  'seam leaks': ['fill', 'set', 'into pot', 'lid', 'hold'],
  'not filled': ['fill', 'into pot', 'demould'],
  'turns to syrup': ['mix', 'prefill', 'wet', 'fill'],
  'slow cure': ['hold', 'release', 'demould', 'wait'],
  'too much of a part': ['weigh'],
  'cup smokes': ['mix', 'fill', 'prefill', 'wet'],
  'pressure lost': ['lid', 'hold'],
  'master rises': ['step', 'wait'],
  'silicone short': ['step', 'wait'],
  'box leaks': ['step', 'wait'],
  'froths over': ['vacuum'],
  'splash in the vessel': ['vacuum'],
}

/**
 * What can have gone wrong at a bench as it stands, the likely first, each with what is known of it.
 * `now` in s since 1970.
 *
 * @example mishapsNow({ of: { what: 'mould', id: 'm', revision: 1 }, room: 294, tasks: [], events: [] }, 0).map(({ mishap }) => mishap) // ['slow cure', 'master rises', 'silicone short', 'box leaks']
 */
export function mishapsNow(
  bench: Pick<Bench, 'of' | 'room' | 'tasks' | 'events'>,
  now: number,
): MishapNow[] {
  const progress = progressOf(bench)
  const { task, tasks, met } = progress
  const silicone = bench.of.what === 'mould'
  const mixed = [...met.keys()].at(-1)
  const possible = mishaps.filter((one) => {
    if (silicone ? ofPour.has(one) : ofSilicone.has(one)) return false
    if (one === 'too much of a part') return tasks.some(({ what }) => what === 'weigh')
    if (one === 'froths over' || one === 'splash in the vessel') {
      return tasks.some(({ what }) => what === 'vacuum')
    }
    if (one === 'pressure lost' && !tasks.some(({ what }) => what === 'lid')) return false
    return silicone || mixed !== undefined
  })
  const found = possible.map((mishap): MishapNow => {
    const likely = task !== undefined && atTask[mishap].includes(task.what)
    const of = { mishap, remedies: mishapCases[mishap], likely }
    return { ...of, ...knownOf(mishap, bench, progress, mixed, now) }
  })
  return found.toSorted((a, b) => Number(b.likely) - Number(a.likely))
}

function knownOf(
  mishap: Mishap,
  bench: Pick<Bench, 'room' | 'tasks' | 'events'>,
  { tasks, met, done }: Progress,
  mix: number | undefined,
  now: number,
): Partial<MishapNow> {
  const hold = mishap === 'master rises' ? amountIn(tasks, 'hold-down', 'mass') : undefined
  if (mix === undefined) return { hold }
  const own = tasks.find((one): one is TaskOf<'mix'> => one.what === 'mix' && one.mix === mix)!
  const age = now - met.get(mix)!
  switch (mishap) {
    case 'turns to syrup':
    case 'not filled':
      return { mix, left: own.pours - age, open: openIn(tasks, done, mix) }
    case 'seam leaks':
    case 'cup smokes':
    case 'master rises':
    case 'silicone short':
    case 'box leaks':
      return { mix, left: own.pours - age, hold }
    case 'pressure lost': {
      const gels = own.gelInMould ?? own.gel
      return { mix, left: underPressureBy * gels - age }
    }
    case 'slow cure':
      return { mix, age, gels: own.gel, causes: causesOf(bench, own) }
    default:
      return { mix }
  }
}

function openIn(tasks: readonly Task[], done: ReadonlySet<string>, mix: number) {
  const open = tasks.filter(
    (one): one is TaskOf<'fill'> => one.what === 'fill' && one.mix === mix && !done.has(one.id),
  )
  return {
    moulds: open.length,
    casts: open.reduce((sum, { mould }) => sum + mould.casts, 0),
    mass: open.reduce((sum, { mass }) => sum + mass, 0),
  }
}

const phrasesOf = (tasks: readonly Task[]) =>
  tasks.flatMap((task) => (task.what === 'step' ? task.phrases : []))

const amountIn = (tasks: readonly Task[], code: string, amount: string): number | undefined => {
  const value = phrasesOf(tasks).find((one) => one.code === code)?.amounts[amount]
  return typeof value === 'number' ? value : undefined
}

function causesOf(
  bench: Pick<Bench, 'room' | 'tasks' | 'events'>,
  { mix, takes, id }: TaskOf<'mix'>,
): SlowCause[] {
  const room = roomBefore(bench.events, Infinity).room
  const into = inCupOf(bench, mix)
  const part = (key: 'A' | 'B') =>
    bench.tasks.find((one) => one.what === 'weigh' && one.mix === mix && one.part === key)
  const [a, b] = [part('A'), part('B')] as (TaskOf<'weigh'> | undefined)[]
  const [hasA, hasB] = [a && into.get(a.key), b && into.get(b.key)]
  const off = hasA && hasB ? Math.abs(hasA / hasB / (a!.mass / b!.mass) - 1) : 0
  const at = (task: string) =>
    bench.events.find((one) => one.what === 'done' && one.task === task)?.at
  const begun = progressOf(bench).met.get(mix)
  const stirred = begun === undefined ? undefined : (at(id) ?? Infinity) - begun
  const found: SlowCause[] = []
  if (room !== undefined && room < bench.room - felt.cold) found.push('cold')
  if (off > felt.ratio) found.push('ratio')
  if (takes && stirred !== undefined && stirred < felt.stirred * takes) found.push('stirred short')
  return found
}

/**
 * Silicone that covers a master of which so much still stands out, m: the floor of its box times
 * what is bare and what is usual over it, m³ and kg. Undefined where the bench does not know its box.
 */
export function toTopUp(
  { tasks }: Pick<Bench, 'tasks'>,
  bare: number,
): { volume: number; mass: number } | undefined {
  const box = phrasesOf(tasks).find(({ code }) => code === 'build-box' || code === 'ready-box')
  const { width, depth, round, area } = (box?.amounts ?? {}) as Partial<PhraseAmounts['build-box']>
  const parts = tasks.filter((one): one is TaskOf<'weigh'> => one.what === 'weigh')
  if (!width || !depth || parts.length === 0) return undefined
  const sum = (of: (task: TaskOf<'weigh'>) => number) =>
    parts.reduce((all, one) => all + of(one), 0)
  const density = sum(({ mass }) => mass) / sum(({ mass, density: of }) => mass / of)
  const floor = area ?? (round ? (Math.PI / 4) * width * depth : width * depth)
  const volume = floor * (bare + coveredBy)
  return { volume, mass: volume * density }
}

/** Silicone over the highest point of a master, m (common practice, no source). */
const coveredBy = 0.01

import { canBeOpened, isAtPressure } from '../../matter/air/index.ts'
import { toRead } from './before.ts'
import type { Bench, BenchEvent, TouchMark } from './bench.ts'
import type { ConditionName } from '../../mould/index.ts'
import { dryingOf, lateCup } from './clocks.ts'
import type { Mishap, MishapRemedy } from './mishapCases.ts'
import { progressOf, startOf, type Progress } from './progress.ts'
import type { LayOutItem, Task, TaskOf } from './tasks.ts'
import { beginsCup, weighedNow, zeroOf, type Weighed } from './weighing.ts'

/** What instruments show when a key is pressed; absent what is silent, off or not understood. */
export interface BenchReadings {
  scale?: {
    /** kg */
    value: number
    steady: boolean
    /** It neither jumps nor falls nor hangs. */
    trusted: boolean
  }
  /** Weighed on another scale and typed, kg: then the bench's own is not asked. */
  byHand?: number
  /** Pa over the air outside. */
  potGauge?: number
  vacuumGauge?: number
  /** K, 0..1, K */
  room?: number
  humidity?: number
  cup?: number
}

/** A key of the bench. `again`: it was refused a moment ago and is pressed once more. */
export type BenchPress =
  | { key: 'main'; again?: boolean }
  /** The scale has stood still in the band for long enough. */
  | { key: 'steady' }
  | { key: 'tick'; item: LayOutItem }
  | { key: 'tare'; again?: boolean }
  | { key: 'as it is'; again?: boolean }
  | { key: 'other bottle' }
  | { key: 'by hand' }
  | { key: 'skip' }
  | { key: 'lost' }
  | { key: 'still pours' }
  | { key: 'touch'; mix: number; mark: TouchMark }
  | { key: 'note'; text: string; picture?: string }
  | { key: 'wrong'; mishap: Mishap; did: MishapRemedy; mix?: number }

/** Why a key does nothing, with its amounts, kg, Pa and s. */
export type PressRefusal =
  | { code: 'caution-unread' }
  | { code: 'scale-distrusted' }
  | { code: 'scale-moves' }
  | { code: 'nothing-on-scale' }
  | { code: 'weight-to-go'; toGo: number; task: TaskOf<'weigh'> }
  | { code: 'cup-too-small' }
  | { code: 'pressure-low'; gauge: number; wanted: number }
  | { code: 'pressure-left'; gauge: number }
  | { code: 'still-wet'; condition: ConditionName; left: number }
  | { code: 'still-moves'; left: number }

/** What a key brings about. Nothing of both: it is no key of this task. */
export interface Pressed {
  events: BenchEvent[]
  refusal?: PressRefusal
}

const nothing: Pressed = { events: [] }
const refused = (refusal: PressRefusal): Pressed => ({ events: [], refusal })

/** They happen to one mould: the one that was filled last. */
const ofOneMould: ReadonlySet<Mishap> = new Set<Mishap>(['seam leaks', 'not filled'])
const lastFilled = ({ tasks, events }: Pick<Bench, 'tasks' | 'events'>): string | undefined => {
  const done = new Set(events.flatMap((event) => (event.what === 'done' ? [event.task] : [])))
  const last = tasks.findLast(({ what, id }) => what === 'fill' && done.has(id))
  return last?.what === 'fill' ? last.mould.key : undefined
}

/** Less than this on a scale is no cup, kg. */
const lightestCup = 1e-3

/**
 * What a key does at a bench: events to be added, or why not. An unread caution stands before every
 * key that goes on, and only the large one, pressed by a hand, reads it. `now` in s since 1970 by
 * the bench's clock.
 *
 * @example press({ tasks: [], events: [] }, {}, { key: 'main' }, 0) // { events: [] }
 */
export function press(
  bench: Pick<Bench, 'tasks' | 'events'>,
  readings: BenchReadings,
  pressed: BenchPress,
  now: number,
): Pressed {
  const progress = progressOf(bench)
  const happened = (...events: Unplaced<BenchEvent>[]): Pressed => ({
    events: events.map((event) => ({ ...event, at: now }) as BenchEvent),
  })
  const late = lateCup(bench, now, progress)
  switch (pressed.key) {
    case 'touch':
      return happened({
        what: 'touched',
        mix: pressed.mix,
        mark: pressed.mark,
        temperature: readings.cup,
      })
    case 'note':
      return happened({ what: 'noted', text: pressed.text, picture: pressed.picture })
    case 'wrong': {
      const { mishap, did, mix } = pressed
      const mould = ofOneMould.has(mishap) ? lastFilled(bench) : undefined
      const wrong = { what: 'wrong', mishap, did, mix, mould } as const
      // A cup that is stopped at fills nothing more.
      return did === 'stop here' && mix !== undefined
        ? happened(wrong, { what: 'lost', mix })
        : happened(wrong)
    }
    case 'lost':
      return late ? happened({ what: 'lost', mix: late.mix }) : nothing
    case 'still pours':
      return late ? happened({ what: 'kept', mix: late.mix }) : nothing
  }
  if (late) return pressed.key === 'main' ? happened({ what: 'lost', mix: late.mix }) : nothing
  const { task } = progress
  if (!task) return nothing
  if (toRead(bench, task).length > 0) {
    return pressed.key === 'main'
      ? happened({ what: 'read', task: task.id })
      : refused({ code: 'caution-unread' })
  }
  const again = 'again' in pressed && pressed.again === true
  const wet = partsMeet(progress, task) && !again ? dryingOf(bench, progress, task, now) : undefined
  if (wet && pressed.key === 'steady') return nothing
  if (wet && (pressed.key === 'main' || pressed.key === 'as it is')) {
    return refused({ code: 'still-wet', condition: wet.condition, left: wet.until - now })
  }
  if (task.what === 'turn' && pressed.key === 'main' && !again) {
    const left = progress.met.get(task.mix)! + task.stops - now
    if (left > 0) return refused({ code: 'still-moves', left })
  }
  const at = { bench, readings, progress, task, happened }
  switch (pressed.key) {
    case 'skip':
      return happened({ what: 'skipped', task: task.id })
    case 'tick':
      return happened({ what: 'ticked', task: task.id, item: pressed.item })
    case 'main':
      return task.what === 'weigh' ? weigh({ ...at, task }, pressed, again) : goOn(at)
  }
  return task.what === 'weigh' ? weigh({ ...at, task }, pressed, again) : nothing
}

/** The next press lets the parts of a cup meet: from then on its clock runs. */
function partsMeet(progress: Progress, task: Task): boolean {
  if (task.what === 'mix') return !isBegun(progress, task)
  return (
    task.what === 'weigh' &&
    task.part !== 'tint' &&
    task.apart === 'mixing cup' &&
    otherPartOf(progress, task) === undefined
  )
}

type Unplaced<E> = E extends BenchEvent ? Omit<E, 'at'> : never

interface At<T extends Task = Task> {
  bench: Pick<Bench, 'tasks' | 'events'>
  readings: BenchReadings
  progress: Progress
  task: T
  happened: (...events: Unplaced<BenchEvent>[]) => Pressed
}

/** The large key where nothing is weighed. */
function goOn({ bench, readings, progress, task, happened }: At): Pressed {
  const done = (gauge?: number) =>
    happened({ what: 'done', task: task.id, ...(gauge === undefined ? {} : { gauge }) })
  const begun = isBegun(progress, task)
  const begin = { what: 'done', task: startOf(task.id) } as const
  switch (task.what) {
    case 'lay out': {
      const next = task.items.find(({ what }) => !tickedOf(bench, task).has(what))
      if (next) return happened({ what: 'ticked', task: task.id, item: next.what })
      return happened(...roomOf(readings), { what: 'done', task: task.id })
    }
    case 'mix':
      return begun ? done() : happened(...roomOf(readings), begin)
    case 'lid': {
      if (!begun) return happened(begin)
      const gauge = readings.potGauge
      if (gauge !== undefined && !isAtPressure(gauge, task.gauge)) {
        return refused({ code: 'pressure-low', gauge, wanted: task.gauge })
      }
      return done(gauge)
    }
    case 'release': {
      const gauge = readings.potGauge
      if (gauge !== undefined && !canBeOpened(gauge))
        return refused({ code: 'pressure-left', gauge })
      return done()
    }
    case 'vacuum':
      return done(readings.vacuumGauge)
    default:
      return done()
  }
}

/** Things of a laying out that lie there. */
export const tickedOf = (
  { events }: Pick<Bench, 'events'>,
  { id }: Pick<Task, 'id'>,
): Set<LayOutItem> =>
  new Set(
    events.flatMap((event) => (event.what === 'ticked' && event.task === id ? [event.item] : [])),
  )

/** The task was begun by a key of its own: the parts met, the lid was clamped. */
export const isBegun = ({ done, met }: Progress, task: Task): boolean =>
  done.has(startOf(task.id)) || (task.what === 'mix' && met.has(task.mix))

/** The room is written down when a cup is mixed, from what stands there. */
const roomOf = ({ room, humidity }: BenchReadings) =>
  room === undefined && humidity === undefined ? [] : [{ what: 'room', room, humidity } as const]

function weigh(at: At<TaskOf<'weigh'>>, pressed: BenchPress, again: boolean): Pressed {
  const { bench, readings, task, happened } = at
  const { scale, byHand } = readings
  if (pressed.key === 'by hand') return nothing
  if (pressed.key === 'tare') return tare(at, again)
  const zero = zeroOf(bench, task)
  if (byHand === undefined && zero === undefined) {
    return pressed.key === 'main' ? tare(at, again) : nothing
  }
  if (byHand === undefined && !scale?.trusted) {
    return pressed.key === 'steady' ? nothing : refused({ code: 'scale-distrusted' })
  }
  const inCup = byHand ?? inCupNow(readings, zero)
  const weighed = { weighed: inCup, by: byHand === undefined ? 'scale' : 'hand' } as const
  if (pressed.key === 'other bottle') {
    const other = otherPartOf(at.progress, task)
    return other && inCup > 0 ? happened({ what: 'done', task: other.id, ...weighed }) : nothing
  }
  if (byHand === undefined && !scale?.steady) return refused({ code: 'scale-moves' })
  const stands = weighedNow(bench, task, inCup)
  if (pressed.key === 'steady' && stands.state !== 'good') return nothing
  if (pressed.key === 'main' && (stands.state === 'pouring' || stands.state === 'empty')) {
    return refused({ code: 'weight-to-go', toGo: stands.toGo, task })
  }
  if (stands.past?.fits === false && !again) return refused({ code: 'cup-too-small' })
  return happened({ what: 'done', task: task.id, ...weighed })
}

/**
 * The scale's own nothing is what it shows with the cup on it: it must have settled, or the rest of
 * the cup would count as resin. Shows it next to nothing no cup may be on it yet, and a second press
 * means that it was tared by its own key.
 */
function tare({ readings: { scale }, task, happened }: At, again: boolean): Pressed {
  if (!scale) return refused({ code: 'scale-distrusted' })
  if (!scale.steady) return refused({ code: 'scale-moves' })
  if (Math.abs(scale.value) < lightestCup && !again) return refused({ code: 'nothing-on-scale' })
  return happened({ what: 'tared', task: task.id, reading: scale.value })
}

/** What of the reading is in the cup since it was tared, kg. */
const inCupNow = ({ scale }: BenchReadings, zero = 0): number =>
  Math.max(0, (scale?.value ?? 0) - zero)

/** The other part of this cup, while it is still to come: a bottle is easily mistaken. */
export function otherPartOf(
  { tasks, done }: Pick<Progress, 'tasks' | 'done'>,
  task: TaskOf<'weigh'>,
): TaskOf<'weigh'> | undefined {
  if (task.part === 'tint') return undefined
  return tasks.find(
    (one): one is TaskOf<'weigh'> =>
      one.what === 'weigh' &&
      one.mix === task.mix &&
      one.part !== 'tint' &&
      one.key !== task.key &&
      !done.has(one.id),
  )
}

/** A weighing as it stands: what the scale or a hand says is in, and what is to do first. */
export interface WeighingNow {
  /** The cup has to be put on and tared first. */
  toPlace: boolean
  newCup: boolean
  /** kg */
  inCup: number
  weighed: Weighed
  other?: TaskOf<'weigh'>
}

/** How the weighing at hand stands. */
export function weighingNow(
  bench: Pick<Bench, 'tasks' | 'events'>,
  progress: Progress,
  task: TaskOf<'weigh'>,
  readings: Pick<BenchReadings, 'scale' | 'byHand'>,
): WeighingNow {
  const zero = zeroOf(bench, task)
  const inCup = readings.byHand ?? inCupNow(readings, zero)
  return {
    toPlace: zero === undefined,
    newCup: beginsCup(bench, task),
    inCup,
    weighed: weighedNow(bench, task, inCup),
    other: otherPartOf(progress, task),
  }
}

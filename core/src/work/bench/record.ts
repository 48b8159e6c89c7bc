import type { CopyResult, Pull, PullTimes } from '../pull/index.ts'
import type { Bench, BenchEvent } from './bench.ts'
import { progressOf, startOf } from './progress.ts'
import type { Task, TaskOf } from './tasks.ts'
import { inCupOf } from './weighing.ts'

type Fill = TaskOf<'fill'>

/** What a pull needs that a bench does not know. */
export interface Surroundings {
  id: string
  /** s since 1970 as the date and time that a log writes. */
  iso: (at: number) => string
  /** How long the bottle of a material has been open, s. */
  openedOf?: (material: string) => number | undefined
  who?: string
}

const doneOf = (events: readonly BenchEvent[]) =>
  new Map(events.flatMap((event) => (event.what === 'done' ? [[event.task, event] as const] : [])))

/**
 * The pulls that a bench has written by itself: one for each piece in each load, of the moulds that
 * were filled to their last layer, with what was really weighed and when. What was not poured
 * leaves no pull.
 */
export function pullsOf(bench: Bench, around: Surroundings): Pull[] {
  const { tasks, events, pours } = bench
  const { met } = progressOf(bench)
  const done = doneOf(events)
  const filled = tasks.filter(
    (task): task is Fill => task.what === 'fill' && done.has(task.id) && met.has(task.mix),
  )
  const loads = [...new Set(filled.map(({ load }) => load))]
  return loads.flatMap((load) =>
    pours.flatMap((pour): Pull[] => {
      const own = filled.filter((task) => task.load === load && task.mould.pour === pour.id)
      const layers = [...new Set(own.map(({ layer }) => layer))].toSorted((a, b) => a - b)
      const planned = Math.max(
        ...tasks.flatMap((task) =>
          task.what === 'fill' && task.load === load && task.mould.pour === pour.id
            ? [task.layer]
            : [],
        ),
      )
      const whole = own.filter(({ layer }) => layer === planned)
      if (whole.length === 0) return []
      const copies = whole.reduce((sum, { mould }) => sum + mould.casts, 0)
      const first = Math.min(...own.map(({ mix }) => met.get(mix)!))
      const room = roomBefore(events, Infinity)
      return [
        {
          plan: pour.plan,
          planRevision: pour.planRevision,
          mould: pour.mould,
          bench: around.id,
          load,
          pouredAt: around.iso(first),
          copies,
          room: room.room ?? bench.room,
          humidity: room.humidity,
          layers: byName(layers, pour).map(([name, shots]) => ({
            name,
            amounts: amountsOf(
              bench,
              own.filter((task) => shots.includes(task.layer)),
            ),
          })),
          outcome: 'good',
          faults: [],
          note: notesOf(events).join('\n'),
          nextTime: '',
          who: around.who,
          lots: pour.materials.map((material) => ({
            material,
            opened: around.openedOf?.(material),
          })),
          method: methodOf(bench, pour, load, done),
          times: timesOf(bench, whole, load, done),
          results: resultsOf(whole, (task) => fullAt(task, met, done)),
          pins: [],
          pictures: picturesOf(events),
          mishaps: mishapsOf(events, own, first),
        },
      ]
    }),
  )
}

/** Layers by their names: the shots of a hollow cast are one. */
function byName(layers: readonly number[], pour: Bench['pours'][number]): [string, number[]][] {
  const found: [string, number[]][] = []
  for (const layer of layers) {
    const name = pour.layers[layer] ?? `Layer ${layer + 1}`
    const last = found.at(-1)
    if (last?.[0] === name) last[1].push(layer)
    else found.push([name, [layer]])
  }
  return found
}

/** What went wrong with these moulds, or with the cups that filled them. */
const mishapsOf = (
  events: readonly BenchEvent[],
  fills: readonly Fill[],
  first: number,
): NonNullable<Pull['mishaps']> =>
  events.flatMap((event) => {
    if (event.what !== 'wrong') return []
    const { mishap, did, mix, mould, at } = event
    const ours = fills.some(
      (fill) =>
        (mould === undefined || fill.mould.key === mould) &&
        (mix === undefined || fill.mix === mix),
    )
    return ours ? [{ what: mishap, did, at: at - first }] : []
  })

/** Of one layer: each part of its cups, in the share that went into these moulds. */
function amountsOf(bench: Bench, fills: readonly Fill[]): Pull['layers'][number]['amounts'] {
  const sums = new Map<string, Pull['layers'][number]['amounts'][number]>()
  for (const mix of new Set(fills.map((task) => task.mix))) {
    const all = bench.tasks.filter((task): task is Fill => task.what === 'fill' && task.mix === mix)
    const mass = (of: readonly Fill[]) => of.reduce((sum, task) => sum + task.mass, 0)
    const share = mass(fills.filter((task) => task.mix === mix)) / mass(all)
    const into = inCupOf(bench, mix)
    for (const task of bench.tasks) {
      if (task.what !== 'weigh' || task.mix !== mix) continue
      const weighed = into.get(task.key)
      const before = sums.get(task.key)
      const more = weighed === undefined ? undefined : weighed * share
      sums.set(task.key, {
        what: task.part,
        name: task.name,
        planned: (before?.planned ?? 0) + task.mass * share,
        weighed: more === undefined ? before?.weighed : (before?.weighed ?? 0) + more,
      })
    }
  }
  return [...sums.values()]
}

function methodOf(
  { way, tasks, events }: Bench,
  pour: Bench['pours'][number],
  load: number,
  done: ReadonlyMap<string, BenchEvent>,
): Pull['method'] {
  const here = tasks.filter((task) => task.load === load)
  const places = here.filter(
    (task): task is TaskOf<'prefill'> => task.what === 'prefill' && task.mould.pour === pour.id,
  )
  const spots = (of: readonly TaskOf<'prefill'>[]) =>
    of.reduce((sum, task) => sum + task.spots.filter(({ what }) => what === 'prefill').length, 0)
  const gaugeOf = (what: 'lid' | 'vacuum') => {
    const task = here.find((one) => one.what === what && done.has(one.id))
    const event = task && events.find((one) => one.what === 'done' && one.task === task.id)
    const planned = task && 'gauge' in task ? task.gauge : undefined
    return event?.what === 'done' ? (event.gauge ?? planned) : undefined
  }
  const conditioned = here.filter((task): task is TaskOf<'condition'> => task.what === 'condition')
  /** What the setup asks for, where it was carried out; an older bench had no task for it. */
  const did = (what: TaskOf<'condition'>['condition']) =>
    conditioned.some(
      ({ id, condition, moulds }) =>
        condition === what && done.has(id) && moulds.some((one) => one.pour === pour.id),
    )
  const carried = (what: TaskOf<'condition'>['condition'], setup?: string) =>
    conditioned.length === 0 || did(what) ? setup : 'none'
  const second = here.find((task): task is TaskOf<'mix'> => task.what === 'mix')?.secondCup
  return {
    way,
    dust: carried('powder', pour.dust),
    release: carried('release', pour.release),
    wiped: conditioned.length === 0 ? undefined : did('wipe') ? 'yes' : 'no',
    prefilled: spots(places.filter(({ id }) => done.has(id))),
    prefills: spots(places),
    vents: pour.vents,
    bands: pour.bands,
    tilt: tiltOf(pour.up),
    pressure: gaugeOf('lid') ?? 0,
    vacuum: gaugeOf('vacuum'),
    secondCup: second,
  }
}

/** From the nearest axis of the piece, rad: as it was leant on purpose. */
function tiltOf(up: readonly number[]): number {
  const most = Math.max(...up.map(Math.abs)) / Math.hypot(...up)
  return Math.acos(Math.min(1, most))
}

function timesOf(
  { tasks, events }: Bench,
  whole: readonly Fill[],
  load: number,
  done: ReadonlyMap<string, BenchEvent>,
): PullTimes {
  const mixes = new Set(whole.map(({ mix }) => mix))
  const mixing = tasks.filter(
    (task): task is TaskOf<'mix'> => task.what === 'mix' && mixes.has(task.mix),
  )
  const { met } = progressOf({ tasks, events })
  const begun = Math.min(...[...mixes].map((mix) => met.get(mix)!))
  const since = (at: number | undefined) => (at === undefined ? undefined : at - begun)
  const at = (what: string) => {
    const task = tasks.find((one) => one.load === load && one.what === what && done.has(one.id))
    return task && since(done.get(task.id)!.at)
  }
  const touched = (mark: string) =>
    since(
      events.find((one) => one.what === 'touched' && mixes.has(one.mix) && one.mark === mark)?.at,
    )
  // The last mould of a mix is the one that waited longest.
  const late = whole.map((task) => fullAt(task, met, done)).toSorted((a, b) => b - a)[0]
  const stirred = mixing
    .flatMap((task) => (done.has(task.id) ? [done.get(task.id)!.at - met.get(task.mix)!] : []))
    .toSorted((a, b) => a - b)[0]
  return {
    stirred,
    full: late,
    pours: Math.min(...mixing.map(({ pours }) => pours)),
    syrup: touched('syrup'),
    gel: touched('gel of the cup'),
    hottest: touched('hottest'),
    atPressure: at('lid'),
    letGo: at('release'),
    ...turnedOf(tasks, mixes, done, met),
    out: at('demould'),
    hard: outBy(tasks, load) ?? Math.max(...mixing.map(({ hard }) => hard)),
    gels: Math.min(...mixing.map(({ gelInMould, gel }) => gelInMould ?? gel)),
  }
}

/** How long the last shot of a hollow cast was turned, and how long it ran, s after its parts met. */
function turnedOf(
  tasks: readonly Task[],
  mixes: ReadonlySet<number>,
  done: ReadonlyMap<string, BenchEvent>,
  met: ReadonlyMap<number, number>,
): Pick<PullTimes, 'turned' | 'still'> {
  const task = tasks.findLast(
    (one): one is TaskOf<'turn'> => one.what === 'turn' && mixes.has(one.mix) && done.has(one.id),
  )
  return task ? { turned: done.get(task.id)!.at - met.get(task.mix)!, still: task.stops } : {}
}

/** What comes out rubbery on purpose has its time when its gates are cut. */
function outBy(tasks: readonly Task[], load: number): number | undefined {
  const ours = tasks.filter((task) => task.load === load)
  const rubbery = ours.some((task) => task.what === 'trim' && task.flat !== undefined)
  return rubbery ? ours.find(({ what }) => what === 'demould')?.at : undefined
}

function resultsOf(whole: readonly Fill[], full: (task: Fill) => number): CopyResult[] {
  let copy = 0
  return whole.flatMap((task) =>
    Array.from({ length: task.mould.casts }, (): CopyResult => ({
      copy: ++copy,
      mould: task.mould.number,
      result: 'good',
      full: full(task),
    })),
  )
}

/** When a mould was full, s after the parts of its mix met. */
const fullAt = (
  task: Fill,
  met: ReadonlyMap<number, number>,
  done: ReadonlyMap<string, BenchEvent>,
): number => done.get(task.id)!.at - met.get(task.mix)!

/** Pictures that were taken at the bench, each once. */
const picturesOf = (events: readonly BenchEvent[]): NonNullable<Pull['pictures']> => {
  const ids = events.flatMap((event) =>
    event.what === 'noted' && event.picture !== undefined ? [event.picture] : [],
  )
  return [...new Set(ids)].map((id, i) => ({ id, name: `Bench ${i + 1}` }))
}

const notesOf = (events: readonly BenchEvent[]): string[] =>
  events.flatMap((event) =>
    event.what === 'noted' && event.text.trim() ? [event.text.trim()] : [],
  )

/** The room as it was last measured before a moment. */
export function roomBefore(
  events: readonly BenchEvent[],
  until: number,
): { room?: number; humidity?: number } {
  let found: { room?: number; humidity?: number } = {}
  for (const event of events) {
    if (event.what !== 'room' || event.at > until) continue
    found = { room: event.room ?? found.room, humidity: event.humidity ?? found.humidity }
  }
  return found
}

/** Tasks with what hands took for them, s: those that were done without a pause or a drying before. */
export function takenTasks({
  tasks,
  events,
}: Pick<Bench, 'tasks' | 'events'>): { task: Task; taken: number }[] {
  const byId = new Map(tasks.map((task) => [task.id, task]))
  const times = events.filter((event) => event.what === 'done')
  return times.flatMap((event, i) => {
    const task = byId.get(event.task)
    const before = i > 0 ? byId.get(times[i - 1].task) : undefined
    const dried = before?.what === 'condition' && before.waits > 0
    const taken = i > 0 && !dried ? event.at - times[i - 1].at : 0
    return task && taken > 0 && taken < longestTask ? [{ task, taken }] : []
  })
}

/** Who took longer was somewhere else, s. */
const longestTask = 900

/** @example startedAt({ events: [{ what: 'done', task: 'm begun', at: 5 }] }, 'm') // 5 */
export const startedAt = ({ events }: Pick<Bench, 'events'>, task: string): number | undefined =>
  events.find((one) => one.what === 'done' && one.task === startOf(task))?.at

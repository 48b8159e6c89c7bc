import { mixDensity } from '../../matter/mix/index.ts'
import type { AgeingCup } from './cup.ts'
import { thicknessAt } from './cup.ts'
import { wetsFor } from './conditioning.ts'
import { fillingOf, type Filling } from './filling.ts'
import type { Hands } from './hands.ts'
import type { RunMould } from './moulds.ts'
import type { RunPour, TurnedLayer } from './needs.ts'

export type TaskName =
  | 'stir'
  | 'vacuum'
  | 'face'
  | 'prefill'
  | 'wet'
  | 'fill'
  | 'rock'
  | 'plug'
  | 'turn'
  | 'band'
  | 'pot'
  | 'lid'
  | 'pressure'

/** Metal powder stirred into half of a mix, in portions (common practice, no source), s. */
const faceTakes = 45

/** By whom a task is done: the first pair of hands, the second, or the turning machine. */
export type Doer = 0 | 1 | 'machine'

/** Something that is done with a cup, s since its parts met. */
export interface Task {
  what: TaskName
  /** Which mould of the load. */
  mould?: RunMould
  by: Doer
  from: number
  until: number
  /** Of the mix when the task begins, Pa·s. */
  viscosity: number
  filling?: Filling['by']
}

/** One cup: which moulds it fills, and what the hands do while it ages. */
export interface Mix {
  moulds: RunMould[]
  layer: number
  /** kg and m³ */
  mass: number
  volume: number
  cup: AgeingCup
  tasks: Task[]
  /** s since its parts met: the last mould is filled; the last is in its bands and in the pot. */
  poured: number
  done: number
  /** It prefills tight places alone: another one fills the moulds. */
  dabs?: true
}

export interface MixBench {
  hands: Hands
  /** Pairs of hands. */
  pairs: number
  /** Of the mix before it is poured, s. */
  vacuum?: number
  /** Moulds go into the pot when this is the last layer. */
  pot: boolean
  /** Tight places are prefilled from this cup; else they were from a small one before it. */
  prefills: boolean
  /** How a mould is turned in the room of the run; absent: it stands. */
  turned?: (mould: RunMould) => TurnedLayer | undefined
}

/**
 * What is mixed in one cup for a layer of these moulds: what they take, and each one's reserve.
 *
 * @example Math.round(mixedFor([{ pour: { reserve: 0.1, layers: [{ volume: 3e-6, mass: 0.003 }] } }], 0).mass * 1e6) // 3300 (mg: a tenth on top)
 */
export function mixedFor(
  moulds: readonly Pick<RunMould, 'pour'>[],
  layer: number,
): { mass: number; volume: number } {
  const sum = (what: 'mass' | 'volume') =>
    moulds.reduce((all, { pour }) => all + pour.layers[layer][what] * (1 + pour.reserve), 0)
  return { mass: sum('mass'), volume: sum('volume') }
}

/**
 * How long hands are at one kind of task of a mix, s.
 *
 * @example handsAt({ tasks: [] }, 'band') // 0
 */
export const handsAt = ({ tasks }: Pick<Mix, 'tasks'>, what: TaskName): number =>
  tasks.reduce((sum, task) => sum + (task.what === what ? task.until - task.from : 0), 0)

/**
 * Whether a mould is closed and banded before its resin is mixed: a band that comes after the resin
 * lets it out. One with places to prefill stays open until the cup is there, and is closed then.
 *
 * @example closesBefore({ closed: true, prefills: 0 }) // true
 */
export const closesBefore = ({ closed, prefills }: Pick<RunPour, 'closed' | 'prefills'>): boolean =>
  closed && prefills === 0

/** Two pairs of hands that take up one task after the other while a cup ages. */
function handsWith(cup: AgeingCup) {
  const tasks: Task[] = []
  const free = [0, 0]
  const add = (what: TaskName, by: 0 | 1, takes: number, more: Partial<Task> = {}) => {
    if (!(takes > 0)) return
    const from = free[by]
    const until = from + takes
    tasks.push({ what, by, from, until, viscosity: thicknessAt(cup, from), ...more })
    free[by] = until
  }
  return { tasks, free, add }
}

/** Tight places dabbed while the moulds stand open, then those closed and banded: when each is shut. */
function prefilled(
  moulds: readonly RunMould[],
  {
    hands,
    helper,
    free,
    add,
  }: { hands: Hands; helper: 0 | 1 } & Pick<ReturnType<typeof handsWith>, 'free' | 'add'>,
): Map<RunMould, number> {
  const dabbed = new Map<RunMould, number>()
  for (const mould of moulds) {
    if (mould.pour.prefills === 0) continue
    add('prefill', 0, mould.pour.prefills * hands.prefill, { mould })
    dabbed.set(mould, free[0])
  }
  const shutAt = new Map<RunMould, number>()
  for (const [mould, at] of dabbed) {
    if (!mould.pour.closed) continue
    free[helper] = Math.max(free[helper], at)
    add('band', helper, hands.band, { mould })
    shutAt.set(mould, free[helper])
  }
  return shutAt
}

/** A dab in a tight spot, and the least that is mixed by hand, m³ (common practice, no source). */
export const dab = 1e-7
const leastMix = 5e-6

/**
 * What a small first cup for tight places holds, m³.
 *
 * @example dabsVolume([{ pour: { prefills: 3 } }]) // 5e-6 (0.3 ml are dabbed, but less can't be mixed)
 */
export const dabsVolume = (moulds: readonly { pour: Pick<RunPour, 'prefills'> }[]): number =>
  Math.max(
    leastMix,
    moulds.reduce((sum, { pour }) => sum + pour.prefills * dab, 0),
  )

/**
 * A small first cup: stirred, every tight place dabbed with the moulds open, and those closed and
 * banded before the cup that fills them is mixed. Their closing is then on no clock but this one's.
 */
export function planDabs(
  moulds: readonly RunMould[],
  cup: AgeingCup,
  { hands, pairs }: Pick<MixBench, 'hands' | 'pairs'>,
): Mix {
  const { resin } = moulds[0].pour.layers[0]
  const { tasks, free, add } = handsWith(cup)
  add('stir', 0, resin.mixTime)
  free[1] = free[0]
  prefilled(moulds, { hands, helper: pairs > 1 ? 1 : 0, free, add })
  const volume = dabsVolume(moulds)
  const last = tasks.findLast(({ what }) => what === 'prefill')
  return {
    moulds: [...moulds],
    layer: 0,
    volume,
    mass: volume * mixDensity(resin.ratio, resin),
    cup,
    tasks,
    poured: last?.until ?? 0,
    done: Math.max(...free),
    dabs: true,
  }
}

/**
 * How long hands are at prefilling and at the closing that waits for it, in the busiest cup, s.
 *
 * @example prefillTakes([{ tasks: [{ what: 'prefill', from: 30, until: 50 }, { what: 'band', from: 50, until: 60 }] }]) // 30
 */
export function prefillTakes(
  mixes: readonly { tasks: readonly Pick<Task, 'what' | 'from' | 'until'>[] }[],
): number {
  return Math.max(
    0,
    ...mixes.map(({ tasks }) => {
      const own = tasks.filter(({ what }) => what === 'prefill' || what === 'band')
      if (own.length === 0) return 0
      return Math.max(...own.map(({ until }) => until)) - Math.min(...own.map(({ from }) => from))
    }),
  )
}

/**
 * One mix, task by task: stirred, freed of air, half of it filled with metal powder where it makes a skin; moulds that stand open for it prefilled, closed and
 * banded; then each wetted where it is wished, filled and rocked in turn, and into the pot. A second pair of hands closes, rocks
 * and puts into the pot what the first has prefilled and filled.
 */
export function planMix(
  moulds: readonly RunMould[],
  layer: number,
  cup: AgeingCup,
  { hands, pairs, vacuum = 0, pot, prefills, turned: turnedOf }: MixBench,
): Mix {
  const { resin } = moulds[0].pour.layers[layer]
  const density = mixDensity(resin.ratio, resin)
  const { tasks, free, add } = handsWith(cup)
  add('stir', 0, resin.mixTime)
  add('vacuum', 0, vacuum)
  const faced = moulds.some(({ pour }) => pour.layers[layer].skin?.face)
  add('face', 0, faced ? faceTakes : 0)
  free[1] = free[0]
  let poured = free[0]
  const helper = pairs > 1 ? 1 : 0
  /** Plugged and turned at once: a pair of hands has nothing else to do until nothing moves. */
  const turn = (mould: RunMould, { by, stopsAt }: TurnedLayer) => {
    const hand = free[helper] <= free[0] ? helper : 0
    add('plug', hand, mould.pour.closed ? hands.band : 0, { mould })
    const [from, until] = [free[hand], stopsAt]
    if (by === 'hands') return add('turn', hand, until - from, { mould })
    if (until <= from) return
    const viscosity = thicknessAt(cup, from)
    tasks.push({ what: 'turn', mould, by: 'machine', from, until, viscosity })
  }
  const finish = (mould: RunMould) => {
    const last = layer === mould.pour.layers.length - 1
    add('pot', helper, pot && last ? hands.intoPot : 0, { mould })
  }
  const shutAt = prefilled(layer === 0 && prefills ? moulds : [], { hands, helper, free, add })
  for (const mould of moulds) {
    free[0] = Math.max(free[0], shutAt.get(mould) ?? 0)
    if (layer === 0) add('wet', 0, wetsFor(mould), { mould })
    const { volume } = mould.pour.layers[layer]
    const runs = { viscosity: thicknessAt(cup, free[0]), density }
    const { casts, pour } = mould
    const { by: filling, time } = fillingOf(hands, { volume, bore: pour.bore, casts }, runs)
    add('fill', 0, time, { mould, filling })
    poured = free[0]
    free[helper] = Math.max(free[helper], free[0])
    const turned = turnedOf?.(mould)
    // What is turned wets its walls by that.
    add('rock', helper, mould.pour.closed && !turned ? hands.rock : 0, { mould })
    if (turned) turn(mould, turned)
    else if (helper > 0) finish(mould)
  }
  if (helper === 0) moulds.forEach(finish)
  const done = Math.max(...free)
  return {
    moulds: [...moulds],
    layer,
    ...mixedFor(moulds, layer),
    cup,
    tasks,
    poured,
    done,
  }
}

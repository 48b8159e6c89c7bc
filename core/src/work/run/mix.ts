import { mixDensity } from '../../matter/mix/index.ts'
import type { AgeingCup } from './cup.ts'
import { thicknessAt } from './cup.ts'
import { wetsFor } from './conditioning.ts'
import { fillingOf, type Filling } from './filling.ts'
import type { Hands } from './hands.ts'
import type { RunMould } from './moulds.ts'
import type { RunPour } from './needs.ts'

export type TaskName =
  'stir' | 'vacuum' | 'prefill' | 'wet' | 'fill' | 'rock' | 'band' | 'pot' | 'lid' | 'pressure'

/** Something that one pair of hands does with a cup, s since its parts met. */
export interface Task {
  what: TaskName
  /** Which mould of the load. */
  mould?: RunMould
  by: number
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
}

export interface MixBench {
  hands: Hands
  /** Pairs of hands. */
  pairs: number
  /** Of the mix before it is poured, s. */
  vacuum?: number
  /** Moulds go into the pot when this is the last layer. */
  pot: boolean
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

/**
 * One mix, task by task: stirred, freed of air; moulds that stand open for it prefilled, closed and
 * banded; then each wetted where it is wished, filled and rocked in turn, and into the pot. A second pair of hands closes, rocks
 * and puts into the pot what the first has prefilled and filled.
 */
export function planMix(
  moulds: readonly RunMould[],
  layer: number,
  cup: AgeingCup,
  { hands, pairs, vacuum = 0, pot }: MixBench,
): Mix {
  const { resin } = moulds[0].pour.layers[layer]
  const density = mixDensity(resin.ratio, resin)
  const tasks: Task[] = []
  const free = [0, 0]
  const add = (what: TaskName, by: number, takes: number, more: Partial<Task> = {}) => {
    if (!(takes > 0)) return
    const from = free[by]
    const until = from + takes
    tasks.push({ what, by, from, until, viscosity: thicknessAt(cup, from), ...more })
    free[by] = until
  }
  add('stir', 0, resin.mixTime)
  add('vacuum', 0, vacuum)
  free[1] = free[0]
  let poured = free[0]
  const helper = pairs > 1 ? 1 : 0
  const finish = (mould: RunMould) => {
    const last = layer === mould.pour.layers.length - 1
    add('pot', helper, pot && last ? hands.intoPot : 0, { mould })
  }
  const prefilledAt = new Map<RunMould, number>()
  for (const mould of layer === 0 ? moulds : []) {
    if (mould.pour.prefills === 0) continue
    add('prefill', 0, mould.pour.prefills * hands.prefill, { mould })
    prefilledAt.set(mould, free[0])
  }
  const shutAt = new Map<RunMould, number>()
  for (const [mould, at] of prefilledAt) {
    if (!mould.pour.closed) continue
    free[helper] = Math.max(free[helper], at)
    add('band', helper, hands.band, { mould })
    shutAt.set(mould, free[helper])
  }
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
    add('rock', helper, mould.pour.closed ? hands.rock : 0, { mould })
    if (helper > 0) finish(mould)
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

import { underPressureBy, type AirTools } from '../../matter/air/index.ts'
import { laidBefore } from '../../matter/inclusion/index.ts'
import { isFast } from '../../matter/mix/index.ts'
import {
  comesOutHollow,
  cupsOf,
  faceOf,
  gelOfMix,
  handsAt,
  inRoom,
  runSteps,
  type CompiledRun,
  type Run,
  type RunMould,
  type RunStep,
} from '../run/index.ts'
import type { Bench } from './bench.ts'
import type { BenchMould, LayOutItem, Task } from './tasks.ts'

/** What is known of a run when its bench is set out. */
export interface BenchOf {
  id: string
  revision: number
  run: Run
  compiled: CompiledRun
  tools: AirTools
  cups: readonly number[]
  pours: Bench['pours']
}

/**
 * A run as a bench to be carried out: every step of its sheet as tasks that one key ends. What it
 * was planned with is kept with it, so that a change of the plan does not move a clock that runs.
 */
export function benchOfRun({ id, revision, run, compiled, tools, cups, pours }: BenchOf): Bench {
  const numberOf = new Map(
    compiled.loads.flatMap(({ mixes }) => mixes).map((mix, i) => [mix, i] as const),
  )
  const steps = runSteps(compiled.loads, run, tools, cups)
  const tasks = steps.flatMap((step, i) => tasksOf(step, `${i + 1}`, { run, tools, numberOf }))
  return {
    name: run.name,
    of: { what: 'run', id, revision },
    way: run.way,
    room: run.room,
    pours,
    tasks,
    events: [],
  }
}

interface Around {
  run: Run
  tools: AirTools
  numberOf: ReadonlyMap<object, number>
}

function tasksOf(step: RunStep, id: string, { run, tools, numberOf }: Around): Task[] {
  const { load, mix, moulds, at } = step
  const { hazards } = step
  const number = mix ? numberOf.get(mix)! : 0
  const common = { load: load.index, at, hazards }
  const ofMix = { ...common, mix: number, layer: mix?.layer ?? 0 }
  switch (step.step) {
    case 'lay out':
      return [{ ...common, at: undefined, id, what: 'lay out', items: layOut(step, run) }]
    case 'condition': {
      const { what, name, hands, waits, clings } = step.condition!
      const of = { condition: what, name, moulds: moulds.map(named), waits, clings }
      return [{ ...common, at: undefined, id, what: 'condition', takes: hands, ...of }]
    }
    case 'weigh': {
      const { steps, cupSize, apart } = step.weighing!
      const { resin, tints } = mix!.moulds[0].pour.layers[mix!.layer]
      const densities = { A: resin.densityA, B: resin.densityB }
      const last = steps.length - 1
      return steps.map(({ what, key, name, mass }, i) => ({
        ...ofMix,
        id: `${id}.${i + 1}`,
        what: 'weigh',
        part: what,
        key,
        name,
        mass,
        density: what === 'tint' ? densityOfTint(tints, key) : densities[what],
        apart: apart && i === last ? 'own cup' : 'mixing cup',
        cup: cupSize,
        step: mix!.moulds[0].pour.step,
        moulds: mix!.moulds.length,
      }))
    }
    case 'mix': {
      const { cup, layer } = mix!
      const gel = gelOfMix(mix!, run)
      const { resin } = mix!.moulds[0].pour.layers[layer]
      const hard = Math.max(...mix!.moulds.map(({ pour }) => inRoom(pour.layers[layer], run).hard))
      return [
        {
          ...ofMix,
          id,
          what: 'mix',
          takes: resin.mixTime,
          pours: cup.poursUntil,
          gel: Math.min(cup.gel, longest),
          gelInMould: gel === Infinity ? undefined : Math.min(gel, longest),
          hard,
          secondCup: isFast(resin) ? 'no' : 'yes',
        },
      ]
    }
    case 'vacuum':
      return [
        {
          ...ofMix,
          id,
          what: 'vacuum',
          gauge: tools.vessel!.gauge,
          takes: takesOfTask(step, 'vacuum'),
        },
      ]
    case 'face': {
      const takes = takesOfTask(step, 'face')
      return [{ ...ofMix, id, what: 'face', takes, ...faceOf(mix!)! }]
    }
    case 'close':
      return [
        {
          ...ofMix,
          mix: mix ? number : numberOf.get(load.mixes[0])!,
          id,
          what: 'band',
          moulds: moulds.map(named),
          takes: mix ? handsAt(mix, 'band') : load.closing,
        },
      ]
    case 'prefill':
      return moulds.map((mould, i): Task => ({
        ...ofMix,
        at: atOf(step, 'prefill', mould),
        takes: takesOfTask(step, 'prefill', mould),
        id: `${id}.${i + 1}`,
        what: 'prefill',
        mould: named(mould),
        spots: mould.pour.spots,
      }))
    case 'fill':
      return moulds.flatMap((mould, i): Task[] => {
        const layer = mould.pour.layers[mix!.layer]
        const own = `${id}.${i + 1}`
        const later = inRoom(layer, run).sets.filter(({ how }) => !laidBefore.has(how))
        const fill: Task = {
          ...ofMix,
          at: atOf(step, 'fill', mould),
          takes: takesOfTask(step, 'fill', mould),
          id: own,
          what: 'fill',
          mould: named(mould),
          volume: layer.volume,
          mass: layer.mass,
          turned: layer.turned && (layer.turned.shot === 1 ? 'first' : 'next'),
          vents: mould.pour.vents,
        }
        const wet: Task = {
          ...ofMix,
          at: atOf(step, 'wet', mould),
          takes: takesOfTask(step, 'wet', mould),
          id: `${own} wet`,
          what: 'wet',
          mould: named(mould),
        }
        return [
          ...(wet.takes === undefined ? [] : [wet]),
          fill,
          ...later.map(({ name, count, from, until }, k): Task => ({
            ...ofMix,
            id: `${own} set ${k + 1}`,
            what: 'set',
            name,
            count,
            from,
            until,
          })),
        ]
      })
    case 'turn': {
      const { turned } = inRoom(moulds[0].pour.layers[mix!.layer], run)
      const { shot, of, by, turns, countsFrom, stopsAt } = turned!
      const takes = stopsAt - (at! - mix!.begins)
      return [
        {
          ...ofMix,
          id,
          what: 'turn',
          takes: Math.max(0, takes),
          moulds: moulds.map(named),
          ...{ shot, of, by, turns },
          closed: moulds.every(({ pour }) => pour.closed) ? 'yes' : 'no',
          counts: Math.min(countsFrom, longest),
          stops: Math.min(stopsAt, longest),
        },
      ]
    }
    case 'set': {
      const { name, count, how, until } = step.set!
      // What goes in later each mould asks for by itself, right after it is filled.
      if (!laidBefore.has(how)) return []
      const [from, end] = [at! - mix!.begins, until - mix!.begins]
      return [{ ...ofMix, id, what: 'set', name, count, from, until: end }]
    }
    case 'into pot':
      return [
        {
          ...ofMix,
          id,
          what: 'into pot',
          moulds: moulds.map(named),
          takes: handsAt(mix!, 'pot'),
        },
      ]
    case 'pressure': {
      const { pot } = tools
      const by = Math.min(
        ...load.mixes.map((one) => one.begins + underPressureBy * gelOfMix(one, run)),
      )
      return [
        {
          ...common,
          id,
          what: 'lid',
          gauge: pot!.gauge,
          marked: pot!.marked,
          by: by === Infinity ? undefined : Math.min(by, longest),
          takes: load.atPressure! - load.lid!,
        },
      ]
    }
    case 'clean':
      return [{ ...common, id, what: 'clean', vessel: tools.vessel ? 'yes' : 'no' }]
    case 'demould': {
      const order = moulds.toSorted((a, b) => a.pour.depth - b.pour.depth)
      // A port that was plugged leaves no gate.
      const closed = order.filter(({ pour }) => pour.closed && !comesOutHollow(pour))
      const { pot } = tools
      return [
        ...(load.lid === undefined
          ? []
          : [
              {
                ...common,
                id: `${id} hold`,
                what: 'hold' as const,
                gauge: pot!.gauge,
                at: load.out,
              },
              { ...common, id: `${id} release`, what: 'release' as const, at: load.out },
            ]),
        { ...common, id, what: 'demould', moulds: order.map(named) },
        ...(closed.length > 0
          ? [
              {
                ...common,
                id: `${id} gates`,
                what: 'trim' as const,
                moulds: closed.map(named),
                flat: step.flat && Math.min(step.flat, longest),
              },
            ]
          : []),
      ]
    }
  }
}

/** Nothing on the bench is waited for longer, s. */
const longest = 9e6

const named = ({ key, pour, number, casts }: RunMould): BenchMould => ({
  key,
  pour: pour.id,
  name: pour.name,
  number,
  casts: Math.max(1, casts),
})

const densityOfTint = (tints: RunMould['pour']['layers'][number]['tints'], key: string): number =>
  tints[Number(key.replace('tint-', '')) - 1].material.density

function taskIn({ mix }: RunStep, what: string, mould?: RunMould) {
  return mix!.tasks.find((task) => task.what === what && (!mould || task.mould === mould))
}

const atOf = (step: RunStep, what: string, mould: RunMould): number | undefined => {
  const task = taskIn(step, what, mould)
  return task && step.mix!.begins + task.from
}

const takesOfTask = (step: RunStep, what: string, mould?: RunMould): number | undefined => {
  const task = taskIn(step, what, mould)
  return task && task.until - task.from
}

function layOut({ load, moulds }: RunStep, run: Run): { what: LayOutItem; count: number }[] {
  const sum = (of: (mould: RunMould) => number) => moulds.reduce((all, one) => all + of(one), 0)
  const prefills = sum(({ pour }) => pour.prefills)
  const bands = sum(({ pour }) => pour.bands)
  const closed = sum(({ pour }) => Number(pour.closed))
  const pressed = run.way === 'pressure' || run.way === 'both'
  const pumped = run.way === 'vacuum' || run.way === 'both'
  return [
    { what: 'gloves', count: run.hands },
    { what: 'air', count: 1 },
    ...(closed > 0 ? [{ what: 'moulds' as const, count: closed }] : []),
    ...(closed < moulds.length
      ? [{ what: 'open moulds' as const, count: moulds.length - closed }]
      : []),
    { what: 'level', count: 1 },
    ...(prefills > 0 ? [{ what: 'prefill tools' as const, count: prefills }] : []),
    ...(bands > 0 ? [{ what: 'boards and bands' as const, count: bands }] : []),
    { what: 'cups', count: cupsOf(load) },
    ...(pressed ? [{ what: 'pot open' as const, count: 1 }] : []),
    ...(pumped ? [{ what: 'vessel' as const, count: 1 }] : []),
    { what: 'timer', count: 1 },
  ]
}

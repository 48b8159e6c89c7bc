import { usualAirPot, usualVessel } from '../../matter/air/index.ts'
import { compileRun, newRun, usualHands, type Run, type RunPour } from '../run/index.ts'
import { keycap } from '../run/samples.ts'
import type { Bench, BenchEvent } from './bench.ts'
import { benchOfRun } from './fromRun.ts'
import type { TaskKind, TaskOf } from './tasks.ts'

export const tools = { pot: { ...usualAirPot, lid: 20, flow: 0.005 }, vessel: usualVessel }
/** A run of keycaps as a bench. */
export const bench = (more: Partial<Run> = {}, pour: Partial<RunPour> = {}): Bench => {
  const run = { ...newRun('Keycaps'), way: 'pressure', room: 289.15, ...more } as Run
  const compiled = compileRun(
    run,
    [
      keycap({
        casts: 6,
        prefills: 1,
        spots: [{ what: 'prefill', across: 0, height: 0.008 }],
        ...pour,
      }),
    ],
    {
      hands: usualHands,
      tools,
      largestCup: 1e-3,
    },
  )
  const pours: Bench['pours'] = [
    {
      id: 'keycap',
      name: 'Keycap',
      piece: 'p',
      plan: 'l',
      planRevision: 2,
      mould: 'm',
      bands: 2,
      prefills: 1,
      vents: 0,
      up: [0, 0, 1],
      layers: ['Body'],
      materials: ['u'],
    },
  ]
  return benchOfRun({ id: 'r', revision: 3, run, compiled, tools, cups: [1e-4], pours })
}
export const ofKind = <K extends TaskKind>({ tasks }: Pick<Bench, 'tasks'>, kind: K) =>
  tasks.filter((task): task is TaskOf<K> => task.what === kind)
export const after = (begun: Bench, ...events: BenchEvent[]): Bench => ({ ...begun, events })
export const done = (task: string, at: number, weighed?: number): BenchEvent => ({
  what: 'done',
  task,
  at,
  ...(weighed === undefined ? {} : { weighed, by: 'scale' as const }),
})

import { inCupOf, progressOf, roomBefore, type Bench } from '../../work/bench/index.ts'
import type { Observation } from '../../matter/material/index.ts'

/** What was felt of a mix at the bench, as its resin's sheet keeps it. */
export interface CureObservation {
  observation: Omit<Observation, 'id'>
  /** Names of the parts that met in it: they tell the resin. */
  parts: string[]
}

const whatOf = { 'gel of the cup': 'gel', hottest: 'peak', hard: 'demould' } as const

/**
 * Gels, peaks and hard casts that were marked at the bench, each with the room and the mass of its
 * cup. `day` gives the date of a moment.
 */
export function cureObservations(
  bench: Pick<Bench, 'tasks' | 'events' | 'room'>,
  day: (at: number) => string,
): CureObservation[] {
  const { met } = progressOf(bench)
  return bench.events.flatMap((event): CureObservation[] => {
    if (event.what !== 'touched' || event.mark === 'syrup') return []
    const begun = met.get(event.mix)
    const what = whatOf[event.mark]
    const value = what === 'peak' ? event.temperature : begun && event.at - begun
    if (begun === undefined || value === undefined) return []
    const parts = bench.tasks.flatMap((task) =>
      task.what === 'weigh' && task.mix === event.mix && task.part !== 'tint' ? [task] : [],
    )
    const into = inCupOf(bench, event.mix)
    const mass = parts.reduce((sum, part) => sum + (into.get(part.key) ?? part.mass), 0)
    const room = roomBefore(bench.events, event.at).room ?? bench.room
    return [
      {
        observation: { what, value, room, mass, on: day(event.at) },
        parts: parts.map(({ name }) => name),
      },
    ]
  })
}

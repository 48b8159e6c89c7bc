import type { Resin, ResinClass } from '../material/index.ts'
import { slowEpoxy } from '../material/samples.ts'

const minute = 60
const hour = 3600

/** A made-up sheet of a class, for tests: pot life and its mass, demould time, viscosity. */
export const sheetOf = (
  kind: ResinClass,
  potLife: number,
  potMass: number,
  demould: number,
  viscosity: number,
  more: Partial<Resin> = {},
): Resin => ({
  ...slowEpoxy,
  class: kind,
  densityA: 1100,
  densityB: 1100,
  potLife,
  potMass,
  demould,
  viscosity,
  gelTime: undefined,
  recoatUntil: undefined,
  maxDepth: undefined,
  ...more,
})

/** Five made-up sheets, one of each class. */
export const sheets = {
  deep: sheetOf('deep epoxy', 6 * hour, 1, 60 * hour, 0.25),
  coating: sheetOf('coating epoxy', 40 * minute, 0.1, 24 * hour, 0.9),
  fast: sheetOf('fast urethane', 2.5 * minute, 0.1, 30 * minute, 0.1),
  clear: sheetOf('clear urethane', 8 * minute, 0.1, 16 * hour, 0.6),
  polyester: sheetOf('polyester', 15 * minute, 0.1, 3 * hour, 0.4),
}

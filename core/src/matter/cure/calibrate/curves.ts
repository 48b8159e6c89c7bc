import { potMassOf, type Resin, type Silicone } from '../../material/index.ts'
import { calibrate } from './calibrate.ts'
import { learn, predicted } from './learn.ts'
import { workingLaw, workingTime } from '../workingTime.ts'

/** Pot life of the sheet's own pot over rooms, s: by the sheet alone, and with what was seen. */
export interface PotLifeCurve {
  rooms: number[]
  sheet: number[]
  learned: number[]
}

/** Rooms that a bench knows, K. */
const rooms = Array.from({ length: 13 }, (_, i) => 285.15 + 2 * i)

/** How pot life runs with the room. @example potLifeCurve(resin).rooms.length // 13 */
export function potLifeCurve(resin: Resin): PotLifeCurve {
  const calibration = calibrate(resin)
  const learned = learn(calibration, resin)
  const at = (law: typeof calibration.law) =>
    rooms.map((room) => {
      const pot = { what: 'pot life', room, mass: potMassOf(resin), value: resin.potLife } as const
      return predicted(law, pot, resin)
    })
  return { rooms, sheet: at(calibration.law), learned: at(learned.law) }
}

/** The same of a silicone's working time. */
export function workingCurve(silicone: Silicone): PotLifeCurve {
  const at = (of: Silicone) => {
    const law = workingLaw(of)
    return rooms.map((room) => workingTime(law, room))
  }
  return { rooms, sheet: at({ ...silicone, observations: [] }), learned: at(silicone) }
}

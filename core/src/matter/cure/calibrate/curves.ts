import { potMassOf, type Resin, type Silicone } from '../../material/index.ts'
import type { CureLaw } from '../kinetics/index.ts'
import { calibrate } from './calibrate.ts'
import { timeBand, learn, predicted } from './learn.ts'
import { workingBand, workingLaw, workingTime } from '../workingTime.ts'

/** Pot life of the sheet's own pot over rooms, s: by the sheet alone, and with what was seen. */
export interface PotLifeCurve {
  rooms: number[]
  sheet: number[]
  learned: number[]
  /** By what factor the learned one may be off, up or down, eight times in ten. */
  band: number[]
}

/** Rooms that a bench knows, K. */
const rooms = Array.from({ length: 13 }, (_, i) => 285.15 + 2 * i)

/** How pot life runs with the room. @example potLifeCurve(resin).rooms.length // 13 */
export function potLifeCurve(resin: Resin): PotLifeCurve {
  const calibration = calibrate(resin)
  const learned = learn(calibration, resin)
  const potIn = (room: number) => (law: CureLaw) => {
    const pot = { what: 'pot life', room, mass: potMassOf(resin), value: resin.potLife } as const
    return predicted(law, pot, resin)
  }
  return {
    rooms,
    sheet: rooms.map((room) => potIn(room)(calibration.law)),
    learned: rooms.map((room) => potIn(room)(learned.law)),
    band: rooms.map((room) => timeBand(learned, potIn(room))),
  }
}

/** The same of a silicone's working time. */
export function workingCurve(silicone: Silicone): PotLifeCurve {
  const sheet = workingLaw({ ...silicone, observations: [] })
  const learned = workingLaw(silicone)
  return {
    rooms,
    sheet: rooms.map((room) => workingTime(sheet, room)),
    learned: rooms.map((room) => workingTime(learned, room)),
    band: rooms.map((room) => workingBand(learned, room)),
  }
}

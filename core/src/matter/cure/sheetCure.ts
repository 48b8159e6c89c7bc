import { resinClasses } from '../material/index.ts'
import type { Batch, CureTimes } from './cureTimes.ts'
import { roomFactor } from './roomRule.ts'

/** Where the sheet gives no recoat time: the join window ends at gel × this (common practice, no source). */
const joinPerGel = 1.5

/** How far from the gel to the demould time gates begin to trim easily (common practice, no source). */
export const trimFrom = 0.5

/**
 * The times of a batch from its data sheet alone, each moved to the room by `roomFactor`.
 * A gel the sheet leaves out is pot life times the class's factor; a join window it leaves out
 * ends at one and a half times the gel; neither comes after the demould time.
 *
 * @example sheetCure({ resin, room: 306.15, mass: 0.1, depth: 0.01 }).pourable // resin.potLife / 2
 */
export function sheetCure({ resin, room }: Batch): CureTimes {
  const factor = roomFactor(room, resin.sheetTemperature)
  const ruledGel = resin.potLife * resinClasses[resin.class].gelPerPotLife
  const gel = Math.max(resin.gelTime ?? Math.min(ruledGel, resin.demould), resin.potLife)
  const demould = Math.max(resin.demould, gel)
  const joinUntil = Math.max(resin.recoatUntil ?? Math.min(gel * joinPerGel, demould), gel)
  return {
    pourable: resin.potLife * factor,
    bleedsUntil: resin.potLife * factor,
    gel: gel * factor,
    joinUntil: joinUntil * factor,
    trim: (gel + (demould - gel) * trimFrom) * factor,
    demould: demould * factor,
    basis: {
      pourable: 'sheet',
      gel: resin.gelTime === undefined ? 'rule' : 'sheet',
      join: resin.recoatUntil === undefined ? 'rule' : 'sheet',
      demould: 'sheet',
    },
  }
}

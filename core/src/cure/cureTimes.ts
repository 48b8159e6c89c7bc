import type { Resin } from '../material/index.ts'

/** One mix in its cup and its layer. Temperatures K, mass kg, depth m. */
export interface Batch {
  resin: Resin
  room: number
  mass: number
  depth: number
}

/** Where a time comes from: the sheet itself, or a stated rule. */
export type Basis = 'sheet' | 'rule'

/** How a mix ripens, in seconds from the moment its parts meet. */
export interface CureTimes {
  /** Until here it pours: the pot life. */
  pourable: number
  /** Until here it is syrup; then it is a gel. */
  gel: number
  /** Until here a next layer bonds without sanding. */
  joinUntil: number
  demould: number
  basis: { pourable: Basis; gel: Basis; join: Basis; demould: Basis }
}

/** Whatever answers how a batch ripens. The plan asks only this. */
export type CureModel = (batch: Batch) => CureTimes

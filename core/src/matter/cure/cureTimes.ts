import type { Resin } from '../material/index.ts'
import type { Thickening } from './flow/drift.ts'

/** The mould around a layer, m: under it, beside it, and above it where it is closed. */
export interface MouldWalls {
  floor: number
  wall: number
  cover?: number
}

/** A centimetre all round, open above: what is taken where no mould is known. */
export const usualWalls: MouldWalls = { floor: 0.01, wall: 0.01 }

/** What a person calls the end of the pot life: viscosity doubled, or 5 Pa·s. */
export const pourEnds = ['doubled', 'thick'] as const
export type PourEnd = (typeof pourEnds)[number]

/** One mix in its cup and its layer. Temperatures K, mass kg, lengths m, times s. */
export interface Batch {
  resin: Resin
  room: number
  /** In one cup. */
  mass: number
  /** Of a column that holds the layer's volume on its widest level. */
  depth: number
  /** How many times deeper the layer itself lies; 1 unless said. */
  lie?: number
  /** From the moment its parts meet to the pour; the sheet's mixing time unless said. */
  inCup?: number
  materialTemperature?: number
  mouldTemperature?: number
  walls?: MouldWalls
  /** Four times the column's floor over its outline. */
  width?: number
  /** Resin that it lies on. */
  below?: number
  pourEnd?: PourEnd
  /** How it thickens is asked for too: things are set into it. */
  withThickening?: boolean
  /** Whose it is; no part of the question. */
  of?: string
}

/** Where a time comes from: the sheet itself, a stated rule, or the model of the cure. */
export type Basis = 'sheet' | 'rule' | 'model'

/** How a mix ripens, in seconds from the moment its parts meet. */
export interface CureTimes {
  /** Until here it pours out of its cup: the pot life. */
  pourable: number
  /** Until here what is poured onto the layer runs into it. */
  bleedsUntil: number
  /** Until here it is syrup; then it is a gel. */
  gel: number
  /** Until here a next layer bonds without sanding. */
  joinUntil: number
  /** From here to the demould time gates trim easily: rubbery, no longer soft. */
  trim: number
  demould: number
  /** The hottest the layer gets, K, and when; only a model knows. */
  peak?: { temperature: number; at: number }
  /** The same of what is left in its cup. */
  cupPeak?: { temperature: number; at: number }
  /** From mixed to gelled, where it was asked for; only a model knows. */
  thickening?: Thickening
  basis: { pourable: Basis; gel: Basis; join: Basis; demould: Basis }
}

/** Whatever answers how a batch ripens. The plan asks only this. */
export type CureModel = (batch: Batch) => CureTimes

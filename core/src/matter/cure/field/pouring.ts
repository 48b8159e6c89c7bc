import type { CureLaw, Solid } from '../kinetics/index.ts'
import type { HeatGrid } from './heatGrid.ts'
import type { Inlay } from './inlay.ts'
import type { LayerHeat } from './layerStory.ts'

/** One layer as it is poured: when, s, and how it comes out of its cup. */
export interface PouredLayer {
  law: CureLaw
  pourAt: number
  start: { alpha: number; temperature: number }
}

export interface FieldQuestion {
  grid: HeatGrid
  /** By their number in the grid. */
  layers: readonly PouredLayer[]
  room: number
  /** Of the mould when the first is poured; the room's unless said. */
  mouldTemperature?: number
  mould?: Solid
  /** What is set into the layers, by cell. */
  inlay?: Inlay
  /** Heat that free faces and the one on the bench lose, W/(m²·K). */
  faces?: { air: number; bench: number }
  /** Seconds to follow it. */
  until: number
}

/** The whole field at one moment: K and degree of cure of every cell. */
export interface FieldFrame {
  at: number
  temperature: Float32Array
  alpha: Float32Array
}

export interface HeatField {
  grid: HeatGrid
  frames: FieldFrame[]
  layers: LayerHeat[]
  /** J since the first pour: brought in by pouring and by reaction, lost by faces, still held. */
  energy: { poured: number; reacted: number; lost: number; held: number }
  steps: number
}

import type { Caution, Hazard } from '../../caution/index.ts'
import type { Batch, CureTimes } from '../../cure/index.ts'
import type { Weighing } from '../../mix/index.ts'
import type { Join } from '../plan.ts'

/** How a layer meets the one below when it is poured; late bonds only after scuffing. */
export type Meeting = Join | 'late'

/** When a layer is mixed and how it ripens: seconds after the first mixing. */
export interface LayerClock {
  mixAt: number
  pourAt: number
  /** The cup pours until here. */
  cupUntil: number
  /** The layer itself still runs until here. */
  bleedsUntil: number
  gelAt: number
  joinUntil: number
  /** Gates trim easily from here until the demould time. */
  trimAt: number
  demouldAt: number
  /** The hottest it gets, K, where the model knows; in its cup, s after its own mixing. */
  peak?: { temperature: number; at: number }
  cupPeak?: { temperature: number; at: number }
  /** With the layer below. */
  meets?: Meeting
  basis: CureTimes['basis']
}

/** Things set into a layer, as they lie until the gel holds them. */
export interface SetIn {
  count: number
  density: number
  /** Of a ball of the same volume, m. */
  radius: number
  /** On the floor of its layer when heavier than the resin, else under its surface. */
  lies: 'floor' | 'surface'
}

export interface CompiledLayer {
  id: string
  index: number
  name: string
  /** m above the lowest point */
  bottom: number
  top: number
  depth: number
  /** Of one copy, m³: the cavity between bottom and top, what is set in, and what is poured. */
  cavity: number
  inclusions: number
  resin: number
  join: Join
  setIn: SetIn[]
  /** For all copies with gate and reserve; absent until there is a resin and something to pour. */
  weighing?: Weighing
  clock?: LayerClock
  /** What its clock was asked with. */
  batch?: Batch
  hazards: Hazard[]
  /** What to draw it with. */
  colour: string
  tinted: boolean
}

/** Everything a screen shows about a plan. */
export interface CompiledPlan {
  layers: CompiledLayer[]
  /** Of the piece as it lies, m and m³. */
  height: number
  volume: number
  copies: number
  /** Weight of each material for everything, kg, by its name. */
  needs: { name: string; mass: number }[]
  /** Seconds after the first mixing. */
  demouldAt?: number
  /** Nothing is to get hotter than this, K. */
  heatLimit: number
  /** Of the air, where the humidity is known, K. */
  dewPoint?: number
  cautions: Caution[]
}

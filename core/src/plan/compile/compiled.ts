import type { Caution, Hazard } from '../../caution/index.ts'
import type { CureTimes } from '../../cure/index.ts'
import type { Weighing } from '../../mix/index.ts'
import type { Join } from '../plan.ts'

/** When a layer is mixed and how it ripens: seconds after the first mixing. */
export interface LayerClock {
  mixAt: number
  pourAt: number
  pourableUntil: number
  gelAt: number
  joinUntil: number
  demouldAt: number
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
  cautions: Caution[]
}

import type { Matter } from '../../../matter/colour/index.ts'
import type { Caution, Hazard } from '../../../base/caution/index.ts'
import type { Batch, CureTimes } from '../../../matter/cure/index.ts'
import type { SetMoment, Settling } from '../../../matter/inclusion/index.ts'
import type { Weighing } from '../../../matter/mix/index.ts'
import type { Join } from '../plan.ts'
import type { PouredInto } from '../pouredInto.ts'
import type { HeatLimit } from './heatLimit.ts'
import type { CompiledTurning, PlacedShell } from './shell.ts'
import type { CompiledSkin } from './skin.ts'

/** How a layer meets the one below when it is poured; late bonds only after scuffing. */
export type Meeting = Join | 'late'

/** The hottest of a layer, and when, s after the first mixing. */
export interface Peak {
  temperature: number
  at: number
  by: 'column' | 'field'
}

/** When a layer is mixed and how it ripens: seconds after the first mixing. */
export interface LayerClock {
  mixAt: number
  pourAt: number
  /** Of the last of its cups, mixed one after the other. */
  lastPourAt: number
  /** The cup pours until here. */
  cupUntil: number
  /** The layer itself still runs until here. */
  bleedsUntil: number
  gelAt: number
  joinUntil: number
  /** Gates trim easily from here until the demould time. */
  trimAt?: number
  demouldAt: number
  /** The hottest it gets, K, by a quick estimate or by the field; none by the sheet alone. */
  peak?: Peak
  /** The same of what is left in its cup, s after its own mixing. */
  cupPeak?: { temperature: number; at: number }
  /** With the layer below. */
  meets?: Meeting
  basis: CureTimes['basis']
}

/** Things set into a layer, as they lie until the gel holds them. */
export interface SetIn {
  /** On the floor of its layer when heavier than the resin, else under its surface. */
  lies: 'floor' | 'surface'
  /** When it is set in; absent until its layer has a clock. */
  when?: SetMoment
  /** What becomes of it while its layer is liquid; absent until the model of its cure has answered. */
  settling?: Settling
}

export interface CompiledLayer {
  id: string
  index: number
  name: string
  /** m above the lowest point */
  bottom: number
  top: number
  depth: number
  /** What keeps heat in, m: its depth, or the thickness of a piece that stands taller. */
  thick: number
  /** Of one copy, m³: the cavity between bottom and top, what is set in, and what is poured. */
  cavity: number
  inclusions: number
  /** Drunk by what is set in, of the resin that is poured. */
  drunk: number
  resin: number
  /** It lines the walls, of a hollow cast. */
  shell?: PlacedShell
  /** What its metal skin takes. */
  skin?: CompiledSkin
  /** How its shots are turned, once the model has said how they thicken. */
  turning?: CompiledTurning
  join: Join
  setIn: SetIn[]
  /** For all copies with gate and reserve, by the cup; absent until there is a resin and something to pour. */
  weighing?: Weighing
  /** Of that for one copy, kg, and the time to pour it, s. */
  each?: { mass: number; time?: number }
  clock?: LayerClock
  /** What its clock was asked with. */
  batch?: Batch
  /** How hot it may get; absent where heat is no fault. */
  heatLimit?: HeatLimit
  hazards: Hazard[]
  /** What to draw it with. */
  colour: string
  tinted: boolean
  /** What it does to light, once it has a resin. */
  matter?: Matter
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
  /** What it is poured into. */
  into: PouredInto
  /** The limit that is reached first. */
  heatLimit?: HeatLimit
  /** Of the air, where the humidity is known, K. */
  dewPoint?: number
  cautions: Caution[]
  /** Batches that nobody has answered yet: their times are a quick estimate by the sheet. */
  wanted: Batch[]
}

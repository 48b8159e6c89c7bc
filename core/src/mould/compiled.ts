import type { Caution } from '../base/caution/index.ts'
import type { Problem } from '../base/problem/index.ts'
import type { BuiltBox } from './box/box.ts'
import type { Footprint } from './box/footprint.ts'
import type { PartingKey } from './parting/keys.ts'
import type { KindAdvice } from './kind/advise.ts'
import type { Batches } from './silicone/batches.ts'
import type { Cover } from './silicone/cover.ts'
import type { SiliconeNeed } from './silicone/need.ts'
import type { SiliconeRoom } from './silicone/room.ts'

/** Silicone that is poured at one go: all of a mould, or one of its halves. */
export interface SiliconePour {
  half: 'whole' | 'first' | 'second'
  need: SiliconeNeed
  batches: Batches
}

/** Everything a screen shows of a mould. */
export interface CompiledMould {
  box?: BuiltBox
  boxProblem?: Problem
  /** Of all masters in the box, seen from above. */
  foot: Footprint
  room: SiliconeRoom
  /** Pressed into the bed of a mould in two halves. */
  keys: PartingKey[]
  /** All of it: what is mixed, opened and paid for. */
  need?: Omit<SiliconeNeed, 'weighing' | 'byVolume'>
  /** Thickener of each brushed coat, kg. */
  thickener: number[]
  /** What is weighed, pour by pour. */
  pours: SiliconePour[]
  cover?: Cover
  /** N, known only when the master was weighed (0 otherwise); and the weight on top that holds it down, kg. */
  uplift: number
  weightOnTop: number
  /** Bandage for the rigid shell of a brushed mould, m² of all its layers. */
  bandage: number
  bulge: number
  braces: number
  pressure: number
  advice: KindAdvice[]
  cautions: Caution[]
}

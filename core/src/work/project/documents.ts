import type { AirAnswer, AirQuestion } from '../../form/cells/index.ts'
import type { Batch, CureTimes, CureTimesCache } from '../../matter/cure/index.ts'
import type { Shelf, Silicone } from '../../matter/material/index.ts'
import type {
  CastResin,
  CompiledMould,
  Finding,
  KindLives,
  Mould,
  MouldGeometry,
  MouldOpening,
  Seat,
  Standing,
} from '../../mould/index.ts'
import type { Form } from '../../form/piece/index.ts'
import type { CompiledPlan, Peak, Plan, PouredInto, PourHeatQuestion } from '../plan/index.ts'
import type { WallDepths } from '../../form/wall/index.ts'
import type { UnitChoice } from '../../base/units/index.ts'
import type { ShapeAsItLies, Survey } from './survey.ts'

/** What people wrote: a piece, how it is poured, the mould that makes it, what stands on the shelf. */
export interface ProjectDocuments {
  form: Form
  plan: Plan
  mould?: Mould
  shelf: Shelf
  /** In which cups are sold. */
  units: UnitChoice
  /** Lives of kinds of mould, as the studio's own have shown them. */
  lives?: KindLives
}

/** How it is looked at: where it is cut open, radians about up, and what is poured in the mould's air. */
export interface ProjectView {
  turn: number
  poured: 'resin' | 'silicone'
}

/** The hottest of each layer by the field, and the question that was answered. */
export interface FoundHeat {
  question: string
  peaks: ReadonlyMap<string, Omit<Peak, 'by'>>
}

/** What is known by now of what was wanted. Any of it may be missing. */
export interface ProjectAnswers {
  survey?: Survey
  seats?: readonly Seat[]
  times?: CureTimesCache
  /** What a layer showed last, by its id, until its new batch is answered. */
  before?: ReadonlyMap<string, CureTimes>
  heat?: FoundHeat
  /** How deep the cavity lies under its walls, where something is cast hollow. */
  depths?: WallDepths
  geometry?: MouldGeometry
  air?: AirAnswer
}

export interface SeatsQuestion extends ShapeAsItLies {
  openings: readonly Pick<MouldOpening, 'id' | 'at' | 'bore'>[]
}

/** Depths under the walls of a piece that is cast hollow; with `mouth` its level top is none of them. */
export interface DepthsQuestion extends ShapeAsItLies {
  mouth: boolean
}

/** What is asked of a master as it stands; with `parting` its parting along the outline too, against a level one. */
export interface GeometryQuestion extends ShapeAsItLies {
  parting?: { level?: number }
}

export interface HeatOfPour {
  form: Form
  pour: PourHeatQuestion
}

/** What it would like to know of jobs that take their time. */
export interface ProjectWanted {
  held: ShapeAsItLies
  seats?: SeatsQuestion
  depths?: DepthsQuestion
  times: readonly Batch[]
  /** The field of the pour, once nothing in it is a guess. */
  heat?: HeatOfPour
  /** The same as one text: it tells an answer that is out of date. */
  heatKey: string
  geometry?: GeometryQuestion
  air?: AirQuestion & { form: Form }
}

/** A pour as it is shown. */
export interface ShownPour {
  survey: Survey
  standing: Standing
  into: PouredInto
  /** Where something is cast hollow. */
  depths?: WallDepths
  /** By the clock alone: what the field is asked with. */
  estimated: CompiledPlan
  compiled: CompiledPlan
}

/** A mould as it is shown. */
export interface ShownMould {
  silicone?: Silicone
  compiled?: CompiledMould
  airLeft: AirAnswer['pockets']
  judged: Finding[]
  /** What the pour casts in it, as far as contact goes. */
  castResins: CastResin[]
}

export interface ProjectShown {
  /** Absent until the shape was measured. */
  pour?: ShownPour
  mould?: ShownMould
}

import type { Fault } from '../../work/pull/index.ts'

/** Where on the cast a fault was seen; what is left out was not told. */
export interface FaultPlace {
  /** The end of something narrow. */
  tip?: boolean
  /** Under a level ceiling, as the piece lay. */
  ceiling?: boolean
  /** Where it was filled. */
  port?: boolean
  /** On the side that lay up. */
  upper?: boolean
  /** Around something set in. */
  thing?: boolean
  corner?: boolean
  seam?: boolean
  /** All over rather than at one place. */
  spread?: boolean
  /** On the skin that met the mould, not inside. */
  skin?: boolean
  /** Liquid that rises shuts air in there. */
  trapped?: boolean
  /** A vent, and a place to prefill, are there. */
  vent?: boolean
  prefill?: boolean
}

/** What was done and how it was at the bench; what is left out is not known. SI. */
export interface Facts {
  resin?: 'epoxy' | 'urethane' | 'polyester'
  /** Of the mix, Pa·s, and how long it can be worked, s. */
  viscosity?: number
  potLife?: number
  room?: number
  humidity?: number
  /** A for B, as a share off what it should be. */
  ratioError?: number
  /** Dose of tint over its limit, times. */
  tintOfLimit?: number
  /** Stirred so long as a share of what the sheet asks; poured over into a second cup; by a drill. */
  stirred?: number
  secondCup?: boolean
  whipped?: boolean
  /** Age of the mix when this mould was full, as a share of how long it pours. */
  pouredAt?: number
  /** Gauge pressure, Pa; 0: none. */
  pressure?: number
  /** At pressure so late, and let go so early, as shares of the time until it gels and until it is hard. */
  pressureAt?: number
  heldUntil?: number
  vacuum?: boolean
  /** Filled by syringe rather than by hand. */
  syringe?: boolean
  /** Filled until resin stood in every vent. */
  overfilled?: boolean
  /** Prefills that were done, as a share of those planned. */
  prefilled?: number
  tilt?: number
  /** Its mould was powdered, released, wiped before the pull. */
  dusted?: boolean
  released?: boolean
  wiped?: boolean
  /** It leaked at its seam; the pot lost its pressure. */
  leaked?: boolean
  lostPressure?: boolean
  /** Something holds it: an undercut, too short an opening; the master has the fault too; dye was cast before. */
  locked?: boolean
  inMaster?: boolean
  dyedBefore?: boolean
  /** Cast hollow by turning. */
  turned?: boolean
  /** Of the time until nothing moves, how long it was turned. */
  turnedUntil?: number
  /** What a hollow cast weighs, of what its wall was to weigh. */
  ofWall?: number
  /** Its bottle has been open so long, s. */
  opened?: number
  /** Out of the mould so long after mixing, as a share of what it needs. */
  demouldedAt?: number
  /** Deepest layer, as a share of what the sheet allows. */
  depthOfLimit?: number
  /** Hottest inside, K. */
  hottest?: number
  /** A layer was poured so long after its join window shut, s; under 0: within it. */
  joinLate?: number
  /** Set so long before gel could hold it, s; under 0: after. */
  placedEarly?: number
  porous?: boolean
  sealed?: boolean
  /** Bands round the mould, its keys, and how far it is worn. */
  bands?: number
  keyed?: boolean
  worn?: number
  /** Its silicone was freed of air or cured under pressure. */
  siliconeClear?: boolean
  /** Mica or metal in a clear layer without an opaque one under it. */
  unbacked?: boolean
  /** The dose that gives the wished colour, over what was put in. */
  doseShort?: number
  /** Silicone fresh or cured by something that stops resin or is stopped by it. */
  inhibits?: boolean
  shrinkage?: number
}

/** A fault as it was pinned, with what is known of it. */
export interface Finding {
  fault: Fault
  /** Other faults of the same cast. */
  beside?: readonly Fault[]
  place?: FaultPlace
  /** The same fault at the same place in so many of the pulls before. */
  repeated?: { seen: number; of: number }
  facts?: Facts
  /** What the person answered when asked, by the sign. */
  told?: Readonly<Record<string, boolean | undefined>>
}

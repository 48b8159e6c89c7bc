import { z } from '../../base/schema/index.ts'
import { id, quantity, whole } from '../../base/document/index.ts'
import { thingFields, type InclusionMaterial } from '../material/index.ts'

export {
  thingShapes,
  thingTraits,
  type OwnForm,
  type ThingShape,
  type ThingTrait,
} from '../material/index.ts'

export const patterns = ['even', 'cluster', 'ring', 'spiral', 'line'] as const
export type Pattern = (typeof patterns)[number]

/** How those of one layout are spread over the depth of their layer; left out: all as low or as high as they lie. */
export const spreads = ['even', 'middle third', 'dense below', 'dense above'] as const
export type Spread = (typeof spreads)[number]

/** What keeps a thing where it is laid while the resin is liquid. */
export const holders = ['dab', 'jig'] as const
export type Holder = (typeof holders)[number]

/** Where one lies, seen from above in the frame of the pour: m from the middle of the piece, and turned by. */
const placeSchema = z.object({
  x: quantity('length', -2, 2),
  y: quantity('length', -2, 2),
  turn: z.number().min(-10).max(10),
  /** About its own width, radians; left out: it lies flat. */
  tilt: z.number().min(-1.6).max(1.6).optional(),
  /** Higher than the others of its layout, m. */
  up: quantity('length', 0, 1).optional(),
})
export type ThingPlace = z.infer<typeof placeSchema>

/** A place with the size of what lies there, as a share of the largest. */
export type LaidPlace = ThingPlace & { size?: number }

/** A point of a line that is drawn on a layer: x and y, m from the middle of the piece. */
const linePoint = z.tuple([quantity('length', -2, 2), quantity('length', -2, 2)])

/** Things set into one layer of one copy. */
export const planInclusionSchema = z.object({
  id: id(),
  count: whole(1, 10000),
  ...thingFields,
  /** The smallest as a share of the largest's width; left out: all of one size. */
  smallest: quantity('fraction', 0.1, 1).optional(),
  /** How they are laid out; left out: evenly. */
  pattern: z.enum(patterns).optional(),
  /** What the pattern follows where it is a line. */
  line: z.array(linePoint).min(2).max(60).optional(),
  spread: z.enum(spreads).optional(),
  /** Of the layout: another number, another layout. */
  seed: whole(0, 1e6).optional(),
  /** Those that were laid by hand, in front of the layout. */
  places: z.array(placeSchema).max(500).optional(),
  /** Wished above the floor of its layer, m; left out: wherever it comes to rest. */
  lift: quantity('length', 0, 1).optional(),
  /** What keeps it there; left out: nothing. */
  held: z.enum(holders).optional(),
})
export type PlanInclusion = z.infer<typeof planInclusionSchema>

/**
 * What a plan keeps of a thing of the shelf.
 *
 * @example setInFrom({ kind: 'inclusion', name: 'Star', density: 8500, mass: 0.0004, note: '' }).mass // 0.0004
 */
export function setInFrom(material: InclusionMaterial): Omit<PlanInclusion, 'id' | 'count'> {
  const known = Object.keys(thingFields).filter((key) => key in material)
  return Object.fromEntries(
    known.map((key) => [key, material[key as keyof typeof thingFields]]),
  ) as unknown as Omit<PlanInclusion, 'id' | 'count'>
}

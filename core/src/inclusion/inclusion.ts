import { z } from '../schema/index.ts'
import { id, quantity, text, whole } from '../document/index.ts'
import { colourSchema, thingShapes } from '../material/index.ts'

export { thingShapes, type ThingShape } from '../material/index.ts'

export const patterns = ['even', 'cluster', 'ring', 'spiral'] as const
export type Pattern = (typeof patterns)[number]

/** Where one lies, seen from above in the frame of the pour: m from the middle of the piece, and turned by. */
const placeSchema = z.object({
  x: quantity('length', -2, 2),
  y: quantity('length', -2, 2),
  turn: z.number().min(-10).max(10),
})
export type Place = z.infer<typeof placeSchema>

/** Things set into one layer of one copy. */
export const planInclusionSchema = z.object({
  id: id(),
  name: text('name'),
  count: whole(1, 10000),
  /** Of one, kg. */
  mass: quantity('mass', 1e-9, 20),
  density: quantity('density', 100, 20000),
  /** As it lies, m. */
  thickness: quantity('length', 1e-8, 1).optional(),
  /** It bears no more than this, K; left out: by what it is. */
  heatLimit: quantity('temperature', 303.15, 573.15).optional(),
  /** Left out: a disc where its thickness is known, else a shard. */
  shape: z.enum(thingShapes).optional(),
  /** Left out: by its density. */
  colour: colourSchema.optional(),
  /** How they are laid out; left out: evenly. */
  pattern: z.enum(patterns).optional(),
  /** Of the layout: another number, another layout. */
  seed: whole(0, 1e6).optional(),
  /** Those that were laid by hand, in front of the layout. */
  places: z.array(placeSchema).max(500).optional(),
  /** Wished above the floor of its layer, m; left out: wherever it comes to rest. */
  lift: quantity('length', 0, 1).optional(),
})
export type PlanInclusion = z.infer<typeof planInclusionSchema>

import { z } from '../base/schema/index.ts'
import { airPressure, potSchema, vesselSchema } from '../matter/air/index.ts'
import { handsSchema } from '../work/run/index.ts'
import { id, quantity, refuse, text } from '../base/document/index.ts'
import { metric, unitChoiceSchema } from '../base/units/index.ts'

export const otherTools = ['oven', 'turning machine', 'printer', 'scale'] as const

/** Something with sizes inside, m; of a scale its plate and what stands on it. */
export const otherToolSchema = z.object({
  id: id(),
  kind: z.enum(otherTools),
  name: text('name', 60),
  width: quantity('length', 0.02, 3),
  depth: quantity('length', 0.02, 3),
  height: quantity('length', 0.02, 3),
})
export type OtherTool = z.infer<typeof otherToolSchema>

/** A gauge that shows less than this left is not to be had, Pa. */
const leastLeft = 50

/** What holds for the whole studio. */
const plainStudioSchema = z.object({
  name: text('name', 80),
  units: unitChoiceSchema,
  /** The finest the bench scale shows, for new plans, kg. */
  scaleStep: quantity('mass', 1e-6, 0.1),
  /** What prices are written in (ISO 4217); bare numbers without one. */
  currency: z
    .string()
    .regex(/^[A-Z]{3}$/)
    .optional(),
  /** Against bubbles; left out: there is none. */
  pot: potSchema.optional(),
  vessel: vesselSchema.optional(),
  /** Other things with an inside that moulds have to fit. */
  others: z.array(otherToolSchema).max(20).optional(),
  /** Height above the sea, m: the air is thinner there. */
  altitude: z.number().min(-500).max(5000).optional(),
  /** How long hands take at the bench; left out: as is usual. */
  hands: handsSchema.optional(),
})
/** A vacuum is never deeper than the air around is dense. */
export const studioSchema = plainStudioSchema.superRefine(({ vessel, altitude = 0 }, context) => {
  const air = airPressure(altitude)
  if (vessel && air + vessel.gauge < leastLeft) {
    refuse(context, ['vessel', 'gauge'], 'vacuum-over-air', { gauge: vessel.gauge, air, altitude })
  }
})
export type Studio = z.infer<typeof studioSchema>

export const newStudio: Studio = { name: 'My studio', units: metric, scaleStep: 0.0001 }

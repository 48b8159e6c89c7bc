import { z } from '../schema/index.ts'
import { potSchema, vesselSchema } from '../air/index.ts'
import { handsSchema } from '../run/index.ts'
import { quantity, text } from '../document/index.ts'
import { metric, unitChoiceSchema } from '../units/index.ts'

/** What holds for the whole studio. */
export const studioSchema = z.object({
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
  /** How long hands take at the bench; left out: as is usual. */
  hands: handsSchema.optional(),
})
export type Studio = z.infer<typeof studioSchema>

export const newStudio: Studio = { name: 'My studio', units: metric, scaleStep: 0.0001 }

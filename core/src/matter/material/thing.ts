import { z } from '../../base/schema/index.ts'
import { quantity, refuse, text } from '../../base/document/index.ts'
import { colourSchema, density } from './fields.ts'

/** `own` is drawn by the person: an outline with a thickness, or a surface. */
export const thingShapes = ['ball', 'disc', 'star', 'ring', 'shard', 'own'] as const
export type ThingShape = (typeof thingShapes)[number]

/** What is to be known of a thing before it is set in. */
export const thingTraits = [
  'porous',
  'damp',
  'oily',
  'bleeds',
  'hollow',
  'conducts',
  'magnetic',
  'has a face',
  'carries load',
] as const
export type ThingTrait = (typeof thingTraits)[number]

/** Finer than this is not seen in a thing that is set in; every copy of a pour carries it. */
export const ownForm = { points: 240, triangles: 600 } as const

/**
 * An own form in shares of the thing's width, around its middle: the loops of a flat outline, or
 * the corners and faces of a closed surface that stands on height 0.
 */
export const ownFormSchema = z
  .union([
    z.object({ loops: z.array(z.array(z.number()).min(6)).min(1).max(12) }),
    z.object({
      corners: z.array(z.number()).min(12),
      faces: z.array(z.number().int().min(0)).min(12),
    }),
  ])
  .superRefine((form, context) => {
    if ('loops' in form) {
      const points = form.loops.reduce((sum, loop) => sum + loop.length / 2, 0)
      const limit = ownForm.points
      if (points > limit) refuse(context, ['loops'], 'outline-too-fine', { points, limit })
    } else {
      const triangles = form.faces.length / 3
      const limit = ownForm.triangles
      if (triangles > limit) {
        const message = `${triangles} triangles, and at most ${limit} are kept`
        refuse(context, ['faces'], 'malformed', { message })
      }
      const corners = form.corners.length / 3
      if (form.faces.some((corner) => corner >= corners)) {
        refuse(context, ['faces'], 'malformed', {
          message: 'a face names a corner that is not there',
        })
      }
    }
  })
export type OwnForm = z.infer<typeof ownFormSchema>

/** What is known of a thing that is set in, on the shelf and in a layer alike. */
export const thingFields = {
  name: text('name'),
  density: density(),
  /** Of one, kg. */
  mass: quantity('mass', 1e-9, 20),
  /** As it lies, m. */
  thickness: quantity('length', 1e-8, 1).optional(),
  /** It bears no more than this, K; left out: by what it is. */
  heatLimit: quantity('temperature', 303.15, 573.15).optional(),
  /** Left out: a disc where its thickness is known, else a shard. */
  shape: z.enum(thingShapes).optional(),
  form: ownFormSchema.optional(),
  /** Left out: by its density. */
  colour: colourSchema.optional(),
  /** Refractive index of what is clear; left out: light ends at it. */
  index: z.number().min(1).max(3).optional(),
  traits: z.array(z.enum(thingTraits)).max(thingTraits.length).optional(),
  /** Drinks this share of its own volume beyond what it displaces; left out: by its traits. */
  drinks: quantity('fraction', 0, 2).optional(),
} as const

/** Refractive indices of clear things at yellow light (as in mineral handbooks, from memory). */
export const clearIndices = {
  acrylic: 1.49,
  glass: 1.52,
  quartz: 1.544,
  topaz: 1.62,
  sapphire: 1.77,
  zirconia: 2.16,
  opal: 1.45,
  ice: 1.31,
} as const
export type ClearThing = keyof typeof clearIndices

/** Which clear thing has that index. @example clearThingOf(1.52) // 'glass' */
export const clearThingOf = (index: number | undefined): ClearThing | undefined =>
  (Object.keys(clearIndices) as ClearThing[]).find((name) => clearIndices[name] === index)

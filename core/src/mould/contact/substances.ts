import { z } from '../../base/schema/index.ts'
import { id, note, quantity } from '../../base/document/index.ts'

/** What silicone and resin meet on a bench. */
export const substances = [
  'resin print',
  'filament print',
  'sulphur clay',
  'sulphur-free clay',
  'wax',
  'glass',
  'ceramic',
  'metal',
  'wood',
  'card',
  'plaster',
  'alginate',
  'latex',
  'PVC',
  'hard plastic',
  'epoxy cast',
  'urethane cast',
  'hot glue',
  'super glue',
  'polymer clay',
  'epoxy putty',
  'water clay',
  'dough',
  'fruit',
  'foam board',
  'waxed card',
  'platinum silicone',
  'tin silicone',
] as const
export type Substance = (typeof substances)[number]

export const finishes = ['none', 'lacquer', 'wax', 'shellac', 'acrylic coat'] as const
export type Finish = (typeof finishes)[number]

/** A surface as it meets what is poured. */
export const surfaceSchema = z.object({
  substance: z.enum(substances),
  finish: z.enum(finishes),
  release: z.enum(['none', 'spray', 'wax']),
  damp: z.enum(['dry', 'damp']),
  /** Since it was made or printed, s; left out: not known. */
  age: quantity('duration', 0, 20 * 365 * 24 * 3600).optional(),
  /** A print that was baked or cured on, out of its washing. */
  cured: z.enum(['as printed', 'baked']).optional(),
})
export type Surface = z.infer<typeof surfaceSchema>

/** What the casts of a master are to show: it is prepared for that. */
export const masterAims = ['smooth', 'gloss', 'texture', 'metal', 'fit'] as const
export type MasterAim = (typeof masterAims)[number]

export const castResins = ['epoxy', 'urethane', 'polyester'] as const
export type CastResin = (typeof castResins)[number]

export const pouredOn = [
  'platinum silicone',
  'tin silicone',
  'epoxy',
  'urethane',
  'polyester',
] as const
export type Poured = (typeof pouredOn)[number]

/** What else stands in a box besides the master, by what it is for. */
export const contactRoles = ['walls', 'clay', 'glue', 'fillers', 'rods'] as const
export type ContactRole = (typeof contactRoles)[number]

/** Everything the mould's silicone and its casts touch, and the patch tests made of them. */
export const contactSchema = z.object({
  /** Left out: smooth. */
  aim: z.enum(masterAims).optional(),
  master: surfaceSchema,
  /** Walls, bedding clay, glue, fillers and rods where they are other than usual. */
  roles: z.partialRecord(z.enum(contactRoles), surfaceSchema).default({}),
  /** Whatever else lies in the box. */
  others: z.array(surfaceSchema).max(20),
  /** What is cast in it, where no pour says so. */
  resin: z.enum(castResins),
  tests: z
    .array(
      z.object({
        id: id(),
        substance: z.enum(substances),
        poured: z.enum(pouredOn),
        result: z.enum(['cured clean', 'tacky', 'stuck']),
        day: z.string().max(40),
        note: note(),
      }),
    )
    .max(60),
})
export type Contact = z.infer<typeof contactSchema>

import { z } from '../../schema/index.ts'
import { id, note, quantity } from '../../document/index.ts'

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

export const pouredOn = [
  'platinum silicone',
  'tin silicone',
  'epoxy',
  'urethane',
  'polyester',
] as const
export type Poured = (typeof pouredOn)[number]

/** Everything the mould's silicone and its casts touch, and the patch tests made of them. */
export const contactSchema = z.object({
  master: surfaceSchema,
  /** Clay, glue, spacers, walls ... */
  others: z.array(surfaceSchema).max(20),
  resin: z.enum(['epoxy', 'urethane', 'polyester']),
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

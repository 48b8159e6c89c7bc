import { z } from '../schema/index.ts'
import { note, text } from '../document/index.ts'
import { fileUnits, solidSchema, type FileUnit } from '../shape/index.ts'

const fileUnitSchema = z.enum(Object.keys(fileUnits) as [FileUnit, ...FileUnit[]])

/** Where the shape comes from: sizes, or a file kept under the hash of its bytes. */
export const formSchema = z.discriminatedUnion('from', [
  z.object({ from: z.literal('sizes'), solid: solidSchema }),
  z.object({
    from: z.literal('file'),
    mesh: z.string().regex(/^[0-9a-f]{64}$/),
    fileName: text('file name', 200),
    /** STL names no unit: the person says it. */
    unit: fileUnitSchema,
  }),
])
export type Form = z.infer<typeof formSchema>

/** What is being made. */
export const pieceSchema = z.object({
  name: text('name', 80),
  form: formSchema,
  note: note(),
})
export type Piece = z.infer<typeof pieceSchema>

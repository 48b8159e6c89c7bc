import { z } from '../../base/schema/index.ts'
import { note, quantity, refuse, text } from '../../base/document/index.ts'
import { fileUnits, type FileUnit } from '../mesh/index.ts'
import { outlineSchema, solidSchema } from '../shape/index.ts'
import { measuredSchema, volumeOf } from './measured.ts'

const fileUnitSchema = z.enum(Object.keys(fileUnits) as [FileUnit, ...FileUnit[]])
const side = () => quantity('length', 0.001, 2)

/** Where the shape comes from. */
export const formSchema = z.discriminatedUnion('from', [
  z.object({ from: z.literal('sizes'), solid: solidSchema }),
  /** A file kept under the hash of its bytes. */
  z.object({
    from: z.literal('file'),
    mesh: z.string().regex(/^[0-9a-f]{64}$/),
    fileName: text('file name', 200),
    /** STL, OBJ and PLY name no unit: the person says it. */
    unit: fileUnitSchema,
    /** Whether holes of the surface are closed by a skin. */
    holes: z.enum(['left', 'closed']).optional(),
  }),
  /** A drawn outline with a thickness. */
  z.object({
    from: z.literal('outline'),
    fileName: text('file name', 200),
    outline: outlineSchema,
  }),
  /** No file at all: its volume was measured, its sides taken with a ruler. */
  z
    .object({
      from: z.literal('measured'),
      measured: measuredSchema,
      width: side(),
      depth: side(),
      height: side(),
    })
    .superRefine(({ measured, width, depth, height }, context) => {
      const volume = volumeOf(measured)
      const box = width * depth * height
      if (volume > box) refuse(context, ['measured'], 'volume-over-sides', { volume, box })
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

/**
 * What a piece is called at first after the file that its shape comes from: its ending left out,
 * words that were run together parted.
 *
 * @example nameOfFile('my_firstPiece-v2.stl') // 'My first piece v2'
 */
export function nameOfFile(file: string): string {
  const words = file
    .replace(/\.\w+$/, '')
    .replace(/[-_\s]+/g, ' ')
    .replace(
      /(\p{Ll})(\p{Lu})(?=\p{Ll})/gu,
      (_, end: string, next: string) => `${end} ${next.toLowerCase()}`,
    )
    .trim()
  return words.charAt(0).toUpperCase() + words.slice(1)
}

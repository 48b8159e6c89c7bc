import { useSessionStorage } from '@vueuse/core'
import { z } from '@mivro/core/base/schema'
import { formSchema } from '@mivro/core/form/piece'
import { solidSchema } from '@mivro/core/form/shape'
import { startingMeasured } from './startingMeasures.ts'
import { startingSolid } from './startingSolids.ts'

const measuredSchema = formSchema.transform((form, context) => {
  if (form.from === 'measured') return form
  context.addIssue({ code: 'custom', message: 'not measured' })
  return z.NEVER
})

const draftSchema = z.object({
  name: z.string(),
  from: z.enum(['file', 'sizes', 'measured']),
  solid: solidSchema,
  measured: measuredSchema,
})
export type NewPieceDraft = z.infer<typeof draftSchema>

const blank = (): NewPieceDraft => ({
  name: '',
  from: 'file',
  solid: startingSolid('slab'),
  measured: startingMeasured,
})

/** What was typed of a piece that is not made yet: a reload of the page keeps it, its file apart. */
export const useNewPieceDraft = () =>
  useSessionStorage<NewPieceDraft>('mivro-new-piece', blank(), {
    // What workers are asked is a plain object.
    shallow: true,
    serializer: {
      read: (text) => {
        try {
          return draftSchema.parse(JSON.parse(text))
        } catch {
          return blank()
        }
      },
      write: JSON.stringify,
    },
  })

export const clearDraft = (draft: ReturnType<typeof useNewPieceDraft>): void =>
  void (draft.value = blank())

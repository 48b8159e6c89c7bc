import { benchSchema } from '@mivro/core/work/bench'
import type { z } from '@mivro/core/base/schema'
import { materialSchema } from '@mivro/core/matter/material'
import { mouldSchema } from '@mivro/core/mould'
import { pieceSchema } from '@mivro/core/form/piece'
import { planSchema } from '@mivro/core/work/plan'
import { pullSchema } from '@mivro/core/work/pull'
import { runSchema } from '@mivro/core/work/run'
import { studioSchema } from '@mivro/core/studio'

/** Every kind of document, its schema, and the kind it belongs to. */
export const kinds = {
  piece: { path: 'pieces', schema: pieceSchema, parent: undefined },
  plan: { path: 'plans', schema: planSchema, parent: 'piece' },
  pull: { path: 'pulls', schema: pullSchema, parent: 'piece' },
  mould: { path: 'moulds', schema: mouldSchema, parent: undefined },
  run: { path: 'runs', schema: runSchema, parent: undefined },
  bench: { path: 'benches', schema: benchSchema, parent: undefined },
  material: { path: 'materials', schema: materialSchema, parent: undefined },
  studio: { path: 'studios', schema: studioSchema, parent: undefined },
} as const satisfies Record<string, { path: string; schema: z.ZodType; parent: string | undefined }>

export type Kind = keyof typeof kinds
export const kindNames = Object.keys(kinds) as Kind[]

import type { z } from '../base/schema/index.ts'
import { pieceSchema } from '../form/piece/index.ts'
import { materialSchema } from '../matter/material/index.ts'
import { mouldSchema } from '../mould/index.ts'
import { benchSchema } from '../work/bench/index.ts'
import { planSchema } from '../work/plan/index.ts'
import { pullSchema } from '../work/pull/index.ts'
import { runSchema } from '../work/run/index.ts'
import { studioSchema } from './studio.ts'

/** Files that a document names, by their hash. */
export interface NamedFiles {
  meshes: readonly string[]
  pictures: readonly string[]
}

interface DocumentType<S extends z.ZodType = z.ZodType> {
  /** Where the API has it. */
  path: string
  /** The type that it belongs to. */
  parent: string | undefined
  schema: S
  /** Files that are kept for as long as a version of it names them; absent: none. */
  files?: (document: z.infer<S>) => NamedFiles
}

const typed = <S extends z.ZodType, const T extends DocumentType<S>>(
  type: T & { schema: S; files?: (document: z.infer<S>) => NamedFiles },
) => type

/**
 * Every type of document that is kept: server, page, backup and upkeep read it here. In the order in
 * which Settings lists what was deleted.
 */
export const documentTypes = {
  piece: typed({
    path: 'pieces',
    parent: undefined,
    schema: pieceSchema,
    files: ({ form }) => ({ meshes: form.from === 'file' ? [form.mesh] : [], pictures: [] }),
  }),
  mould: typed({ path: 'moulds', parent: undefined, schema: mouldSchema }),
  run: typed({ path: 'runs', parent: undefined, schema: runSchema }),
  bench: typed({
    path: 'benches',
    parent: undefined,
    schema: benchSchema,
    files: ({ events }) => ({
      meshes: [],
      pictures: events.flatMap((event) =>
        event.what === 'noted' && event.picture !== undefined ? [event.picture] : [],
      ),
    }),
  }),
  plan: typed({ path: 'plans', parent: 'piece', schema: planSchema }),
  pull: typed({
    path: 'pulls',
    parent: 'piece',
    schema: pullSchema,
    files: ({ pictures = [], pins = [] }) => ({
      meshes: [],
      pictures: [...pictures.map(({ id }) => id), ...pins.flatMap(({ picture }) => picture ?? [])],
    }),
  }),
  material: typed({ path: 'materials', parent: undefined, schema: materialSchema }),
  studio: typed({ path: 'studios', parent: undefined, schema: studioSchema }),
} as const

export type DocumentTypeName = keyof typeof documentTypes
export const documentTypeNames = Object.keys(documentTypes) as DocumentTypeName[]

/** What a document of each type is. */
export type DocumentOf<T extends DocumentTypeName> = z.infer<(typeof documentTypes)[T]['schema']>

/**
 * Files that a document names by their hash, each once.
 *
 * @example filesOf('studio', {}) // { meshes: [], pictures: [] }
 */
export function filesOf(type: DocumentTypeName, document: unknown): NamedFiles {
  const { files } = documentTypes[type] as DocumentType
  const none = { meshes: [], pictures: [] }
  if (!files) return none
  const { meshes, pictures } = files(document)
  return { meshes: [...new Set(meshes)], pictures: [...new Set(pictures)] }
}

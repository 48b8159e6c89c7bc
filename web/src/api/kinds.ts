import type { z } from '@mivro/core/base/schema'
import {
  documentTypeNames,
  documentTypes,
  type DocumentOf,
  type DocumentTypeName,
} from '@mivro/core/studio'

/** What each path of the API holds. */
export type Documents = {
  [T in DocumentTypeName as (typeof documentTypes)[T]['path']]: DocumentOf<T>
}
export type Path = keyof Documents

const schemas = Object.fromEntries(
  documentTypeNames.map((name) => [documentTypes[name].path, documentTypes[name].schema]),
) as unknown as { [P in Path]: z.ZodType<Documents[P]> }

/** What comes back is read with the schema it has, as on its way in. */
export const schemaOf = <P extends Path>(path: P): z.ZodType<Documents[P]> => schemas[path]

/** A document as the server keeps it. */
export interface Stored<D> {
  id: string
  parent: string | null
  revision: number
  document: D
  createdAt: string
  updatedAt: string
  deletedAt: string | null
}

/** Some of a list; `next` says where it goes on. */
export interface Page<T> {
  items: T[]
  next?: string
}

import type { Bench } from '@mivro/core/work/bench'
import { materialSchema, type Material } from '@mivro/core/matter/material'
import { mouldSchema, type Mould } from '@mivro/core/mould'
import { pieceSchema, type Piece } from '@mivro/core/form/piece'
import { planSchema, type Plan } from '@mivro/core/work/plan'
import { pullSchema, type Pull } from '@mivro/core/work/pull'
import { runSchema, type Run } from '@mivro/core/work/run'
import type { z } from '@mivro/core/base/schema'
import { studioSchema, type Studio } from '@mivro/core/studio'

/** What each path of the API holds. */
export interface Held {
  pieces: Piece
  plans: Plan
  pulls: Pull
  moulds: Mould
  runs: Run
  benches: Bench
  materials: Material
  studios: Studio
}
export type Path = keyof Held

/** What comes back is read with the schema it has, as on its way in. */
const schemas: { [P in Path]?: z.ZodType<Held[P]> } = {
  pieces: pieceSchema,
  plans: planSchema,
  pulls: pullSchema,
  moulds: mouldSchema,
  runs: runSchema,
  materials: materialSchema,
  studios: studioSchema,
}

/** The schema of a path: that of a bench comes with the first bench, the first screen has none. */
export async function schemaFor<P extends Path>(path: P): Promise<z.ZodType<Held[P]>> {
  if (!schemas[path]) schemas.benches = (await import('@mivro/core/work/bench')).benchSchema
  return schemas[path]!
}

/** The same once a document of that path has come. */
export const schemaOf = <P extends Path>(path: P): z.ZodType<Held[P]> => schemas[path]!

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

import { benchSchema, type Bench } from '@mivro/core/bench'
import { materialSchema, type Material } from '@mivro/core/material'
import { mouldSchema, type Mould } from '@mivro/core/mould'
import { pieceSchema, type Piece } from '@mivro/core/piece'
import { planSchema, type Plan } from '@mivro/core/plan'
import { pullSchema, type Pull } from '@mivro/core/pull'
import { runSchema, type Run } from '@mivro/core/run'
import type { z } from '@mivro/core/schema'
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
export const schemas: { [P in Path]: z.ZodType<Held[P]> } = {
  pieces: pieceSchema,
  plans: planSchema,
  pulls: pullSchema,
  moulds: mouldSchema,
  runs: runSchema,
  benches: benchSchema,
  materials: materialSchema,
  studios: studioSchema,
}

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

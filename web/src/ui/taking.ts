import type { Problem } from '@mivro/core/base/problem'

type Take<V> = (value: V) => Problem | undefined | void

/** A field that may be left empty takes nothing too; every other one takes a value. */
export type Taking =
  { optional: true; take: Take<number | undefined> } | { optional?: false; take: Take<number> }

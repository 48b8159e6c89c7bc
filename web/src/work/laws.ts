import {
  calibrate,
  learn,
  modelCure,
  type Batch,
  type CureTimes,
  type Learned,
} from '@mivro/core/matter/cure'
import type { Resin } from '@mivro/core/matter/material'
import { ByteCache } from './byteCache.ts'

/** Laws of cure by the sheet they come from: a sheet is calibrated once. */
const laws = new ByteCache<Learned>(8e6)

export function lawOf(resin: Resin): Learned {
  const key = JSON.stringify(resin)
  const known = laws.get(key)
  if (known) return known
  const found = learn(calibrate(resin), resin)
  laws.set(key, found)
  return found
}

/** How each batch ripens. */
export const cureTimes = (batches: readonly Batch[]): CureTimes[] =>
  batches.map((batch) => modelCure(lawOf(batch.resin), batch))

import type { Batch, CureModel, CureTimes } from './cureTimes.ts'

/** How batches ripen, by `batchKey`: what a model has answered so far. */
export type CureTimesCache = ReadonlyMap<string, CureTimes>

/**
 * What makes two batches the same question.
 *
 * @example batchKey({ ...batch, of: 'one layer' }) === batchKey({ ...batch, of: 'another' }) // true
 */
export const batchKey = (batch: Batch): string => JSON.stringify({ ...batch, of: undefined })

/**
 * Every batch answered by a model.
 *
 * @example timesOf([batch], sheetCure).get(batchKey(batch))!.pourable === sheetCure(batch).pourable // true
 */
export const timesOf = (batches: readonly Batch[], model: CureModel): CureTimesCache =>
  new Map(batches.map((batch) => [batchKey(batch), model(batch)]))

import { shotTimes, type CompiledLayer } from '@mivro/core/work/plan'
import type { TimeAxis } from './timeAxis.ts'

/** A shot that is turned, on the band of its row, px. */
export interface TurnSpan {
  key: string
  row: number
  from: number
  counts: number
  until: number
  word: string
  says: string
}

/** When shots of hollow casts are turned, and from when it counts. */
export const turnSpans = (
  rows: readonly CompiledLayer[],
  { x }: TimeAxis,
  moment: (at: number) => string,
): TurnSpan[] =>
  rows.flatMap((layer, row) =>
    shotTimes(layer).map(({ shot, of, pourAt, countsFrom, stopsAt }) => ({
      key: `${row}-shot-${shot}`,
      row,
      from: x(pourAt),
      counts: x(countsFrom),
      until: x(stopsAt),
      word: of > 1 ? `turn ${shot}` : 'turn',
      says: `Shot ${shot} of ${layer.name} is turned: ${moment(pourAt)} to ${moment(stopsAt)}, it counts from ${moment(countsFrom)}`,
    })),
  )

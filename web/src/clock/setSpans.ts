import { setSteps, type CompiledLayer } from '@mivro/core/work/plan'
import { setHowWords } from '@mivro/words/inclusion'
import type { TimeAxis } from './timeAxis.ts'

/** A time in which things are set in, on the band of one row, px. */
export interface SetSpan {
  key: string
  row: number
  from: number
  until: number
  says: string
}

/** No shorter than its mark, px. */
const least = 6

/** When things are laid on a gel, dabbed or hung in: on the band of the layer that they meet. */
export const setSpans = (
  rows: readonly CompiledLayer[],
  { x }: TimeAxis,
  moment: (at: number) => string,
): SetSpan[] =>
  rows.flatMap((layer, row) =>
    setSteps(layer).flatMap(({ when: { how, from, until } }) => {
      if (how === 'with the pour' || how === 'on the mould' || until < from) return []
      return {
        key: `${row}-${how}`,
        row: how === 'jig' || how === 'once it holds' ? row : row - 1,
        from: x(from),
        until: Math.max(x(from) + least, x(until)),
        says: `Set into ${layer.name}, ${setHowWords[how]}: ${moment(from)} to ${moment(until)}`,
      }
    }),
  )

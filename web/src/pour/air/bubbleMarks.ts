import type { BubbleOutcomes } from '@mivro/core/matter/air'
import type { Frame } from '../../cutaway/frame.ts'

/** A bubble as it is drawn, px. */
export interface BubbleMark {
  key: string
  x: number
  y: number
  r: number
  pit: boolean
}

/** Bubbles are drawn as large as they are, and never smaller than this, px. */
const least = 1.5

/** Evenly over the width, but not in rows: an additive recurrence of the golden ratio. */
const golden = 0.618033988749895

/** The bubbles of a layer on its section. */
export const bubbleMarks = (
  { x, y }: Frame,
  { id, bottom, top }: { id: string; bottom: number; top: number },
  stay: BubbleOutcomes['stay'],
  width: number,
): BubbleMark[] =>
  stay.map(({ index, height, diameter, pit }) => ({
    key: `${id}-${index}`,
    x: ((0.5 + golden * index) % 1) * width,
    y: y(bottom + height * (top - bottom)),
    r: Math.max(least, (x(diameter) - x(0)) / 2),
    pit,
  }))

import type { Arranged } from './arrange.ts'

/** One thing as it is laid with tweezers. */
export interface LaidThing {
  /** As on the placement template. */
  number: number
  /** The inclusion. */
  id: string
  /** m from the middle of the piece, to the right and away, as it is seen. */
  right: number
  away: number
  /** Radians, counter-clockwise as it is seen. */
  turn: number
  tilt: number
  /** Of its underside above the floor of its layer, m. */
  height: number
  /** Across, m. */
  across: number
}

/** As one looks into the mould, or mirrored, as the face shows it. */
export type SeenAs = 'from above' | 'mirrored'

/**
 * Everything in one layer in the order in which the template counts it.
 *
 * @example layingList([], 0, 'from above') // []
 */
export const layingList = (
  things: readonly Arranged[],
  /** Floor of the layer above the lowest point, m. */
  bottom: number,
  seen: SeenAs,
): LaidThing[] => {
  const side = seen === 'mirrored' ? -1 : 1
  return things
    .flatMap(({ id, size, floor, places }) =>
      places.map(({ x, y, turn, tilt = 0, up = 0, size: share = 1 }) => ({
        id,
        right: side * x,
        away: y,
        turn: side * turn,
        tilt,
        height: floor - bottom + up,
        across: share * size.across,
      })),
    )
    .map((one, i) => ({ number: i + 1, ...one }))
}

import type { PouredLook } from '@mivro/core/plan'
import type { Frame } from './frame.ts'

/** A thing as it is drawn on a section, px. */
export interface Mark {
  key: string
  x: number
  y: number
  wide: number
  tall: number
  /** Of its corners. */
  round: number
  colour: string
}

/** Arranged things with the colours they are drawn in. */
export type DrawnThings = PouredLook['things']

/** A thing that is drawn lower than this is not seen, px. */
const least = 1.6

/** Everything that is set in, projected onto a section that is turned by so much about up, radians. */
export function marksOn({ x, y }: Frame, turn: number, things: DrawnThings): Mark[] {
  const [c, s] = [Math.cos(turn), Math.sin(turn)]
  return things.flatMap(({ size, floor, places, colour }, kind) =>
    places.map((place, i) => {
      const wide = x(size.across) - x(0)
      const tall = Math.max(least, y(floor) - y(floor + size.thickness))
      return {
        key: `${kind}-${i}`,
        x: x(c * place.x + s * place.y) - wide / 2,
        y: y(floor) - tall,
        wide,
        tall,
        round: size.shape === 'ball' || size.shape === 'shard' ? tall / 2 : 1,
        colour,
      }
    }),
  )
}

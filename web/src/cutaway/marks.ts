import type { PouredLook } from '@mivro/core/work/plan'
import type { Frame } from './frame.ts'

/** A thing as it is drawn on a section, px. */
export interface Mark {
  key: string
  /** Of which of the things, and which of its places. */
  kind: number
  i: number
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
      const { size: share = 1, up = 0, tilt = 0 } = place
      const wide = x(share * size.across) - x(0)
      const thick = size.thickness * Math.cos(tilt) + size.across * Math.abs(Math.sin(tilt))
      const tall = Math.max(least, y(floor) - y(floor + share * thick))
      return {
        key: `${kind}-${i}`,
        kind,
        i,
        x: x(c * place.x + s * place.y) - wide / 2,
        y: y(floor + up) - tall,
        wide,
        tall,
        round: size.shape === 'ball' || size.shape === 'shard' ? tall / 2 : 1,
        colour,
      }
    }),
  )
}

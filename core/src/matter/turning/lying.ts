/** Which side of a mould lies below. */
export const lies = ['face', 'left', 'head', 'back', 'right', 'foot'] as const
export type Lie = (typeof lies)[number]

/** Of a turn that hands make, so often a beat is heard: at each quarter. */
const beatsOfTurn = 4

/**
 * Where a mould that is turned by hand lies so many seconds after it was begun, and for how long yet: it
 * goes once around, then its axis moves on. Each side is a neighbour of the one before, and all six have
 * had their turn before one comes again. `turns` a minute.
 *
 * @example lieAt(6, 25) // { now: 'head', next: 'back', left: 5 }
 */
export function lieAt(turns: number, since: number): { now: Lie; next: Lie; left: number } {
  const takes = turnTakes(turns)
  const count = Math.floor(since / takes)
  const side = (i: number) => lies[((i % lies.length) + lies.length) % lies.length]
  return { now: side(count), next: side(count + 1), left: takes * (count + 1) - since }
}

/** One turn, s. @example turnTakes(6) // 10 */
export const turnTakes = (turns: number): number => 60 / turns

/** From one beat to the next, s. @example beatTakes(6) // 2.5 */
export const beatTakes = (turns: number): number => turnTakes(turns) / beatsOfTurn

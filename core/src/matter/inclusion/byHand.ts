import type { LaidPlace, ThingPlace } from './inclusion.ts'

/**
 * Places as a plan keeps them: how large each is follows from the count.
 *
 * @example byHand([{ x: 0, y: 0, turn: 0, size: 0.5 }]) // [{ x: 0, y: 0, turn: 0 }]
 */
export const byHand = (places: readonly LaidPlace[]): ThingPlace[] =>
  places.map(({ size: _, ...place }) => place)

import { solveTints, type OnHand, type Wish } from '@mivro/core/matter/colour'
import { LookMaker, type Look } from '@mivro/core/matter/light'
import type { Cavity } from '@mivro/core/form/mesh'

/** The piece that was looked at last; its traces are kept while it is turned and dosed. */
let last: { cavity: Cavity; maker: LookMaker } | undefined

/** Pixels of a look, four bytes each. */
export function pixelsOf(cavity: Cavity, look: Look): Uint8ClampedArray<ArrayBuffer> {
  if (last?.cavity !== cavity) last = { cavity, maker: new LookMaker(cavity.mesh) }
  return last.maker.pixels(look)
}

export const solve = (wish: Wish, onHand: readonly OnHand[]) => solveTints(wish, onHand)

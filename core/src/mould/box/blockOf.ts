import type { Mould } from '../mould.ts'

/** A mould as it stands on a plate, m. */
export interface Block {
  width: number
  depth: number
  height: number
  round: boolean
}

/** What a bought mould has around its casts, m (common practice, no source). */
const boughtWall = 0.005
/** One brushed coat, and the shell over it, m (common practice, no source). */
const coat = 0.002
const mother = 0.008

/**
 * The block of a mould around pieces of that size, one beside the other: what has to find room in
 * a pot or an oven.
 *
 * @example blockOf({ ...newMould('', 'p', [0, 0, 1], 0.03), cavities: 2 }, { width: 0.02, depth: 0.02, height: 0.01 }).width // 0.064
 */
export function blockOf(
  mould: Pick<Mould, 'kind' | 'box' | 'cavities' | 'coats' | 'layer' | 'shellWall'>,
  size: { width: number; depth: number; height: number },
): Block {
  const { kind, box, cavities } = mould
  const side =
    kind === 'bought'
      ? boughtWall
      : kind === 'brushed sock'
        ? mould.coats * coat + mother
        : kind === 'printed shell'
          ? mould.layer + mould.shellWall
          : box.side
  const over = kind === 'bought' || kind === 'open block' ? 0 : box.over
  const under = kind === 'bought' ? boughtWall : box.under
  const width = cavities * size.width + (cavities + 1) * side
  const depth = size.depth + 2 * side
  const round = (box.shape === 'round' || box.shape === 'cup') && cavities === 1
  const across = Math.max(width, depth)
  return {
    width: round ? across : width,
    depth: round ? across : depth,
    height: size.height + over + under,
    round,
  }
}

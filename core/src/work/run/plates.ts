import type { Block } from '../../mould/index.ts'
import { board, fitsPot, packPlate } from './pack.ts'

/** More of one mould than this nobody has. */
const most = 60

/**
 * How many of one mould stand in a pot at once; 0 when it is too high or too wide.
 *
 * @example countPerPot({ width: 0.1, depth: 0.1, height: 0.1, round: false }, { diameter: 0.2, height: 0.2 }) // 1
 */
export function countPerPot(block: Block, pot: { diameter: number; height: number }): number {
  if (!fitsPot([block], pot)) return 0
  const area = (Math.PI / 4) * pot.diameter ** 2
  const bound = Math.min(most, Math.floor(area / (block.width * block.depth)) + 1)
  return packPlate(Array<Block>(bound).fill(block), pot.diameter).length
}

/**
 * Whether a mould stands in something with square sides, turned or not.
 *
 * @example fitsInside({ width: 0.3, depth: 0.1, height: 0.1 }, { width: 0.2, depth: 0.4, height: 0.2 }) // true
 */
export const fitsInside = (
  block: Pick<Block, 'width' | 'depth' | 'height'>,
  box: { width: number; depth: number; height: number },
): boolean =>
  block.height <= box.height &&
  ((block.width <= box.width && block.depth <= box.depth) ||
    (block.depth <= box.width && block.width <= box.depth))

/** How high a mould may stand in a pot, on its board, m. @example headroom({ height: 0.2 }).toFixed(3) // '0.192' */
export const headroom = ({ height }: { height: number }): number => height - board

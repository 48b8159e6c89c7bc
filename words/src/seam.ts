import { sideStep, type BlockSide } from '@mivro/core/mould'
import { metric, show, type UnitChoice } from '@mivro/core/base/units'

/** Sides of a piece by eighths of a turn, from the front to the right. */
export const sideWords = [
  'front',
  'front right',
  'right',
  'back right',
  'back',
  'back left',
  'left',
  'front left',
] as const

/**
 * The side that lies at an angle, radians about up from the front to the right.
 *
 * @example saySide(Math.PI) // 'back'
 */
export const saySide = (angle: number): string => {
  const eighth = Math.round(angle / sideStep)
  return sideWords[((eighth % sideWords.length) + sideWords.length) % sideWords.length]
}

/**
 * Where a block is cut and how far.
 *
 * @example saySeam({ side: Math.PI, length: 0.094, hardness: 30, needed: 0.061, gated: true }) // 'Down the back: 61.0 mm from the gate in this silicone (30A), of 94.0 mm to the foot.'
 */
export function saySeam(
  {
    side,
    length,
    hardness,
    needed,
    gated,
  }: { side: number; length: number; hardness: number; needed?: number; gated: boolean },
  units: UnitChoice = metric,
): string {
  const of = (x: number) => show(x, 'length', units)
  const from = gated ? 'the gate' : 'the top'
  return needed === undefined
    ? `All ${of(length)} from ${from} to the foot, down the ${saySide(side)}, do not let it pass in this silicone (${hardness}A): a softer one, a second cut, or two halves.`
    : `Down the ${saySide(side)}: ${of(needed)} from ${from} in this silicone (${hardness}A), of ${of(length)} to the foot.`
}

const blockSideWords: Record<BlockSide, string> = {
  front: 'Front',
  right: 'Right side',
  back: 'Back',
  left: 'Left side',
  top: 'Top',
  foot: 'Foot',
}

/**
 * What is written on the sheet of one side of a block, and whether it is cut from there.
 *
 * @example saySheet('back', true) // 'Back of the block: cut here'
 */
export const saySheet = (side: BlockSide, cut: boolean): string =>
  `${blockSideWords[side]} of the block${cut ? ': cut here' : ': not cut from here'}`

/** Under a sheet that is cut from. */
export const sheetNote = 'Wave outside; figures: how deep the skin lies.'

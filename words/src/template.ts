import type { CutName, CutPart } from '@mivro/core/mould'
import { metric, show, type UnitChoice } from '@mivro/core/base/units'
import { checkLine } from '@mivro/core/base/paper'

/** What stands over the line that a printed template is checked by. */
export const checkLineWords = `This line is ${checkLine * 1000} mm long. If not, print at 100 %.`

/**
 * What is written on a card of a bed, by its number and between which heights above the floor it lies.
 *
 * @example sayCard(2, 8, 0.004) // 'Card 2 of 8, 4.0 to 8.0 mm above the floor'
 */
export const sayCard = (
  number: number,
  count: number,
  thickness: number,
  units: UnitChoice = metric,
): string => {
  const [from, to] = [number - 1, number].map((k) => show(k * thickness, 'length', units))
  return `Card ${number} of ${count}, ${from.replace(/\s\S+$/, '')} to ${to} above the floor`
}

export const frontWords = 'front of the box'

export const cutNames: Record<CutName, string> = {
  floor: 'Floor',
  'long-wall': 'Long wall',
  'short-wall': 'Short wall',
  wall: 'Wall',
  bricks: 'Bricks',
  strip: 'Strip',
}

const notes: Record<CutName, (part: CutPart) => string> = {
  floor: () => 'flat and stiff, larger than the box all round',
  'long-wall': () => 'laps the short ones',
  'short-wall': () => 'between the long ones',
  wall: () => 'edges bevelled to 60° together',
  bricks: ({ count, studs: [wide, deep] = [0, 0] }) =>
    `${count} courses around ${wide} by ${deep} studs, joints staggered, gaps sealed with clay`,
  strip: () => 'bendable; 20 mm overlap, taped inside and out',
}

/**
 * How a part of the box is cut or laid.
 *
 * @example sayCutNote({ name: 'long-wall', count: 2, height: 0.05, length: 0.092 }) // 'laps the short ones'
 */
export const sayCutNote = (part: CutPart): string => notes[part.name](part)

import type { CutName, CutPart } from '@mivro/core/mould'
import { checkLine } from '@mivro/core/base/paper'

/** What stands over the line that a printed template is checked by. */
export const checkLineWords = `This line is ${checkLine * 1000} mm long. If not, print at 100 %.`

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

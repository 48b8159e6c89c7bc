import { brick, type BuiltBox } from '../box/box.ts'
import type { Box } from '../mould.ts'

export interface CutPart {
  name: string
  count: number
  /** m; a wall's height first, then its length. */
  height: number
  length: number
  note: string
}

/** Walls stand this much above the fill line, m (common practice, no source). */
export const freeboard = 0.01

/** Height of one course of toy bricks, m (common practice). */
const course = 0.0096

/**
 * What to cut or lay for a box: floor and walls, thickness reckoned in, two walls lapping the
 * other two; strips for round and hugging boxes; courses of bricks for a brick box.
 */
export function cuttingList(
  { shape, width, depth, height, perimeter }: BuiltBox,
  { wallThickness: t }: Box,
): CutPart[] {
  const tall = height + freeboard
  const floor = (extra: number): CutPart => ({
    name: 'Floor',
    count: 1,
    height: depth + extra,
    length: width + extra,
    note: 'flat and stiff, larger than the box all round',
  })
  switch (shape) {
    case 'square':
      return [
        floor(2 * t + 0.02),
        {
          name: 'Long wall',
          count: 2,
          height: tall,
          length: width + 2 * t,
          note: 'laps the short ones',
        },
        {
          name: 'Short wall',
          count: 2,
          height: tall,
          length: depth,
          note: 'between the long ones',
        },
      ]
    case 'hexagon':
      return [
        floor(2 * t + 0.02),
        {
          name: 'Wall',
          count: 6,
          height: tall,
          length: width / Math.sqrt(3),
          note: 'edges bevelled to 60° together',
        },
      ]
    case 'bricks': {
      const studs = (x: number) => Math.round(x / brick)
      const courses = Math.ceil(tall / course)
      return [
        {
          name: 'Bricks',
          count: courses,
          height: courses * course,
          length: 2 * (width + depth),
          note: `${courses} courses around ${studs(width)} by ${studs(depth)} studs, joints staggered, gaps sealed with clay`,
        },
      ]
    }
    case 'round':
    case 'outline':
      return [
        floor(0.02),
        {
          name: 'Strip',
          count: 1,
          height: tall,
          length: perimeter + 0.02,
          note: 'bendable; 20 mm overlap, taped inside and out',
        },
      ]
    case 'cup':
      return []
  }
}

import { brick, type BuiltBox } from '../box/box.ts'
import type { Box } from '../mould.ts'

/** What is cut or laid for a box. */
export type CutName = 'floor' | 'long-wall' | 'short-wall' | 'wall' | 'bricks' | 'strip'

export interface CutPart {
  name: CutName
  count: number
  /** m; a wall's height first, then its length. */
  height: number
  length: number
  /** Studs along the two sides of a box of bricks. */
  studs?: [number, number]
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
    name: 'floor',
    count: 1,
    height: depth + extra,
    length: width + extra,
  })
  switch (shape) {
    case 'square':
      return [
        floor(2 * t + 0.02),
        {
          name: 'long-wall',
          count: 2,
          height: tall,
          length: width + 2 * t,
        },
        {
          name: 'short-wall',
          count: 2,
          height: tall,
          length: depth,
        },
      ]
    case 'hexagon':
      return [
        floor(2 * t + 0.02),
        {
          name: 'wall',
          count: 6,
          height: tall,
          length: width / Math.sqrt(3),
        },
      ]
    case 'bricks': {
      const studs = (x: number) => Math.round(x / brick)
      const courses = Math.ceil(tall / course)
      return [
        {
          name: 'bricks',
          count: courses,
          height: courses * course,
          length: 2 * (width + depth),
          studs: [studs(width), studs(depth)],
        },
      ]
    }
    case 'round':
    case 'outline':
      return [
        floor(0.02),
        {
          name: 'strip',
          count: 1,
          height: tall,
          length: perimeter + 0.02,
        },
      ]
    case 'cup':
      return []
  }
}

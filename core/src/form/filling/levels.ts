/** Levels the height is cut into. More shorten a query, fewer the build. */
export const levels = 1024

/** Numbers kept for a triangle: z1, z2, z3 and P. */
export const stride = 4

/**
 * How much of a cavity lies below a height, exactly. Plain data: it can be posted to a worker.
 * Heights are in metres above the lowest point.
 */
export interface FillCurve {
  /** Height from the lowest point to the highest, m. */
  height: number
  /** m³ */
  volume: number
  /** z1 <= z2 <= z3 and P of every triangle that is not upright. */
  sorted: Float64Array
  /** At each level: the sum of P, and of P·(mean height), of triangles wholly below it. */
  below: Float64Array
  belowMoment: Float64Array
  /** At each level: −ΣP·I of triangles that cross the whole level, a cubic in (h − level)/step. */
  crossing: Float64Array
  /** At each level: its surface, m², a hair above it, and what lies below it, m³. */
  areas: Float64Array
  volumes: Float64Array
  /** Where the triangles with a vertex in the level stand in `sorted`: from `starts[k]` to `starts[k + 1]`. */
  starts: Uint32Array
  listed: Uint32Array
}

/** What goes over the triangles adds up. */
export type Sums = Pick<
  FillCurve,
  'below' | 'belowMoment' | 'crossing' | 'areas' | 'volumes' | 'starts'
>

/** The level that a height lies in; building and asking must round alike. */
export function levelOf(h: number, perStep: number): number {
  const k = Math.trunc(h * perStep)
  return k < levels ? k : levels - 1
}

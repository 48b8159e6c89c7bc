import { axesFor, dot, type Vec3 } from '../../form/mesh/index.ts'
import type { Seam } from './seam.ts'

/** A line in two where it has come so far, m: x, y, z of the points of both, the cut between them in each. */
export function lineCutAt(
  line: readonly number[],
  length: number,
): { before: number[]; after: number[] } {
  let gone = 0
  for (let i = 3; i < line.length; i += 3) {
    const step = Math.hypot(
      line[i] - line[i - 3],
      line[i + 1] - line[i - 2],
      line[i + 2] - line[i - 1],
    )
    if (gone + step >= length) {
      const share = step > 0 ? Math.max(0, length - gone) / step : 0
      const at = [0, 1, 2].map((k) => line[i - 3 + k] + share * (line[i + k] - line[i - 3 + k]))
      return { before: [...line.slice(0, i), ...at], after: [...at, ...line.slice(i)] }
    }
    gone += step
  }
  return { before: [...line], after: [] }
}

/** Eighths of a turn, to name a side by. */
export const sideStep = Math.PI / 4

/**
 * Where a piece is looked at from: towards the front of the bench, turned by `faces` radians about up,
 * from the front to the right.
 *
 * @example frontOf([0, 0, 1])[1] // -1
 */
export function frontOf(up: Vec3, faces = 0): Vec3 {
  const [x, y, z] = axesFor(up, faces).away
  return [-x, -y, -z]
}

/**
 * On which side of the piece its seam lies, radians about up from the front to the right: the way that
 * the piece is drawn out.
 *
 * @example seamSide({ out: [0, 1, 0] }, [0, 0, 1]) / Math.PI // 1
 */
export function seamSide({ out }: Pick<Seam, 'out'>, up: Vec3): number {
  const { right, away } = axesFor(up)
  return Math.atan2(dot(out, right), -dot(out, away))
}

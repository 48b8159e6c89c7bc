/** Closed loops in a level plane, x and y one after the other, m; holes are loops within loops. */
export type Loops = readonly ArrayLike<number>[]

/** Whether a point lies inside (even and odd). */
export function isInside(loops: Loops, x: number, y: number): boolean {
  let inside = false
  for (const points of loops) {
    let x2 = points[points.length - 2]
    let y2 = points[points.length - 1]
    for (let i = 0; i < points.length; i += 2) {
      const x1 = points[i]
      const y1 = points[i + 1]
      if (y1 > y !== y2 > y && x < x1 + ((y - y1) / (y2 - y1)) * (x2 - x1)) inside = !inside
      x2 = x1
      y2 = y1
    }
  }
  return inside
}

/** How far a point lies from the nearest wall, m. */
export function wallDistance(loops: Loops, x: number, y: number): number {
  let best = Infinity
  for (const points of loops) {
    let x2 = points[points.length - 2]
    let y2 = points[points.length - 1]
    for (let i = 0; i < points.length; i += 2) {
      const x1 = points[i]
      const y1 = points[i + 1]
      const dx = x2 - x1
      const dy = y2 - y1
      const length = dx * dx + dy * dy
      const along = length > 0 ? ((x - x1) * dx + (y - y1) * dy) / length : 0
      const t = along < 0 ? 0 : along > 1 ? 1 : along
      const ex = x1 + t * dx - x
      const ey = y1 + t * dy - y
      const square = ex * ex + ey * ey
      if (square < best) best = square
      x2 = x1
      y2 = y1
    }
  }
  return Math.sqrt(best)
}

/** The box around loops, m. */
export function boundsOf(loops: Loops) {
  const low = [Infinity, Infinity]
  const high = [-Infinity, -Infinity]
  for (const points of loops) {
    for (let i = 0; i < points.length; i++) {
      low[i % 2] = Math.min(low[i % 2], points[i])
      high[i % 2] = Math.max(high[i % 2], points[i])
    }
  }
  return { low, high }
}

/**
 * What loops enclose, m²; holes run the other way round.
 *
 * @example areaWithin([Float64Array.of(0, 0, 2, 0, 2, 1, 0, 1)]) // 2
 */
export const areaWithin = (loops: Loops): number =>
  Math.abs(
    loops.reduce((sum, points) => {
      let twice = 0
      for (let i = 0, j = points.length - 2; i < points.length; j = i, i += 2) {
        twice += points[j] * points[i + 1] - points[i] * points[j + 1]
      }
      return sum + twice / 2
    }, 0),
  )

/** Closed loops in a level plane, x and y one after the other, m; holes are loops within loops. */
export type Loops = readonly ArrayLike<number>[]

/** Whether a point lies inside (even and odd). */
export function isInside(loops: Loops, x: number, y: number): boolean {
  let inside = false
  for (const points of loops) {
    for (let i = 0, j = points.length - 2; i < points.length; j = i, i += 2) {
      const [y1, y2] = [points[i + 1], points[j + 1]]
      if (y1 > y === y2 > y) continue
      if (x < points[i] + ((y - y1) / (y2 - y1)) * (points[j] - points[i])) inside = !inside
    }
  }
  return inside
}

/** How far a point lies from the nearest wall, m. */
export function wallDistance(loops: Loops, x: number, y: number): number {
  let best = Infinity
  for (const points of loops) {
    for (let i = 0, j = points.length - 2; i < points.length; j = i, i += 2) {
      const [dx, dy] = [points[j] - points[i], points[j + 1] - points[i + 1]]
      const length = dx * dx + dy * dy
      const along = length > 0 ? ((x - points[i]) * dx + (y - points[i + 1]) * dy) / length : 0
      const t = Math.min(1, Math.max(0, along))
      const [ex, ey] = [points[i] + t * dx - x, points[i + 1] + t * dy - y]
      const square = ex * ex + ey * ey
      if (square < best) best = square
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

/** Points x, y, x, y ... of a closed loop; the last joins the first. */
export type Loop = readonly number[]

/** Signed: counter-clockwise is positive. Shoelace formula. @example areaOfLoop([0,0, 1,0, 1,1, 0,1]) // 1 */
export function areaOfLoop(loop: Loop): number {
  let sum = 0
  for (let i = 0; i < loop.length; i += 2) {
    const j = (i + 2) % loop.length
    sum += loop[i] * loop[j + 1] - loop[j] * loop[i + 1]
  }
  return sum / 2
}

/** Its lower left and upper right corner. @example boundsOfLoop([0,0, 2,0, 1,3]).high // [2, 3] */
export function boundsOfLoop(loop: Loop): { low: [number, number]; high: [number, number] } {
  const low: [number, number] = [Infinity, Infinity]
  const high: [number, number] = [-Infinity, -Infinity]
  for (let i = 0; i < loop.length; i++) {
    low[i % 2] = Math.min(low[i % 2], loop[i])
    high[i % 2] = Math.max(high[i % 2], loop[i])
  }
  return { low, high }
}

export function perimeterOfLoop(loop: Loop): number {
  let sum = 0
  for (let i = 0; i < loop.length; i += 2) {
    const j = (i + 2) % loop.length
    sum += Math.hypot(loop[j] - loop[i], loop[j + 1] - loop[i + 1])
  }
  return sum
}

/** Whether a point lies within the loop (crossings of a ray). */
export function insideLoop(loop: Loop, x: number, y: number): boolean {
  let inside = false
  for (let i = 0; i < loop.length; i += 2) {
    const j = (i + 2) % loop.length
    const [y1, y2] = [loop[i + 1], loop[j + 1]]
    if (y1 > y === y2 > y) continue
    if (loop[i] + ((y - y1) / (y2 - y1)) * (loop[j] - loop[i]) > x) inside = !inside
  }
  return inside
}

/** A point nearer than this to the line of its neighbours is no corner, m: an atom or so. */
const straight = 1e-10

/** The loop without points on its straight sides: a cap is cut without them, a wall must be too. */
export function cornersOfLoop(loop: Loop): number[] {
  const corners: number[] = []
  const count = loop.length / 2
  for (let i = 0; i < count; i++) {
    const [p, n] = [2 * ((i + count - 1) % count), 2 * ((i + 1) % count)]
    const [x, y] = [loop[2 * i], loop[2 * i + 1]]
    const [ax, ay] = [loop[n] - loop[p], loop[n + 1] - loop[p + 1]]
    const twice = ax * (y - loop[p + 1]) - ay * (x - loop[p])
    if (Math.abs(twice) > straight * Math.hypot(ax, ay)) corners.push(x, y)
  }
  return corners
}

interface Edge {
  loop: number
  at: number
  x1: number
  y1: number
  x2: number
  y2: number
}

/** Where two edges of the loops cross, or undefined. Edges are swept from left to right. */
export function crossingOf(loops: readonly Loop[]): { x: number; y: number } | undefined {
  const edges: Edge[] = loops.flatMap((loop, index) =>
    Array.from({ length: loop.length / 2 }, (_, n) => {
      const [i, j] = [2 * n, (2 * n + 2) % loop.length]
      return { loop: index, at: n, x1: loop[i], y1: loop[i + 1], x2: loop[j], y2: loop[j + 1] }
    }),
  )
  edges.sort((a, b) => Math.min(a.x1, a.x2) - Math.min(b.x1, b.x2))
  let live: Edge[] = []
  for (const edge of edges) {
    const left = Math.min(edge.x1, edge.x2)
    live = live.filter((other) => Math.max(other.x1, other.x2) >= left)
    for (const other of live) {
      if (neighbours(edge, other, loops)) continue
      const point = meeting(edge, other)
      if (point) return point
    }
    live.push(edge)
  }
  return undefined
}

function neighbours(a: Edge, b: Edge, loops: readonly Loop[]): boolean {
  if (a.loop !== b.loop) return false
  const count = loops[a.loop].length / 2
  const apart = Math.abs(a.at - b.at)
  return apart <= 1 || apart === count - 1
}

function meeting(a: Edge, b: Edge): { x: number; y: number } | undefined {
  const [ax, ay, bx, by] = [a.x2 - a.x1, a.y2 - a.y1, b.x2 - b.x1, b.y2 - b.y1]
  const det = ax * by - ay * bx
  if (det === 0) return undefined
  const [dx, dy] = [b.x1 - a.x1, b.y1 - a.y1]
  const s = (dx * by - dy * bx) / det
  const t = (dx * ay - dy * ax) / det
  if (s < 0 || s > 1 || t < 0 || t > 1) return undefined
  return { x: a.x1 + s * ax, y: a.y1 + s * ay }
}

/**
 * The loop moved by `distance` to its left (inward for a counter-clockwise one), corner by corner
 * along the bisector. Right while no edge vanishes; whether it still makes sense is the caller's
 * to check by `crossingOf`.
 */
export function insetLoop(loop: Loop, distance: number): number[] {
  const count = loop.length / 2
  const at = (i: number) => 2 * ((i + count) % count)
  const moved: number[] = []
  for (let i = 0; i < count; i++) {
    const [p, q, r] = [at(i - 1), at(i), at(i + 1)]
    const before = normalOf(loop[p], loop[p + 1], loop[q], loop[q + 1])
    const after = normalOf(loop[q], loop[q + 1], loop[r], loop[r + 1])
    const [x, y] = [before[0] + after[0], before[1] + after[1]]
    // |n1 + n2|² = 2 (1 + cos): a sharp corner moves far along its bisector, up to four times.
    const scale = Math.min(4, 2 / Math.max(1e-9, x * x + y * y))
    moved.push(loop[q] + x * scale * distance, loop[q + 1] + y * scale * distance)
  }
  return moved
}

function normalOf(x1: number, y1: number, x2: number, y2: number): [number, number] {
  const length = Math.hypot(x2 - x1, y2 - y1) || 1
  return [-(y2 - y1) / length, (x2 - x1) / length]
}

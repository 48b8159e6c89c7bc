import type { Mesh } from '../mesh/index.ts'

/**
 * A surface whose edges are no longer than `longest`, m: each longer edge is cut at its middle, which both
 * of its faces share, so that long narrow faces stay few (edge bisection).
 *
 * @example refined(buildSolid({ solid: 'block', width: 0.04, depth: 0.03, height: 0.02 }), 0.01).triangles.length > 36 // true
 */
export function refined(
  { positions, triangles }: Mesh,
  longest: number,
): { positions: Float32Array<ArrayBuffer>; triangles: Uint32Array<ArrayBuffer> } {
  const points = [...positions]
  const middles = new Map<number, number>()
  const length = (a: number, b: number) =>
    Math.hypot(
      points[3 * a] - points[3 * b],
      points[3 * a + 1] - points[3 * b + 1],
      points[3 * a + 2] - points[3 * b + 2],
    )
  const middle = (a: number, b: number): number => {
    const key = Math.min(a, b) * 2 ** 26 + Math.max(a, b)
    const known = middles.get(key)
    if (known !== undefined) return known
    const made = points.length / 3
    for (let k = 0; k < 3; k++) points.push((points[3 * a + k] + points[3 * b + k]) / 2)
    middles.set(key, made)
    return made
  }
  const kept: number[] = []
  const open: number[] = [...triangles].toReversed()
  const put = (...corners: number[]) => open.push(...corners.toReversed())
  while (open.length > 0) {
    const corners = [open.pop()!, open.pop()!, open.pop()!]
    const isLong = corners.map((a, k) => length(a, corners[(k + 1) % 3]) > longest)
    const long = isLong.filter(Boolean).length
    // Turned so that it begins at the end of a long edge that the others follow.
    const first = long === 2 ? (isLong.indexOf(false) + 1) % 3 : Math.max(0, isLong.indexOf(true))
    const [a, b, c] = [0, 1, 2].map((k) => corners[(first + k) % 3])
    if (long === 0) kept.push(a, b, c)
    else if (long === 1) {
      const ab = middle(a, b)
      put(a, ab, c, ab, b, c)
    } else if (long === 2) {
      const [ab, bc] = [middle(a, b), middle(b, c)]
      put(ab, b, bc)
      if (length(ab, c) <= length(a, bc)) put(a, ab, c, ab, bc, c)
      else put(a, ab, bc, a, bc, c)
    } else {
      const [ab, bc, ca] = [middle(a, b), middle(b, c), middle(c, a)]
      put(a, ab, ca, ab, b, bc, ca, bc, c, ab, bc, ca)
    }
  }
  return { positions: Float32Array.from(points), triangles: Uint32Array.from(kept) }
}

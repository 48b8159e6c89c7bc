import type { Mesh } from '../mesh/index.ts'

/**
 * A surface whose edges are no longer than `longest`, m: faces are cut in four at the middles of their
 * edges, which neighbours share.
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
    Math.hypot(...[0, 1, 2].map((k) => points[3 * a + k] - points[3 * b + k]))
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
  while (open.length > 0) {
    const [a, b, c] = [open.pop()!, open.pop()!, open.pop()!]
    if (Math.max(length(a, b), length(b, c), length(c, a)) <= longest) {
      kept.push(a, b, c)
      continue
    }
    const [ab, bc, ca] = [middle(a, b), middle(b, c), middle(c, a)]
    open.push(...[a, ab, ca, ab, b, bc, ca, bc, c, ab, bc, ca].toReversed())
  }
  return { positions: Float32Array.from(points), triangles: Uint32Array.from(kept) }
}

/** How far silicone stretches around a slit, as a share, by its hardness, Shore A (common practice, no source). */
const stretches: readonly (readonly [hardness: number, stretch: number])[] = [
  [10, 1.5],
  [15, 1],
  [30, 0.5],
  [40, 0.25],
]

/**
 * How far silicone of a hardness (Shore A) stretches around a slit, as a share of the slit.
 *
 * @example stretchOf(30) // 0.5
 */
export function stretchOf(hardness: number): number {
  const [first] = stretches
  if (hardness <= first[0]) return first[1]
  for (let i = 1; i < stretches.length; i++) {
    const [[from, more], [to, less]] = [stretches[i - 1], stretches[i]]
    if (hardness <= to) return more + ((less - more) * (hardness - from)) / (to - from)
  }
  return stretches.at(-1)![1]
}

/**
 * The slit that a girth passes through, m: its two lips, stretched, are as long as the girth.
 *
 * @example slitFor(0.3, 0.5) // 0.1
 */
export const slitFor = (girth: number, stretch: number): number => girth / (2 * (1 + stretch))

/**
 * How long a seam has to be cut so that the piece comes out of silicone of a hardness (Shore A), m.
 * Undefined where not even all of it lets the girth pass.
 *
 * @example seamNeeded({ length: 0.2, girth: 0.3 }, 30) // 0.1
 */
export function seamNeeded(
  { length, girth }: { length: number; girth: number },
  hardness: number,
): number | undefined {
  const needed = slitFor(girth, stretchOf(hardness))
  return needed <= length ? needed : undefined
}

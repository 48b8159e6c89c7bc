import type { Box } from '../mould.ts'

const gravity = 9.80665

/** Stiffness of what boxes are built of, Pa (handbook orders of magnitude, from memory). */
const youngs: Record<Box['wall'], number> = {
  card: 1.5e9,
  'foam board': 0.12e9,
  board: 3e9,
  acrylic: 3.1e9,
  bricks: 1.2e9,
  print: 2.5e9,
}

/** A wall that gives more than this shows on the mould, m. */
export const mostBulge = 0.001

/**
 * Force that lifts a master wholly under silicone, N; negative when it sinks.
 *
 * @example uplift(350e-6, 0.15, 1150) // 2.48
 */
export const uplift = (volume: number, mass: number, density: number): number =>
  (density * volume - mass) * gravity

/** Pa at the foot of a wall, `height` m under the surface. @example wallPressure(0.1, 1150) // 1128 */
export const wallPressure = (height: number, density: number): number => density * gravity * height

/**
 * How far the middle of a wall is pushed out, m. A plate supported along its edges under a
 * pressure that rises from nothing at the top: at the middle half of what the foot's pressure
 * would do over the whole (the load and its mirror image add up to a uniform one).
 * y = α·q·b⁴ / (E·t³), ν = 0.3. Source: Roark's Formulas for Stress and Strain, 7th ed., table
 * 11.4, case 1a.
 */
export function bulge(
  width: number,
  height: number,
  thickness: number,
  wall: Box['wall'],
  density: number,
): number {
  const [b, a] = width < height ? [width, height] : [height, width]
  const pressure = wallPressure(height, density) / 2
  return (alpha(a / b) * pressure * b ** 4) / (youngs[wall] * thickness ** 3)
}

/** Roark, table 11.4, case 1a: α by the ratio of the sides. */
const table: readonly (readonly [ratio: number, alpha: number])[] = [
  [1, 0.0444],
  [1.2, 0.0616],
  [1.4, 0.077],
  [1.6, 0.0906],
  [1.8, 0.1017],
  [2, 0.111],
  [3, 0.1335],
  [4, 0.14],
  [5, 0.1417],
]

export function alpha(ratio: number): number {
  const after = table.findIndex(([r]) => r >= ratio)
  if (after < 0) return 0.1421
  if (after === 0) return table[0][1]
  const [[r1, a1], [r2, a2]] = [table[after - 1], table[after]]
  return a1 + ((ratio - r1) / (r2 - r1)) * (a2 - a1)
}

/** How many equal fields a wall must be braced into so that it gives no more than 1 mm. */
export function braces(
  width: number,
  height: number,
  thickness: number,
  wall: Box['wall'],
  density: number,
): number {
  for (let fields = 1; fields <= 12; fields++) {
    if (bulge(width / fields, height, thickness, wall, density) <= mostBulge) return fields - 1
  }
  return 12
}

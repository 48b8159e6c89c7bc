/** Drops counted onto the scale: how many, and what they weighed together, kg. */
export interface DropCount {
  count: number
  mass: number
}

export interface DropWeight {
  /** Of one drop, kg. */
  mass: number
  /** How far single counts lie apart, as a share; 0 from one count alone. */
  spread: number
  counted: number
}

/**
 * What a drop of this bottle weighs: all drops counted so far over all they weighed.
 *
 * @example dropWeight([{ count: 20, mass: 0.0006 }]).mass // 0.00003 (0.03 g each)
 */
export function dropWeight(counts: readonly DropCount[] = []): DropWeight | undefined {
  const counted = counts.reduce((sum, { count }) => sum + count, 0)
  if (counted === 0) return undefined
  const mass = counts.reduce((sum, one) => sum + one.mass, 0) / counted
  const each = counts.map((one) => one.mass / one.count)
  return { mass, spread: (Math.max(...each) - Math.min(...each)) / mass, counted }
}

/** How many drops come to a weight, and how far off the nearest whole number is, as a share. */
export function dropsFor(mass: number, drop: DropWeight): { drops: number; off: number } {
  const drops = Math.max(1, Math.round(mass / drop.mass))
  return { drops, off: (drops * drop.mass) / mass - 1 }
}

/** Below this Reynolds number the drag of creeping flow stands as it is. */
const creeping = 0.1

/** Enough for a drag a thousand times that of creeping flow. */
const newtonSteps = 6

/**
 * The speed of something round in a liquid, m/s, from the one that creeping flow gives it: above a
 * Reynolds number of 0.1 its drag is more, by 1 + 0.15·Re^0.687 (Schiller & Naumann 1933, as in
 * Clift, Grace & Weber 1978). `reynoldsPerSpeed` is ρ·d/η, s/m.
 *
 * @example dragged(0.01, 1000).toFixed(5) // '0.00649'
 */
export function dragged(slow: number, reynoldsPerSpeed: number): number {
  const reynolds = Math.abs(slow) * reynoldsPerSpeed
  if (reynolds <= creeping) return slow
  // The share s of creeping speed solves s·(1 + c·s^0.687) = 1: Newton's rule from below.
  const c = 0.15 * reynolds ** 0.687
  let share = 1 / (1 + c)
  for (let i = 0; i < newtonSteps; i++) {
    const drag = c * share ** 0.687
    share -= (share * (1 + drag) - 1) / (1 + 1.687 * drag)
  }
  return share * slow
}

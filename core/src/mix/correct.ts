/**
 * The other part for a weighed one: B = A / (A's weight for one of B's).
 *
 * @example otherPart(6, 10 / 9) // 5.4
 */
export const otherPart = (massA: number, ratio: number): number => massA / ratio

export interface Correction {
  /** What has to be in the cup of each part in the end. */
  massA: number
  massB: number
  total: number
}

/**
 * Past the mark: which amounts match again when more of one part is in the cup than planned.
 * The other part is raised, nothing is taken out.
 *
 * @example correctOverpour({ massA: 10.5, massB: 10 }, 1) // 10.5 and 10.5, 21 in all
 */
export function correctOverpour(
  inCup: { massA: number; massB: number },
  ratio: number,
): Correction {
  const massA = Math.max(inCup.massA, inCup.massB * ratio)
  const massB = massA / ratio
  return { massA, massB, total: massA + massB }
}

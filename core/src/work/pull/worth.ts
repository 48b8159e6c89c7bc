/**
 * How alike the casts of one pull fare, which share a cup, a day and a pair of hands: the
 * correlation of their results within it (common practice, no source).
 */
export const withinPull = 0.3

/**
 * So many casts of its own a pull is worth: n casts that share their luck say as much as
 * n / (1 + (n − 1) ρ) that do not (design effect, Kish 1965).
 *
 * @example castsWorth({ copies: 6 }) // 2.4
 */
export const castsWorth = ({ copies }: { copies: number }): number =>
  copies / (1 + (copies - 1) * withinPull)

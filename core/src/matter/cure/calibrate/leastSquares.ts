/** A slope is taken over this share of what a parameter may plausibly move. */
const nudge = 0.05

const rounds = 8

/** No round moves a parameter further than this many times what is plausible. */
const longestStride = 1.5

export interface Fitted {
  parameters: number[]
  /** The inverse of their covariance, in units of what is plausible: the unit matrix where nothing was seen. */
  information: number[][]
}

/**
 * Parameters, from nothing, that make the residuals small while each stays near nothing by its
 * `plausible` measure: Gauss–Newton with a Gaussian prior (textbook form). Residuals are in units
 * of their own trust.
 *
 * @example leastSquares(([x]) => [(x - 1) / 0.001], [1.1]).parameters[0] // 1
 */
export function leastSquares(
  residuals: (parameters: readonly number[]) => number[],
  plausible: readonly number[],
): Fitted {
  const n = plausible.length
  // In units of what is plausible, so that the prior is the unit matrix.
  const scaled = (x: readonly number[]) => x.map((value, i) => value * plausible[i])
  let x = new Array<number>(n).fill(0)
  let information = x.map((_, i) => x.map((_, j): number => (i === j ? 1 : 0)))
  for (let round = 0; round < rounds; round++) {
    const now = residuals(scaled(x))
    if (now.length === 0) break
    const slopes = x.map((_, j) => {
      const moved = x.map((value, i) => (i === j ? value + nudge : value))
      return residuals(scaled(moved)).map((r, i) => (r - now[i]) / nudge)
    })
    information = slopes.map((a, i) =>
      slopes.map((b, j) => (i === j ? 1 : 0) + a.reduce((sum, value, k) => sum + value * b[k], 0)),
    )
    const right = slopes.map((a, i) => -x[i] - a.reduce((sum, value, k) => sum + value * now[k], 0))
    const move = solve(information, right).map((m) =>
      Math.max(-longestStride, Math.min(longestStride, m)),
    )
    x = x.map((value, i) => value + move[i])
    if (Math.max(...move.map(Math.abs)) < 1e-3) break
  }
  return { parameters: scaled(x), information }
}

/**
 * Standard deviation of what changes by `slopes` for each plausible step of the parameters: linear
 * propagation of error, √(gᵀ·M⁻¹·g) (textbook form).
 *
 * @example deviation([[4]], [1]) // 0.5
 */
export function deviation(information: number[][], slopes: number[]): number {
  const share = solve(information, slopes)
  return Math.sqrt(slopes.reduce((sum, slope, i) => sum + slope * share[i], 0))
}

/** Gaussian elimination; the matrix is positive definite, so that no row needs to change place. */
function solve(matrix: number[][], right: number[]): number[] {
  const n = right.length
  const rows = matrix.map((row, i) => [...row, right[i]])
  for (let i = 0; i < n; i++) {
    for (let j = i + 1; j < n; j++) {
      const share = rows[j][i] / rows[i][i]
      for (let k = i; k <= n; k++) rows[j][k] -= share * rows[i][k]
    }
  }
  const found = new Array<number>(n).fill(0)
  for (let i = n - 1; i >= 0; i--) {
    const known = found.reduce((sum, value, k) => (k > i ? sum + rows[i][k] * value : sum), 0)
    found[i] = (rows[i][n] - known) / rows[i][i]
  }
  return found
}

/**
 * By what factor a value may be off, up or down, eight times in ten, where its logarithm is normal
 * with this standard deviation.
 *
 * @example eightInTen(0.1).toFixed(3) // '1.137'
 */
export const eightInTen = (deviation: number): number => Math.exp(1.2816 * deviation)

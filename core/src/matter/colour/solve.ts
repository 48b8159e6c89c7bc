import { bandCount, rgbOfBands, type Rgb, type Spectrum } from './bands.ts'
import { flux, over } from './flux.ts'
import type { Matter } from './matter.ts'
import { deltaE, labOf } from './lab.ts'

/** A tint that may be used, and its largest dose. */
export interface OnHand {
  id: string
  matter: Matter
  limit: number
}

export interface Wish {
  colour: Rgb
  body: Matter
  depth: number
  ground: Spectrum
}

export interface SolvedRecipe {
  doses: { id: string; dose: number }[]
  /** What it comes to, linear. */
  colour: Rgb
  /** CIEDE2000 from what was wished. */
  off: number
}

/** No more tints than this in a recipe: a fourth only muddies (common practice, no source). */
const mostTints = 3

/** Nobody sees a smaller difference. */
const unseen = 0.5

/** Another tint has to bring the colour nearer by this much, ΔE: the first difference that is seen side by side (from memory). */
const worthATint = 2.3

/** A tint at its limit is worth as much as this, ΔE: it may bleed, and slows the cure (common practice, no source). */
const atItsLimit = 2

/** Doses under this share of their limit are left out. */
const trace = 1e-3

/**
 * Doses of the tints on hand that show a wished colour through a depth over a ground: the fewest
 * tints that nobody could tell from it, else the nearest. Least squares in CIE Lab over the doses,
 * each within its limit, for every choice of up to three tints; one tint more only where it is seen.
 *
 * @example solveTints(wishForPale, []).doses // []
 */
export function solveTints(wish: Wish, onHand: readonly OnHand[]): SolvedRecipe {
  let best = answer(wish, [], [])
  let least = best.off
  for (let size = 1; size <= Math.min(mostTints, onHand.length); size++) {
    if (best.off < unseen) break
    const recipes = [...choices(onHand, size)].map((tints) => {
      const recipe = refine(wish, tints)
      return { recipe, cost: recipe.off + strainOf(recipe, tints) }
    })
    const { recipe, cost } = recipes.reduce((one, other) => (other.cost < one.cost ? other : one))
    if (cost < least - (size > 1 ? worthATint : 0)) [best, least] = [recipe, cost]
  }
  return best
}

/** How near the doses are to their limits, ΔE. */
const strainOf = ({ doses }: SolvedRecipe, tints: readonly OnHand[]): number =>
  doses.reduce((sum, { id, dose }) => {
    const { limit } = tints.find((tint) => tint.id === id)!
    return sum + atItsLimit * (dose / limit) ** 2
  }, 0)

function* choices(all: readonly OnHand[], size: number, from = 0): Generator<OnHand[]> {
  if (size === 0) return yield []
  for (let i = from; i <= all.length - size; i++) {
    for (const rest of choices(all, size - 1, i + 1)) yield [all[i], ...rest]
  }
}

const steps = 40
/** Doses are sought by their logarithm: half and double weigh alike; so far below a limit nothing is seen. */
const lowest = Math.log(1e-4)

/** Levenberg–Marquardt from a few starts, over logarithms of shares of the limits. */
function refine(wish: Wish, tints: readonly OnHand[]): SolvedRecipe {
  let best: SolvedRecipe | undefined
  for (const start of [0.3, 0.03, 0.003]) {
    const found = descend(wish, tints, Math.log(start))
    if (!best || found.off < best.off) best = found
    if (best.off < unseen) break
  }
  return best!
}

function descend(wish: Wish, tints: readonly OnHand[], start: number): SolvedRecipe {
  const target = lab(wish.colour)
  const doses = (x: readonly number[]) => x.map((share, i) => Math.exp(share) * tints[i].limit)
  const offset = (x: readonly number[]) =>
    lab(show(wish, tints, doses(x))).map((value, i) => value - target[i])
  let x = tints.map(() => start)
  let off = offset(x)
  let damping = 1
  for (let step = 0; step < steps && square(off) > 1e-8 && damping < 1e8; step++) {
    const columns = x.map((_, i) => {
      const near = offset(x.map((share, j) => (j === i ? share + 1e-4 : share)))
      return near.map((value, row) => (value - off[row]) / 1e-4)
    })
    const move = solveDamped(columns, off, damping)
    const next = x.map((share, i) => Math.min(0, Math.max(lowest, share - move[i])))
    const left = offset(next)
    if (square(left) < square(off)) {
      ;[x, off] = [next, left]
      damping = Math.max(1e-6, damping / 6)
    } else damping *= 4
  }
  return answer(wish, tints, doses(x))
}

const lab = (rgb: Rgb): number[] => {
  const { l, a, b } = labOf(rgb)
  return [l, a, b]
}
const square = (v: readonly number[]): number => v.reduce((sum, x) => sum + x * x, 0)

/** What is seen of the layer with these doses: as `seenThrough`, without anything allocated. */
function show(
  { body, depth, ground }: Wish,
  tints: readonly OnHand[],
  doses: readonly number[],
): Rgb {
  const seen: Rgb = [0, 0, 0]
  for (let band = 0; band < bandCount; band++) {
    let k = body.k[band]
    let s = body.s[band]
    for (let i = 0; i < tints.length; i++) {
      k += doses[i] * tints[i].matter.k[band]
      s += doses[i] * tints[i].matter.s[band]
    }
    const light = over(flux(k, s, depth), ground[band])
    seen[0] += light * rgbOfBands[3 * band]
    seen[1] += light * rgbOfBands[3 * band + 1]
    seen[2] += light * rgbOfBands[3 * band + 2]
  }
  return seen
}

function answer(wish: Wish, tints: readonly OnHand[], doses: readonly number[]): SolvedRecipe {
  const kept = tints.map((_, i) => (doses[i] > trace * tints[i].limit ? doses[i] : 0))
  const colour = show(wish, tints, kept)
  return {
    doses: tints.flatMap(({ id }, i) => (kept[i] > 0 ? [{ id, dose: kept[i] }] : [])),
    colour,
    off: deltaE(colour, wish.colour),
  }
}

/** Solves (JᵀJ + damping · diag(JᵀJ)) x = Jᵀ off; columns of J. By elimination. */
function solveDamped(columns: readonly number[][], off: readonly number[], damping: number) {
  const n = columns.length
  const dot = (a: readonly number[], b: readonly number[]) =>
    a.reduce((sum, value, i) => sum + value * b[i], 0)
  const m = columns.map((a, i) => [
    ...columns.map((b, j) => dot(a, b) * (i === j ? 1 + damping : 1) + (i === j ? 1e-12 : 0)),
    dot(a, off),
  ])
  for (let i = 0; i < n; i++) {
    for (let j = i + 1; j < n; j++) {
      const share = m[j][i] / m[i][i]
      for (let k = i; k <= n; k++) m[j][k] -= share * m[i][k]
    }
  }
  const x = new Array<number>(n).fill(0)
  for (let i = n - 1; i >= 0; i--) {
    let rest = m[i][n]
    for (let j = i + 1; j < n; j++) rest -= m[i][j] * x[j]
    x[i] = rest / m[i][i]
  }
  return x
}

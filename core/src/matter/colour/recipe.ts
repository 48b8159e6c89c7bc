import type { Dose } from '../mix/index.ts'
import { masterBatch, underScale } from '../mix/index.ts'

/** Recipes are written for so much resin, kg. */
export const recipeFor = 0.1

/** One tint of a recipe. */
export interface RecipeLine {
  name: string
  /** Into that resin, kg. */
  mass: number
  fraction: number
  /** Too little for the scale: so much of a thinned stock instead, kg. */
  thinned?: { times: number; use: number }
}

/**
 * Doses as weights for so much resin, kg, 100 g unless said; what the scale can't weigh, by a stock
 * of one part in ten.
 *
 * @example recipeLines([{ material: violet, fraction: 0.02 }], 0.0001)[0].mass // 0.002
 */
export const recipeLines = (
  doses: readonly Dose[],
  step: number,
  resin = recipeFor,
): RecipeLine[] =>
  doses.map(({ material: { name }, fraction }) => {
    const mass = fraction * resin
    const stock = underScale(mass, step) ? masterBatch(mass, step) : undefined
    return { name, mass, fraction, thinned: stock && { times: stock.times, use: stock.use } }
  })

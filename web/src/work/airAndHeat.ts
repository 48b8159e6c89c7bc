/** What only the lenses of air and heat ask, read when they are first opened. */
export { bubblesAt, compareWays, siliconeAir } from '@mivro/core/matter/air'
export { findWays, pourHeat } from '@mivro/core/work/plan'

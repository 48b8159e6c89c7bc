import { gasConstant, standardTemperature, type Rheology } from './law.ts'

/**
 * Viscosity in Pa·s (Castro & Macosko 1980, from memory):
 * η0·e^(Eη·x/R)·(αg/(αg − α))^(a + b·α); without bound from the gel on.
 *
 * @example viscosityAt(epoxy, 0, 296.15) // epoxy.viscosity
 */
export function viscosityAt(
  { viscosity, energy, gel, a, b }: Rheology,
  alpha: number,
  temperature: number,
): number {
  if (alpha >= gel) return Infinity
  const thinned = Math.exp((energy / gasConstant) * (1 / temperature - 1 / standardTemperature))
  return viscosity * thinned * (gel / (gel - alpha)) ** (a + b * alpha)
}

/**
 * Degree of cure at which the viscosity has doubled at a steady temperature, by bisection.
 *
 * @example alphaDoubled({ ...epoxy, gel: 0.58, a: 1.5, b: 1 }) // 0.1947
 */
export function alphaDoubled({ gel, a, b }: Rheology): number {
  let low = 0
  let high = gel
  for (let i = 0; i < 50; i++) {
    const middle = (low + high) / 2
    if ((gel / (gel - middle)) ** (a + b * middle) < 2) low = middle
    else high = middle
  }
  return low
}

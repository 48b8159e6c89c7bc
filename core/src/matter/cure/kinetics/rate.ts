import { fastestRate, gasConstant, standardTemperature, type Kinetics } from './law.ts'

/** How sharply the tail sets in, and how far heat puts it off, 1/K (Chern & Poehlein 1987, from memory). */
const tailSharpness = 30
const tailPerKelvin = 0.004

/** Arrhenius: by what a rate at 23 °C is multiplied at `temperature`, K. */
export const arrhenius = (energy: number, temperature: number): number =>
  Math.exp((-energy / gasConstant) * (1 / temperature - 1 / standardTemperature))

/** How far a degree of cure lies beyond the tail, which heat puts off. */
export const tailAway = (tail: number, alpha: number, temperature: number): number =>
  alpha - tail - tailPerKelvin * (temperature - standardTemperature)

/** By what the tail divides the rate. */
export const tailDivisor = (tail: number, alpha: number, temperature: number): number =>
  1 + Math.exp(tailSharpness * tailAway(tail, alpha, temperature))

/**
 * How fast the degree of cure rises, 1/s (Kamal & Sourour 1973, from memory; tail by Chern &
 * Poehlein 1987, from memory): (k1 + k2·α^m)·(1−α)^n, both rates by Arrhenius, capped.
 *
 * @example cureRate({ k1: 0, k2: 1e-3, energy: 55e3, m: 0, n: 2 }, 0.5, 296.15) // 2.5e-4
 */
export function cureRate(kinetics: Kinetics, alpha: number, temperature: number): number {
  const { k1, k2, energy, m, n, tail } = kinetics
  if (alpha >= 1) return 0
  const open = (k1 + k2 * alpha ** m) * (1 - alpha) ** n * arrhenius(energy, temperature)
  const slowed = tail === undefined ? open : open / tailDivisor(tail, alpha, temperature)
  return slowed < fastestRate ? slowed : fastestRate
}

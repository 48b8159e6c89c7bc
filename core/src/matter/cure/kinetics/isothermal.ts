import { standardTemperature, type Kinetics } from './law.ts'
import { cureRate } from './rate.ts'

/** Panels of Simpson's rule; the integrand is smooth in √α. */
const panels = 160

/**
 * Seconds until `alpha` is reached at a constant temperature, K: ∫ dα/rate, by Simpson's rule
 * in √α, where the start is smooth.
 *
 * @example timeTo({ k1: 0, k2: 1e-4, energy: 0, m: 0, n: 2 }, 0.85) // 56667 (0.85/0.15 over k)
 */
export function timeTo(
  kinetics: Kinetics,
  alpha: number,
  temperature = standardTemperature,
): number {
  const end = Math.sqrt(alpha)
  const step = end / panels
  const at = (s: number) => (2 * s) / cureRate(kinetics, s * s, temperature)
  let sum = at(0) + at(end)
  for (let i = 1; i < panels; i++) sum += at(i * step) * (i % 2 === 0 ? 2 : 4)
  return (sum * step) / 3
}

/**
 * Degree of cure after `time` seconds at a constant temperature, K: the inverse of `timeTo`,
 * by bisection.
 */
export function alphaAfter(kinetics: Kinetics, time: number, temperature: number): number {
  let low = 0
  let high = 0.9999
  for (let i = 0; i < 40; i++) {
    const middle = (low + high) / 2
    if (timeTo(kinetics, middle, temperature) < time) low = middle
    else high = middle
  }
  return (low + high) / 2
}

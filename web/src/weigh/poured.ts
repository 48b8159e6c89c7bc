import { Problem } from '@mivro/core/base/problem'

/** What a bench scale can show of one part in a cup, kg. */
const range = { min: 1e-6, max: 100 } as const

/** What is said of a weight that no cup can hold: nothing, less than nothing, a ton. */
export function refusedWeight(mass: number | undefined): Problem | undefined {
  const { min, max } = range
  if (mass === undefined || (mass >= min && mass <= max)) return undefined
  return new Problem('out-of-range', { kind: 'mass', value: mass, min, max })
}

import type { Form, Measured } from '@mivro/core/form/piece'

const measures: Record<Measured['how'], Measured> = {
  weight: { how: 'weight', mass: 0.04, density: 1150 },
  displaced: { how: 'displaced', volume: 35e-6 },
  filled: { how: 'filled', water: 0.0628 },
}

/** A measurement to begin with. */
export const startingMeasure = (how: Measured['how']): Measured => measures[how]

export const startingMeasured: Extract<Form, { from: 'measured' }> = {
  from: 'measured',
  measured: measures.weight,
  width: 0.05,
  depth: 0.04,
  height: 0.06,
}

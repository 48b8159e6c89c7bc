import { z } from '../schema/index.ts'
import { findUnit, type Kind, type Unit } from './kinds.ts'

/** Which unit a person reads and writes, chosen by quantity. */
export const unitChoiceSchema = z.object({
  length: z.enum(['mm', 'in']),
  mass: z.enum(['g', 'oz']),
  volume: z.enum(['ml', 'fl oz']),
  temperature: z.enum(['°C', '°F']),
  pressure: z.enum(['psi', 'bar', 'kPa']),
})

export type UnitChoice = z.infer<typeof unitChoiceSchema>

export const metric: UnitChoice = {
  length: 'mm',
  mass: 'g',
  volume: 'ml',
  temperature: '°C',
  pressure: 'bar',
}

export const imperial: UnitChoice = {
  length: 'in',
  mass: 'oz',
  volume: 'fl oz',
  temperature: '°F',
  pressure: 'psi',
}

/** Kinds nobody switches: a resin sheet says them the same way everywhere. */
const settled = { duration: 'min', density: 'g/ml', viscosity: 'mPa·s', fraction: '%' } as const

/** The unit a bare number is read in, and a value is shown in. */
export function chosenUnit(kind: Kind, choice: UnitChoice): Unit {
  // Pumps and compressors are sold by whoever sells the cups.
  if (kind === 'flow') return findUnit(choice.volume === 'ml' ? 'l/min' : 'cfm')!
  const symbol =
    kind in settled ? settled[kind as keyof typeof settled] : choice[kind as keyof UnitChoice]
  return findUnit(symbol)!
}

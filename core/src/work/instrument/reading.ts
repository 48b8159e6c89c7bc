import { z } from '../../base/schema/index.ts'
import { Problem } from '../../base/problem/index.ts'
import { findUnit, toSI, type Kind } from '../../base/units/index.ts'

/** What stands at a bench and can speak. */
export const instrumentNames = [
  'scale',
  'room thermometer',
  'cup thermometer',
  'hygrometer',
  'vacuum gauge',
  'pot gauge',
  'level',
] as const
export type InstrumentName = (typeof instrumentNames)[number]

/** What each of them measures, and how often it speaks at most, 1/s. */
export const instruments = {
  scale: { quantity: 'mass', rate: 10 },
  'room thermometer': { quantity: 'temperature', rate: 1 },
  'cup thermometer': { quantity: 'temperature', rate: 2 },
  hygrometer: { quantity: 'fraction', rate: 0.5 },
  'vacuum gauge': { quantity: 'pressure', rate: 5 },
  'pot gauge': { quantity: 'pressure', rate: 5 },
  level: { quantity: 'angle', rate: 2 },
} as const satisfies Record<InstrumentName, { quantity: Kind | 'angle'; rate: number }>

/** One line of the protocol: what one instrument shows at one moment. */
export const lineSchema = z.object({
  instrument: z.enum(instrumentNames),
  value: z.number(),
  unit: z.string().max(12),
  /** ISO 8601; left out: now. */
  at: z.iso.datetime({ offset: true }).optional(),
  /** A scale that settles says so. */
  steady: z.boolean().optional(),
  /** Left out: it works. */
  state: z.enum(['over', 'off']).optional(),
})
export type Line = z.infer<typeof lineSchema>

/** A line in SI. */
export interface Reading {
  instrument: InstrumentName
  /** kg, K, Pa (gauge), share, rad */
  value: number
  steady: boolean
  state: 'works' | 'over' | 'off'
  at?: string
}

const degree = Math.PI / 180

/**
 * One line of an instrument in SI. A gauge says pressures as gauges do: against the air around.
 *
 * Throws `Problem('instrument-unit')` when it speaks in a unit that it does not measure in.
 *
 * @example readLine({ instrument: 'scale', value: 56.8, unit: 'g' }).value // 0.0568
 */
export function readLine({ instrument, value, unit, at, steady, state }: Line): Reading {
  const known = { instrument, steady: steady ?? true, state: state ?? ('works' as const), at }
  const { quantity } = instruments[instrument]
  if (quantity === 'angle') {
    if (unit !== '°') throw new Problem('instrument-unit', { instrument, unit, quantity })
    return { ...known, value: value * degree }
  }
  const found = findUnit(unit)
  if (!found || found.kind !== quantity) {
    throw new Problem('instrument-unit', { instrument, unit, quantity })
  }
  return { ...known, value: toSI(value, found) }
}

import { z } from '../schema/index.ts'
import { quantity, refuse } from '../document/index.ts'
import { atmosphere } from './gas.ts'

const hour = 3600

/** A pressure pot, as it is marked and used. */
export const potSchema = z
  .object({
    /** Marked working pressure, gauge, Pa: never over it. */
    marked: quantity('pressure', 2e4, 2e6),
    /** What casts are cured at, gauge, Pa. */
    gauge: quantity('pressure', 1e4, 2e6),
    /** From the last pour until it is at pressure: into the pot, lid, clamps, filling, s. */
    closes: quantity('duration', 10, hour),
  })
  .superRefine(({ gauge, marked }, context) => {
    if (gauge > marked) refuse(context, ['gauge'], 'pressure-over-mark', { gauge, marked })
  })
export type Pot = z.infer<typeof potSchema>

/** A vacuum vessel with its pump. */
export const vesselSchema = z.object({
  volume: quantity('volume', 5e-4, 0.5),
  /** What it reaches, gauge, Pa: below the air around. */
  gauge: quantity('pressure', -101_000, -1e4),
  /** Pumping down, holding and letting in again, s. */
  takes: quantity('duration', 20, hour),
})
export type Vessel = z.infer<typeof vesselSchema>

/** What a studio has against bubbles. */
export interface AirTools {
  pot?: Pot
  vessel?: Vessel
}

/** A pot and a vessel to begin with: to be read from their plates. */
export const usualAirPot = { marked: 4.1e5, gauge: 2.8e5, closes: 120 } as const
export const usualVessel = { volume: 0.008, gauge: -9.5e4, takes: 120 } as const

/** Absolute from gauge, Pa. @example absolute(0) // 101325 */
export const absolute = (gauge: number): number => atmosphere + gauge

import { z } from '../../base/schema/index.ts'
import { quantity, refuse } from '../../base/document/index.ts'
import { atmosphere } from './gas.ts'
import { fillTime } from './vessel.ts'

const hour = 3600
const inside = () => quantity('length', 0.02, 2)

/** What a mark differs by when it is typed in another unit, Pa: 60 psi are 4.137 bar. */
const rounding = 100

/** A pressure pot, as it is marked, and what fills it. */
export const potSchema = z
  .object({
    /** Marked working pressure, gauge, Pa: never over it. */
    marked: quantity('pressure', 2e4, 2e6),
    /** What casts are cured at, gauge, Pa. */
    gauge: quantity('pressure', 1e4, 2e6),
    /** Inside, m: of its plate, and from there to the lid. */
    diameter: inside(),
    height: inside(),
    /** Free air that the compressor gives, m³/s. */
    flow: quantity('flow', 1e-5, 0.1),
    /** Lid on and clamps shut, s. */
    lid: quantity('duration', 5, hour),
  })
  .superRefine(({ gauge, marked }, context) => {
    if (gauge > marked + rounding)
      refuse(context, ['gauge'], 'pressure-over-mark', { gauge, marked })
  })
export type Pot = z.infer<typeof potSchema>

/** A vacuum vessel with its pump. */
export const vesselSchema = z
  .object({
    diameter: inside(),
    height: inside(),
    /** What is pumped to, gauge, Pa: below the air around. */
    gauge: quantity('pressure', -atmosphere, -1e4),
    /** What the pump takes away, m³/s. */
    flow: quantity('flow', 1e-5, 0.1),
    /** How much the pressure rises in a minute with the valve shut, Pa. */
    leak: quantity('pressure', 0, 1e5),
    /** Held there once the froth has fallen, s. */
    holds: quantity('duration', 0, hour),
  })
  .superRefine((vessel, context) => {
    const reaches = leakFloor(vessel) - atmosphere
    if (vessel.gauge < reaches) {
      refuse(context, ['gauge'], 'vacuum-over-pump', { gauge: vessel.gauge, reaches })
    }
  })
export type Vessel = z.infer<typeof vesselSchema>

/** What a studio has against bubbles. */
export interface AirTools {
  pot?: Pot
  vessel?: Vessel
}

/** A pot and a vessel to begin with: to be read from their plates. */
export const usualAirPot: Pot = {
  /** 60 psi. */
  marked: 413_685,
  gauge: 2.8e5,
  diameter: 0.28,
  height: 0.3,
  flow: 0.1 / 60,
  lid: 40,
}
export const usualVessel: Vessel = {
  diameter: 0.22,
  height: 0.21,
  gauge: -9.5e4,
  flow: 0.085 / 60,
  leak: 500,
  holds: 60,
}

/** Absolute from gauge, Pa. @example absolute(0) // 101325 */
export const absolute = (gauge: number, air = atmosphere): number => air + gauge

/** Volume inside, m³. @example insideOf({ diameter: 0.2, height: 0.1 }).toFixed(5) // '0.00314' */
export const insideOf = ({ diameter, height }: Pick<Pot, 'diameter' | 'height'>): number =>
  (Math.PI / 4) * diameter ** 2 * height

/**
 * From the lid in the hand until the pot is at pressure, s.
 *
 * @example closingTime(usualAirPot).toFixed(0) // '71'
 */
export const closingTime = (pot: Pot): number =>
  pot.lid + fillTime(insideOf(pot), pot.gauge, pot.flow)

/** The lowest pressure that a pump holds against a leak, absolute, Pa: the leak over its flow. */
export const leakFloor = (vessel: Pick<Vessel, 'diameter' | 'height' | 'leak' | 'flow'>): number =>
  ((vessel.leak / 60) * insideOf(vessel)) / vessel.flow

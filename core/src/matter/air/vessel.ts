import { atmosphere, type GasInResin } from './gas.ts'

/**
 * How long a pump takes from the air's pressure down to another, s: V/S·ln(P0/P). Both absolute, Pa;
 * volume m³, flow m³/s.
 *
 * @example pumpDown(0.01, (3 * 0.0283168) / 60, 3120).toFixed(2) // '24.58'
 */
export const pumpDown = (volume: number, flow: number, to: number, from = atmosphere): number =>
  (volume / flow) * Math.log(from / to)

/**
 * How long a compressor takes to fill a pot to a gauge pressure, Pa, s: V·Δp over its flow of free
 * air, m³/s.
 *
 * @example fillTime(0.04, 2.8e5, 0.1 / 60).toFixed(0) // '66'
 */
export const fillTime = (volume: number, gauge: number, flow: number): number =>
  (volume * gauge) / atmosphere / flow

/** Froth stands three to four times as high: a batch takes no more of its cup and vessel than this (common practice, no source). */
export const frothShare = 0.2

/**
 * The largest batch that a vessel and a cup can de-air without frothing over, m³.
 *
 * @example largestDeaired(0.0095, 0.0095).toFixed(4) // '0.0019'
 */
export const largestDeaired = (vessel: number, cup: number): number =>
  frothShare * Math.min(vessel, cup)

/**
 * The air's pressure at a height above the sea, m, Pa (ICAO standard atmosphere 1993).
 *
 * @example airPressure(1000).toFixed(0) // '89875'
 */
export const airPressure = (altitude: number): number =>
  atmosphere * (1 - 2.25577e-5 * altitude) ** 5.25588

/**
 * How many times its volume a mix takes at a pressure, absolute, Pa: bubbles that were stirred in,
 * and what it held dissolved and gives off, both grown by Boyle.
 *
 * @example swelling(101325, { share: 0.005, solubility: 0.08 }) // 1
 */
export const swelling = (
  pressure: number,
  { share, solubility }: { share: number } & Pick<GasInResin, 'solubility'>,
  air = atmosphere,
): number => 1 + (share + solubility * Math.max(0, 1 - pressure / air)) * (air / pressure - 1)

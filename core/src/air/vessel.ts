import { atmosphere } from './gas.ts'

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

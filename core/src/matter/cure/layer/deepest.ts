import type { Calibration } from '../calibrate/calibrate.ts'
import type { Batch } from '../cureTimes.ts'
import { followColumn } from './column.ts'
import { afterCup, columnOf } from './poured.ts'

/** How far the deepest pour may lie to either side of what is reckoned. */
export const depthBand = { low: 0.75, high: 1.3 } as const

/** How far a rise in temperature may lie to either side of what is reckoned. */
export const riseBand = { low: 0.75, high: 1.3 } as const

/**
 * What a temperature that is reckoned may turn out to be, K: its rise above where it started, −25
 * and +30 %.
 *
 * @example bandOf(393.15, 293.15) // { low: 368.15, high: 423.15 }
 */
export const bandOf = (temperature: number, start: number): { low: number; high: number } => ({
  low: start + (temperature - start) * riseBand.low,
  high: start + (temperature - start) * riseBand.high,
})

/** Depths that are looked at, m. */
const range = { least: 0.001, most: 0.4 } as const

/** Depths are found to this share. */
const closeEnough = 0.02

export interface DeepestPour {
  /** m; the deepest that stays below the limit as reckoned, and what it may be. */
  depth: number
  low: number
  high: number
  /** Never above the low end, never deeper than the sheet's own greatest depth. */
  advised: number
  /** Which of the two decides the advice. */
  by: 'heat' | 'sheet'
  /** No depth that is looked at gets too hot: `depth` is the deepest of them. */
  boundless: boolean
}

/**
 * The deepest single pour of a layer's shape that stays below `limit` K, by bisection on the
 * depth in one dimension. An estimate: −25 and +30 %. A sheet's greatest depth is meant for slabs:
 * a piece that stands taller than it is `thick` (m) may be filled to any height where that
 * thickness is allowed.
 *
 * @example deepestPour(calibrate(coatingEpoxy), { ...batch, resin: coatingEpoxy }, 353.15).by // 'heat'
 */
export function deepestPour(
  calibration: Calibration,
  batch: Omit<Batch, 'depth'>,
  limit: number,
  thick?: number,
): DeepestPour {
  const peaks = (depth: number) => peakOver(calibration, { ...batch, depth }, limit)
  let { least, most }: { least: number; most: number } = range
  const boundless = !peaks(most)
  if (boundless) least = most
  else if (peaks(least)) most = least
  while (most / least > 1 + closeEnough) {
    const middle = Math.sqrt(least * most)
    if (peaks(middle)) most = middle
    else least = middle
  }
  const { lie = 1 } = batch
  const low = least * lie * depthBand.low
  const { maxDepth: allowed = Infinity } = batch.resin
  const maxDepth = thick !== undefined && thick <= allowed ? Infinity : allowed
  return {
    depth: least * lie,
    low,
    high: least * lie * depthBand.high,
    advised: Math.min(low, maxDepth),
    by: low <= maxDepth ? 'heat' : 'sheet',
    boundless,
  }
}

/** Whether a layer gets hotter than `limit`, K; asks no longer than it takes to know. */
function peakOver({ law }: Calibration, batch: Batch, limit: number): boolean {
  const { resin, room, mass, materialTemperature = room } = batch
  const poured = afterCup(
    law,
    { mass, room, start: materialTemperature },
    batch.inCup ?? resin.mixTime,
  )
  let over = false
  let before = 0
  followColumn(columnOf(law, batch, poured), ({ temperature, alpha }) => {
    const hottest = Math.max(...temperature)
    over = hottest > limit
    const waning = hottest < before && Math.min(...alpha) > law.rheology.gel
    before = hottest
    return !over && !waning && Math.min(...alpha) < law.demould
  })
  return over
}

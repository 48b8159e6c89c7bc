import {
  fastestRate,
  arrhenius,
  standardTemperature,
  tailAway,
  tailDivisor,
  type CureLaw,
} from '../kinetics/index.ts'

/** Places of the tables: temperatures in between are interpolated, degrees of cure over √α. */
const temperatures = { from: 243.15, to: 643.15, places: 2048 }
const degrees = 2048

/** A law of cure as tables, for a field of many cells. */
export interface ReactionTable {
  law: CureLaw
  /** Arrhenius' factor by temperature. */
  speed: Float64Array
  /** (k1 + k2·α^m)·(1−α)^n over √α. */
  open: Float64Array
  /** What the tail leaves of the rate, by how far α lies from it; empty where there is none. */
  tail: Float64Array
}

/** The tail's table: how far α may lie from its own, warmth reckoned in, to either side. */
const tailSpan = 0.6
const tailPlaces = 1200

export function reactionTable(law: CureLaw): ReactionTable {
  const { k1, k2, m, n, energy, tail } = law.kinetics
  const { from, to, places } = temperatures
  return {
    law,
    speed: Float64Array.from({ length: places + 2 }, (_, i) =>
      arrhenius(energy, from + (i * (to - from)) / places),
    ),
    open: Float64Array.from({ length: degrees + 2 }, (_, i) => {
      const alpha = Math.min(1, (i / degrees) ** 2)
      return (k1 + k2 * alpha ** m) * (1 - alpha) ** n
    }),
    tail:
      tail === undefined
        ? new Float64Array(0)
        : Float64Array.from({ length: tailPlaces + 2 }, (_, i) => {
            const away = (2 * tailSpan * i) / tailPlaces - tailSpan
            return 1 / tailDivisor(0, away, standardTemperature)
          }),
  }
}

/** The rate of cure by the tables, 1/s; as `cureRate` to about 1e-4 of it. */
export function tabledRate(
  { law, speed, open, tail: left }: ReactionTable,
  alpha: number,
  temperature: number,
): number {
  if (alpha >= 1) return 0
  const { from, to, places } = temperatures
  const t = ((temperature - from) / (to - from)) * places
  const held = t < 0 ? 0 : t > places ? places : t
  const i = held | 0
  const fast = speed[i] + (held - i) * (speed[i + 1] - speed[i])
  const a = Math.sqrt(alpha) * degrees
  const j = a | 0
  let rate = fast * (open[j] + (a - j) * (open[j + 1] - open[j]))
  const { tail } = law.kinetics
  if (tail !== undefined) {
    const away = tailAway(tail, alpha, temperature)
    // So far below its tail a reaction does not feel it: e^(−30·0.3) is 1e-4.
    if (away > -tailReach) {
      const place = (((away < tailSpan ? away : tailSpan) + tailSpan) / (2 * tailSpan)) * tailPlaces
      const k = place | 0
      rate *= left[k] + (place - k) * (left[k + 1] - left[k])
    }
  }
  return rate < fastestRate ? rate : fastestRate
}

/** Nearer to its tail than this a reaction feels it. */
const tailReach = 0.3

/** What one step of a reaction came to. */
export interface Reacted {
  /** J brought in. */
  heat: number
  /** The largest change of a cell. */
  alpha: number
}

/**
 * One step of a layer's reaction by Heun's rule: how far each of its `cells` cures, into
 * `more`, and the heat that brings, J, into `heat`. Temperatures go on as `slope` (K/s) says.
 */
export function react(
  table: ReactionTable,
  { cells, volumes }: { cells: Uint32Array; volumes: Float64Array },
  {
    alpha,
    temperature,
    slope,
  }: { alpha: Float64Array; temperature: Float64Array; slope: Float64Array },
  step: number,
  more: Float64Array,
  heat: Float64Array,
): Reacted {
  const perAlpha = table.law.thermal.heat * table.law.thermal.density
  let brought = 0
  let largest = 0
  for (let j = 0; j < cells.length; j++) {
    const i = cells[j]
    const before = alpha[i]
    const rate = tabledRate(table, before, temperature[i])
    const ahead = before + step * rate
    const next = tabledRate(table, ahead < 1 ? ahead : 1, temperature[i] + step * slope[i])
    let cured = (step * (rate + next)) / 2
    if (cured > 1 - before) cured = 1 - before
    more[j] = cured
    const joules = volumes[j] * perAlpha * cured
    heat[i] = joules
    brought += joules
    if (cured > largest) largest = cured
  }
  return { heat: brought, alpha: largest }
}

import { ticks } from 'd3-array'
import { heightAt, type FillCurve } from '@mivro/core/form/filling'
import { chosenUnit, fromSI, toSI, type UnitChoice } from '@mivro/core/base/units'

export interface Tick {
  /** m above the lowest point */
  height: number
  label: string
}

/** A top that rounding has left a hair below a whole step keeps its tick. */
const hair = 1e-9

const label = (value: number) => String(Number(value.toFixed(6)))

/** Ticks of the height ruler in the chosen unit, about `count` of them. */
export function lengthTicks(height: number, choice: UnitChoice, count: number): Tick[] {
  const unit = chosenUnit('length', choice)
  return ticks(0, fromSI(height, unit) + hair, count).map((value) => ({
    height: toSI(value, unit),
    label: label(value),
  }))
}

/** Ticks of the volume ruler, each at the height that volume reaches. */
export function volumeTicks(curve: FillCurve, choice: UnitChoice, count: number): Tick[] {
  const unit = chosenUnit('volume', choice)
  return ticks(0, fromSI(curve.volume, unit) + hair, count).map((value) => ({
    height: heightAt(curve, toSI(value, unit)),
    label: label(value),
  }))
}

/** The ticks that stand at least `gap` px apart, from the bottom up. */
export function spaced(ticks: Tick[], y: (height: number) => number, gap: number): Tick[] {
  const kept: Tick[] = []
  for (const tick of ticks) {
    const last = kept[kept.length - 1]
    if (!last || y(last.height) - y(tick.height) >= gap) kept.push(tick)
  }
  return kept
}

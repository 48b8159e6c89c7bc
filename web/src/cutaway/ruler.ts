import { heightAt, type FillCurve } from '@mivro/core/filling'
import { chosenUnit, fromSI, toSI, type UnitChoice } from '@mivro/core/units'

export interface Tick {
  /** m above the lowest point */
  height: number
  label: string
}

/** Steps a ruler can have: 1, 2 or 5 of a power of ten. */
function niceStep(rough: number): number {
  const power = 10 ** Math.floor(Math.log10(rough))
  const share = rough / power
  return (share <= 1 ? 1 : share <= 2 ? 2 : share <= 5 ? 5 : 10) * power
}

const label = (value: number) => String(Number(value.toFixed(6)))

/** Ticks of the height ruler in the chosen unit, about `count` of them. */
export function lengthTicks(height: number, choice: UnitChoice, count: number): Tick[] {
  const unit = chosenUnit('length', choice)
  const whole = fromSI(height, unit)
  const step = niceStep(whole / count)
  const ticks = Math.floor(whole / step + 1e-9)
  return Array.from({ length: ticks + 1 }, (_, i) => ({
    height: toSI(i * step, unit),
    label: label(i * step),
  }))
}

/** Ticks of the volume ruler, each at the height that volume reaches. */
export function volumeTicks(curve: FillCurve, choice: UnitChoice, count: number): Tick[] {
  const unit = chosenUnit('volume', choice)
  const whole = fromSI(curve.volume, unit)
  const step = niceStep(whole / count)
  const ticks = Math.floor(whole / step + 1e-9)
  return Array.from({ length: ticks + 1 }, (_, i) => ({
    height: heightAt(curve, toSI(i * step, unit)),
    label: label(i * step),
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

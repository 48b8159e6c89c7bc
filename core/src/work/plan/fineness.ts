import type { Fineness } from '../../base/units/index.ts'
import type { CompiledPlan } from './compile/compiled.ts'

/** A mix that is gone sooner than this is timed by the second, s (common practice, no source). */
const fast = 600

/**
 * How finely the times of a pour are said: to the second where any of its mixes is gone in minutes.
 *
 * @example finenessOf(compiledOfAFastUrethane) // 'second'
 */
export const finenessOf = ({ layers }: Pick<CompiledPlan, 'layers'>): Fineness =>
  layers.some(({ clock }) => clock && clock.cupUntil - clock.mixAt < fast) ? 'second' : 'minute'

import { even } from '../colour/index.ts'
import type { Look } from '../light/index.ts'
import type { Vec3 } from '../mesh/index.ts'
import type { Form } from '../piece/index.ts'
import type { CompiledPlan } from './compile/compiled.ts'
import type { Plan } from './plan.ts'

/** What decides how a piece looks, besides from where and on what it is seen. */
export type PouredLook = Omit<Look, 'view' | 'setting' | 'rows'>

const clear = { k: even(0), s: even(0) }

/**
 * How a pour will look: its layers by what they do to light and how they really meet.
 *
 * @example lookOfPour(plan, compiled, [0, 0, 1]).layers[0].top // 0.01
 */
export const lookOfPour = (
  { up }: Pick<Plan, 'up'>,
  { layers }: CompiledPlan,
  stands: Vec3,
): PouredLook => ({
  up,
  stands,
  layers: layers
    .filter(({ depth }) => depth > 0)
    .map(({ top, join, clock, matter = clear }) => ({ top, join: clock?.meets ?? join, matter })),
  things: [],
})

/**
 * Which way up a finished piece stands: face up out of an open mould, a keycap on its open side,
 * and else as its shape was drawn.
 *
 * @example standsAs({ from: 'sizes', solid: { solid: 'ball', diameter: 0.02 } }, plan, 'open') // [0, 0, -1]
 */
export function standsAs(form: Form, { up }: Pick<Plan, 'up'>, mould: 'open' | 'closed'): Vec3 {
  if (mould === 'open') return upsideDown(up)
  return form.from === 'sizes' && form.solid.solid === 'keycap' ? [0, 0, -1] : [0, 0, 1]
}

/** Turned over. @example upsideDown([0, 0, 1]) // [0, 0, -1] */
export const upsideDown = ([x, y, z]: Vec3): Vec3 => [0 - x, 0 - y, 0 - z]

/** Flatter than this, as a share of how wide it is, a piece is looked at from above. */
const flat = 0.4

/**
 * From how high above the table a piece is first looked at, radians.
 *
 * @example usualLift({ height: 0.008, volume: 60e-6 }) // 0.9
 */
export const usualLift = ({ height, volume }: Pick<CompiledPlan, 'height' | 'volume'>): number =>
  height < flat * Math.sqrt(volume / height) ? 0.9 : 0.42

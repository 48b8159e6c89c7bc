import { even } from '../../matter/colour/index.ts'
import { caution, type Caution } from '../../base/caution/index.ts'
import {
  clearance,
  colourOf,
  type Arrangement,
  type SetLayer,
} from '../../matter/inclusion/index.ts'
import type { Look } from '../../matter/light/index.ts'
import type { Vec3 } from '../../form/mesh/index.ts'
import type { Form } from '../../form/piece/index.ts'
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
  things: Look['things'] = [],
): PouredLook => ({
  up,
  stands,
  layers: layers
    .filter(({ depth }) => depth > 0)
    .map(({ top, join, clock, matter = clear }) => ({ top, join: clock?.meets ?? join, matter })),
  things,
  skin: layers.find(({ skin }) => skin)?.skin?.colour,
  hollow: hollowOf(layers),
})

/** The wall of a hollow cast, of all its shots and layers, over what is solid. */
function hollowOf(layers: CompiledPlan['layers']): PouredLook['hollow'] {
  const last = layers.findLast(({ shell }) => shell)
  return last && { wall: last.shell!.to, bottom: last.bottom }
}

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

/** What is set into each layer that is poured, and where it comes to rest by its weight. */
export const layersToSet = ({ layers }: Pick<Plan, 'layers'>, compiled: CompiledPlan): SetLayer[] =>
  compiled.layers.map(({ id, index, bottom, top, setIn }) => ({
    id,
    bottom,
    top,
    things: layers[index].inclusions.map((one, i) => ({ ...one, lies: setIn[i].lies })),
  }))

/** Arranged things as they are drawn. */
export const thingsToSee = (
  { layers }: Pick<Plan, 'layers'>,
  { things }: Arrangement,
): Look['things'] =>
  things.map(({ layer, id, size, floor, places }) => {
    const found = layers.find((one) => one.id === layer)?.inclusions.find((one) => one.id === id)
    const { index } = found ?? {}
    return {
      size,
      floor,
      places,
      colour: colourOf(found ?? { density: 0 }),
      ...(index !== undefined && { index }),
    }
  })

/** What is to be said of an arrangement: things without room, and things laid where they can't lie. */
export const judgeArrangement = (
  { layers }: Pick<Plan, 'layers'>,
  { things }: Arrangement,
): Caution[] =>
  things.flatMap(({ layer, id, places, over, astray, meeting }) => {
    const of = layers.find((one) => one.id === layer)
    const inclusion = of?.inclusions.find((one) => one.id === id)?.name ?? ''
    const at = { layer, field: 'inclusions' }
    const fit = places.length
    const amounts = { inclusion, layer: of?.name ?? '', fit, asked: fit + over }
    return [
      ...(over > 0 ? [caution('things-no-room', 'warn', at, amounts)] : []),
      ...(astray > 0
        ? [caution('things-astray', 'warn', at, { inclusion, count: astray, wall: clearance.wall })]
        : []),
      ...(meeting > 0 ? [caution('things-meet', 'warn', at, { inclusion, count: meeting })] : []),
    ]
  })

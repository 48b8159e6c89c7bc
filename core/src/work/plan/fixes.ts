import type {
  Caution,
  CautionAmounts,
  CautionCode,
  FixAmounts,
  FixCode,
} from '../../base/caution/index.ts'
import type { CompiledPlan } from './compile/compiled.ts'
import { underScale } from '../../matter/mix/index.ts'
import type { Holder } from '../../matter/inclusion/index.ts'
import { splitLayer, withLayer } from './edit.ts'
import { cupsFor } from './heat/waysOut.ts'
import type { Plan } from './plan.ts'

/** One click that takes away what a caution is about. */
export interface PlanFix<F extends FixCode = FixCode> {
  fix: F
  amounts: FixAmounts[F]
  plan: Plan
}

/** The most that is mixed on top, as a share. */
const mostReserve = 2

const day = 24 * 3600

/** A hair more than needed, so that rounding does not leave the caution standing. */
const hair = 1 + 1e-6

type Finder<C extends CautionCode> = (
  amounts: CautionAmounts[C],
  plan: Plan,
  layer: { index: number; compiled: CompiledPlan },
) => (PlanFix | undefined)[]

const fix = <F extends FixCode>(code: F, amounts: FixAmounts[F], plan: Plan): PlanFix<F> => ({
  fix: code,
  amounts,
  plan,
})

/** What is set into a layer is wished on its floor. */
const onFloor = (plan: Plan, index: number): Plan =>
  withLayer(plan, index, {
    inclusions: plan.layers[index].inclusions.map((one) => ({
      ...one,
      lift: 0,
      spread: undefined,
    })),
  })

/** Something that is set into a layer, held there. */
const heldBy = (plan: Plan, index: number, inclusion: string, held: Holder): Plan =>
  withLayer(plan, index, {
    inclusions: plan.layers[index].inclusions.map((one) =>
      one.name === inclusion ? { ...one, held } : one,
    ),
  })

/** A base that gels, everything set on it, a cover; what would float up is dabbed. */
function baseAndCover(
  plan: Plan,
  compiled: CompiledPlan,
  index: number,
  dabbed?: string,
): PlanFix | undefined {
  const { id, name } = plan.layers[index]
  const base = `${id}-base`.slice(0, 40)
  if (plan.layers.some((layer) => layer.id === base)) return undefined
  const laid = onFloor(plan, index)
  const held = dabbed === undefined ? laid : heldBy(laid, index, dabbed, 'dab')
  return fix('base-and-cover', { layer: name }, splitLayer(held, compiled, index, base))
}

/** The layer below hardens until the bench opens again: mixed then, on what is scuffed. */
function overnight(
  plan: Plan,
  compiled: CompiledPlan,
  index: number,
  opens: number,
): PlanFix | undefined {
  const { clock } = compiled.layers[index]
  const below = compiled.layers.slice(0, index).findLast((layer) => layer.clock)?.clock
  if (!clock || !below || plan.begin === undefined) return undefined
  const mixed = plan.begin + clock.mixAt
  const next = day * Math.floor((mixed - opens) / day + 1) + opens
  const at = next + clock.pourAt - clock.mixAt
  const wait = at - plan.begin - below.pourAt
  return fix('overnight', { at }, withLayer(plan, index, { wait }))
}

/** The layer is poured so much later, s. */
function later(plan: Plan, compiled: CompiledPlan, index: number, by: number): Plan | undefined {
  const { clock } = compiled.layers[index]
  const below = compiled.layers.slice(0, index).findLast((layer) => layer.clock)?.clock
  if (!clock || !below) return undefined
  return withLayer(plan, index, { wait: clock.pourAt - below.pourAt + by })
}

const finders: { [C in CautionCode]?: Finder<C> } = {
  'batch-too-small': ({ batch, cups, smallest }, plan, { index }) => {
    const reserve = (1 + plan.reserve) * (smallest / batch) * hair - 1
    const fewer = Math.max(1, Math.floor((batch * cups) / smallest))
    return [
      cups > 1 && fewer < cups && plan.layers[index].fill.by !== 'shell'
        ? fix('fewer-cups', { cups: fewer }, withLayer(plan, index, { cups: fewer }))
        : undefined,
      reserve <= mostReserve
        ? fix('mix-more', { mass: smallest, cups }, { ...plan, reserve })
        : undefined,
      finer(plan),
    ]
  },
  'tint-under-scale': ({ mass }, plan) => [
    underScale(mass, plan.scaleStep / 10) ? undefined : finer(plan),
  ],
  'tint-over-limit': ({ limit, at }, plan, { index }) => {
    const tints = plan.layers[index].tints.map((tint, i) =>
      i === at ? { ...tint, fraction: limit } : tint,
    )
    return [fix('tint-to-limit', { limit }, withLayer(plan, index, { tints }))]
  },
  'inclusion-sinks': ({ below }, plan, { index, compiled }) => [
    baseAndCover(plan, compiled, index),
    fix('lay-on-floor', { below }, onFloor(plan, index)),
  ],
  'inclusion-floats': ({ inclusion }, plan, { index, compiled }) => [
    baseAndCover(plan, compiled, index, inclusion),
    index > 0 ? fix('dab', { inclusion }, heldBy(plan, index, inclusion, 'dab')) : undefined,
  ],
  'inclusion-load': ({ inclusion }, plan, { index }) => [
    fix('jig', { inclusion }, heldBy(plan, index, inclusion, 'jig')),
  ],
  'dab-no-time': ({ short }, plan, { index, compiled }) => {
    const waited = later(plan, compiled, index, short)
    return [waited && fix('wait-for-dab', { short }, waited)]
  },
  'batch-over-pot-mass': (_, plan, { index, compiled }) => {
    const { batch, weighing } = compiled.layers[index]
    const solid = plan.layers[index].fill.by !== 'shell'
    const cups = batch && weighing && solid ? cupsFor(batch, weighing.cups) : 0
    return [
      weighing && cups > weighing.cups
        ? fix('more-cups', { cups }, withLayer(plan, index, { cups }))
        : undefined,
    ]
  },
  'turns-too-few': ({ shots }, plan, { index }) => {
    const { fill } = plan.layers[index]
    if (shots === null || fill.by !== 'shell') return []
    return [fix('shots', { shots }, withLayer(plan, index, { fill: { ...fill, shots } }))]
  },
  'skin-too-thick': ({ most }, plan, { index }) => {
    const { fill } = plan.layers[index]
    const share = Math.floor(most / powderStep) * powderStep
    if (fill.by !== 'shell' || !fill.skin || share < powderStep) return []
    const skin = { ...fill.skin, share }
    return [fix('powder', { share }, withLayer(plan, index, { fill: { ...fill, skin } }))]
  },
  'copies-over-cavities': ({ cavities }, plan) => [
    fix('copies-to-cavities', { cavities }, { ...plan, copies: cavities }),
  ],
  'mouth-narrow': ({ turned }, plan) => [
    turned
      ? fix('turn-over', {}, { ...plan, up: plan.up.map((x) => 0 - x) as Plan['up'] })
      : undefined,
    fix('close-mould', {}, { ...plan, mould: 'closed' }),
  ],
  'top-left-empty': (_, plan, { compiled }) => {
    const top = compiled.height
    const fill = { by: 'height', top } as const
    return [fix('fill-to-rim', { top }, withLayer(plan, plan.layers.length - 1, { fill }))]
  },
  'layer-above-top': ({ pieceTop }, plan, { index }) => [
    fix(
      'fill-to-rim',
      { top: pieceTop },
      withLayer(plan, index, { fill: { by: 'height', top: pieceTop } }),
    ),
  ],
  'join-missed': (_, plan, { index }) =>
    plan.layers[index].wait === undefined
      ? []
      : [fix('as-the-join-wants', {}, withLayer(plan, index, { wait: undefined }))],
  'pour-at-night': ({ begin, from }, plan, { index, compiled }) => [
    begin === null ? undefined : fix('begin-at', { begin }, { ...plan, begin }),
    overnight(plan, compiled, index, from),
  ],
}

const finer = (plan: Plan): PlanFix | undefined => {
  const scaleStep = plan.scaleStep / 10
  return scaleStep >= 1e-6
    ? fix('finer-scale', { step: scaleStep }, { ...plan, scaleStep })
    : undefined
}

/**
 * What one click can do about a caution of a plan: the plan as it would be, ready to be kept.
 *
 * @example fixesOf(caution('copies-over-cavities', 'warn', {}, { copies: 4, cavities: 2 }), plan, compiled)[0].plan.copies // 2
 */
export function fixesOf(
  { code, amounts, place }: Caution,
  plan: Plan,
  compiled: CompiledPlan,
): PlanFix[] {
  const find = finders[code] as Finder<CautionCode> | undefined
  const index = Math.max(
    0,
    plan.layers.findIndex(({ id }) => id === place.layer),
  )
  return (find?.(amounts, plan, { index, compiled }) ?? []).filter((one) => one !== undefined)
}

/** Powder is weighed to a tenth of its resin. */
const powderStep = 0.1

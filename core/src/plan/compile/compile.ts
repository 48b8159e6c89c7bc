import { caution, type Caution } from '../../caution/index.ts'
import {
  dewPoint,
  sheetCure,
  usualWalls,
  type Batch,
  type CureModel,
  type MouldWalls,
} from '../../cure/index.ts'
import { weigh, type Recipe, type Weighing } from '../../mix/index.ts'
import type { Resin, Shelf, Tint } from '../../material/index.ts'
import type { FillCurve } from '../../filling/index.ts'
import type { Plan } from '../plan.ts'
import type { CompiledLayer, CompiledPlan } from './compiled.ts'
import { layerColumn } from './column.ts'
import { hazardsOf, judgeInclusions, judgeMix, setInto } from './judge.ts'
import { heatHazards, heatLimitOf, judgeDamp, judgeDay, judgeHeat, judgeRoom } from './judgeTime.ts'
import { schedule, type Ripening } from './schedule.ts'
import { stack, type StackedLayer } from './stack.ts'

export interface CompileOptions {
  /** What answers how a batch ripens; the sheet alone unless told otherwise. */
  cure?: CureModel
  /** The mould that is poured into. */
  walls?: MouldWalls
}

interface MixedLayer {
  stacked: StackedLayer
  resin?: Resin
  tint?: Tint
  weighing?: Weighing
}

/**
 * Everything a screen shows about a plan: for every layer its heights, volumes, weights and
 * clock, and every caution with its place. Never throws for a plan that its schema accepts: a
 * layer that cannot be poured is cautioned and the others are still answered.
 *
 * `curve` is the piece's fill curve in the plan's up direction. Gate volume goes with the last
 * layer; the reserve comes on top of every layer.
 */
export function compile(
  plan: Plan,
  curve: FillCurve,
  shelf: Shelf,
  { cure = sheetCure, walls = wallsFor(plan) }: CompileOptions = {},
): CompiledPlan {
  const { stacked, cautions } = stack(plan, curve)
  const mixed = stacked.map((layer, index) => {
    const gate = index === stacked.length - 1 ? plan.gate : 0
    return mix(layer, gate, plan, shelf, cautions)
  })
  for (const [index, { stacked: layer, resin, tint, weighing }] of mixed.entries()) {
    if (!resin) continue
    if (weighing) cautions.push(...judgeMix(layer, weighing, resin, tint, plan.scaleStep))
    cautions.push(...judgeInclusions(layer, resin, plan.layers[index - 1]?.name))
  }

  const poured = mixed.filter((layer) => layer.resin && layer.weighing)
  const ripening = poured.map((layer) => ripen(layer, plan, curve, walls, cure))
  const timed = schedule(ripening)
  const heatLimit = heatLimitOf(plan)
  for (const [i, clock] of timed.clocks.entries()) {
    cautions.push(...judgeHeat(poured[i].stacked, clock, ripening[i], heatLimit))
  }
  cautions.push(...timed.cautions, ...judgeDay(plan, timed.clocks, ripening))
  cautions.push(...judgeRoom(plan, timed.clocks, ripening))
  cautions.push(
    ...judgeDamp(
      plan,
      mixed.flatMap(({ resin }) => resin ?? []),
    ),
  )

  const layers = mixed.map((layer, index) => {
    const at = poured.indexOf(layer)
    const clock = timed.clocks[at]
    const described = describe(layer, index)
    described.hazards.push(...heatHazards(plan, clock))
    return { ...described, clock, batch: ripening[at]?.batch }
  })
  const demould = timed.clocks.map((clock) => clock.demouldAt)
  return {
    layers,
    height: curve.height,
    volume: curve.volume,
    copies: plan.copies,
    needs: needsOf(mixed),
    demouldAt: demould.length > 0 ? Math.max(...demould) : undefined,
    heatLimit,
    dewPoint: plan.humidity === undefined ? undefined : dewPoint(plan.room, plan.humidity),
    cautions,
  }
}

function mix(
  stacked: StackedLayer,
  gate: number,
  plan: Plan,
  shelf: Shelf,
  cautions: Caution[],
): MixedLayer {
  const { layer, resin: volume } = stacked
  const resin = layer.resin === undefined ? undefined : shelf.get(layer.resin)
  if (resin?.kind !== 'resin') {
    const code = layer.resin === undefined ? 'resin-not-chosen' : 'resin-gone'
    cautions.push(caution(code, 'stop', { layer: layer.id, field: 'resin' }, { layer: layer.name }))
    return { stacked }
  }
  const tint = layer.tint && shelf.get(layer.tint.material)
  if (layer.tint && tint?.kind !== 'tint') {
    cautions.push(
      caution('tint-gone', 'stop', { layer: layer.id, field: 'tint' }, { layer: layer.name }),
    )
  }
  const recipe: Recipe = { resin }
  if (layer.tint && layer.tint.fraction > 0 && tint?.kind === 'tint') {
    recipe.tint = { material: tint, fraction: layer.tint.fraction }
  }
  const all = (volume + gate) * plan.copies * (1 + plan.reserve)
  const weighing = volume > 0 ? weigh(all, recipe, plan.scaleStep) : undefined
  return { stacked, resin, tint: tint?.kind === 'tint' ? tint : undefined, weighing }
}

function describe({ stacked, resin, tint, weighing }: MixedLayer, index: number): CompiledLayer {
  const { layer, ...amounts } = stacked
  return {
    id: layer.id,
    index,
    name: layer.name,
    ...amounts,
    depth: stacked.top - stacked.bottom,
    join: layer.join,
    setIn: setInto(stacked, resin),
    weighing,
    hazards: hazardsOf(stacked, resin, tint),
    colour: tint?.colour ?? resin?.colour ?? '#d9e6e1',
    tinted: tint !== undefined,
  }
}

function needsOf(mixed: readonly MixedLayer[]): CompiledPlan['needs'] {
  const needs = new Map<string, number>()
  for (const { resin, tint, weighing } of mixed) {
    for (const { what, name, mass } of weighing?.steps ?? []) {
      const key = what === 'tint' ? tint!.name : `${resin!.name}, ${name}`
      needs.set(key, (needs.get(key) ?? 0) + mass)
    }
  }
  return [...needs].map(([name, mass]) => ({ name, mass }))
}

/** A closed mould covers the piece as thickly as it stands beside it. */
const wallsFor = ({ mould }: Plan): MouldWalls =>
  mould === 'closed' ? { ...usualWalls, cover: usualWalls.wall } : usualWalls

/** What the model of the cure is asked about a layer, and what it answers. */
function ripen(
  { stacked, resin, weighing }: MixedLayer,
  plan: Plan,
  curve: FillCurve,
  walls: MouldWalls,
  cure: CureModel,
): Ripening & { batch: Batch } {
  const { layer, top, bottom } = stacked
  const inCup = resin!.mixTime + (plan.standing ?? 0)
  const batch: Batch = {
    resin: resin!,
    room: plan.room,
    mass: weighing!.total / (layer.cups ?? 1),
    ...layerColumn(curve, bottom, top),
    inCup,
    materialTemperature: plan.materialTemperature,
    // Only the first layer meets the mould as it was warmed.
    mouldTemperature: bottom > 0 ? undefined : plan.mouldTemperature,
    walls,
    below: bottom,
    pourEnd: plan.pourEnd,
    of: layer.id,
  }
  return { layer, inCup, batch, times: cure(batch) }
}

import type { FillCurve } from '../../../form/filling/index.ts'
import { thicknessOf, type ThicknessProfile } from '../../../form/cells/index.ts'
import type { WallDepths } from '../../../form/wall/index.ts'
import { caution, type Caution } from '../../../base/caution/index.ts'
import {
  bodyMatter,
  even,
  hexOf,
  matterOf,
  mixed as mixedMatter,
  seenThrough,
  type Matter,
} from '../../../matter/colour/index.ts'
import {
  wholeMass,
  weigh,
  weighedApart,
  type Dose,
  type Recipe,
  type Weighing,
} from '../../../matter/mix/index.ts'
import type { Resin, Shelf } from '../../../matter/material/index.ts'
import {
  batchKey,
  dewPoint,
  sheetCure,
  timesOf,
  type Batch,
  type CureModel,
  type CureTimes,
  type CureTimesCache,
} from '../../../matter/cure/index.ts'
import type { Layer, Plan } from '../plan.ts'
import { pouredInto, type PouredInto } from '../pouredInto.ts'
import { layerColumn, type LayerColumn } from './column.ts'
import type { CompiledLayer, CompiledPlan, LayerClock, Peak } from './compiled.ts'
import { heatLimitOf, lowest } from './heatLimit.ts'
import {
  judgeCopies,
  judgeDepth,
  judgeMica,
  judgeMix,
  judgeMouth,
  judgeSlant,
  judgeTints,
  type LayerDose,
} from './judge.ts'
import { hazardsOf } from './hazards.ts'
import { heatHazards, judgeHeat, judgePostCure } from './judgeHeat.ts'
import { judgeInclusions } from './judgeInclusions.ts'
import { judgeDamp, judgeDay, judgeRoom } from './judgeTime.ts'
import { schedule, type Ripening } from './schedule.ts'
import { judgeSetting, setInto, whenSetIn } from './setInto.ts'
import { cupsOf, filmOf, judgeShell, turningOf, turningRadius } from './shell.ts'
import { judgeSkin, skinOf, type CompiledSkin } from './skin.ts'
import { stack, type StackedLayer } from './stack.ts'

/** What compiling can be told besides the plan; all of it plain values. */
export interface CompileOptions {
  /** The mould that is poured into; what the plan says alone unless told otherwise. */
  into?: PouredInto
  /** How stout the piece is at each height: until it is known a column stands for it. */
  thickness?: ThicknessProfile
  /** How deep its cavity lies under its walls, for what is cast hollow. */
  depths?: WallDepths
  /** Cups that are to be had, m³ to the brim. */
  cups?: readonly number[]
  /** What a model has answered about batches; the sheet speaks for those that are missing. */
  times?: CureTimesCache
  /** What a layer showed before, by its id, until its batch is answered. */
  before?: ReadonlyMap<string, CureTimes>
  /** The hottest of layers by the field in three dimensions, by their id: overrules the estimate. */
  field?: ReadonlyMap<string, Omit<Peak, 'by'>>
}

interface MixedLayer {
  stacked: StackedLayer
  resin?: Resin
  tints: LayerDose[]
  matter?: Matter
  weighing?: Weighing
  column: LayerColumn
}

/**
 * Everything a screen shows about a plan: for every layer its heights, volumes, weights and
 * clock, and every caution with its place. Never throws for a plan that its schema accepts: a
 * layer that cannot be poured is cautioned and the others are still answered. The same values
 * give the same answer: what it would like to know of a model goes out as `wanted`.
 *
 * `curve` is the piece's fill curve in the plan's up direction, lengths in m. What fills gates
 * and vents goes with the last layer; the reserve comes on top of every layer.
 *
 * @example compile(planOf20ml, curveOf60ml, shelf).layers[0].resin // 0.00002
 */
export function compile(
  plan: Plan,
  curve: FillCurve,
  shelf: Shelf,
  options: CompileOptions = {},
): CompiledPlan {
  const { into = intoNothing(plan, curve), thickness, depths, cups, times, before, field } = options
  const { stacked, cautions } = stack(plan, curve, depths)
  const mixed = stacked.map((layer, index) => {
    // The port of a hollow cast is plugged while it is turned.
    const gate = index === stacked.length - 1 && !layer.shell ? into.gate : 0
    const mixed = mix(layer, gate, plan, shelf, { sizes: cups, cautions })
    return { ...mixed, column: columnOf(curve, layer) }
  })
  for (const [index, { stacked: layer, resin, tints, weighing }] of mixed.entries()) {
    if (!resin) continue
    if (weighing) cautions.push(...judgeMix(layer, weighing, resin, tints, plan.scaleStep))
    cautions.push(...judgeTints(layer, resin, tints))
    cautions.push(...judgeInclusions(layer, resin, { into, below: plan.layers[index - 1]?.name }))
  }

  cautions.push(...judgeMica(mixed, into.mould))

  const poured = mixed.filter((layer) => layer.resin && layer.weighing)
  const wanted: Batch[] = []
  const ripening = poured.map((layer): Ripening & { batch: Batch } => {
    const batch = batchOf(layer, plan, into)
    const known = times?.get(batchKey(batch))
    if (!known) wanted.push(batch)
    return {
      layer: layer.stacked.layer,
      cups: layer.weighing!.cups,
      inCup: batch.inCup!,
      turned: layer.stacked.shell !== undefined,
      batch,
      times: known ?? before?.get(layer.stacked.layer.id) ?? sheetCure(batch),
    }
  })
  const { clocks: reckoned, cautions: late } = schedule(ripening)
  const clocks = reckoned.map((clock, i): LayerClock => {
    const found = field?.get(ripening[i].layer.id)
    // What fills the gates went in with the last layer.
    const last = poured[i] === mixed.at(-1)
    const gated = into.mould === 'closed' && last && !poured[i].stacked.shell
    return {
      ...clock,
      trimAt: gated ? clock.trimAt : undefined,
      peak: found ? { ...found, by: 'field' } : clock.peak,
    }
  })
  const thick = mixed.map(({ stacked: layer, column }) => thickOf(layer, column, thickness))
  const limits = mixed.map(({ resin }) => heatLimitOf(plan, resin))
  for (const [i, clock] of clocks.entries()) {
    const at = mixed.indexOf(poured[i])
    const { stacked: layer } = poured[i]
    const peak = clock.peak?.by === 'field' ? clock.peak.temperature : undefined
    cautions.push(...judgeDepth(layer, poured[i].resin!, thick[at], limits[at], peak))
    cautions.push(...judgeHeat(layer, clock, ripening[i].batch, limits[at]))
  }
  cautions.push(...late, ...judgeDay(plan, clocks, ripening))
  cautions.push(...judgeRoom(plan.room, into.warmth, clocks, ripening))
  const resins = mixed.flatMap(({ resin }) => resin ?? [])
  cautions.push(
    ...judgeDamp(plan, into.warmth, resins),
    ...judgeCopies(plan, into),
    ...judgeSlant(plan),
    ...judgeMouth(curve, into),
  )
  const radius = turningRadius(curve)

  const layers = mixed.map((layer, index): CompiledLayer => {
    const at = poured.indexOf(layer)
    const clock = clocks[at]
    const described = describe(layer, index, thick[index])
    described.hazards.push(...heatHazards(clock, into.warmth))
    const setIn = whenSetIn(layer.stacked, described.setIn, {
      resin: layer.resin,
      clock,
      below: clocks[at - 1],
      thickening: ripening[at]?.times.thickening,
    })
    const next = at < 0 ? undefined : poured[at + 1]
    const over = next && { name: next.stacked.layer.name, pourAt: clocks[at + 1].pourAt }
    cautions.push(...judgeSetting(layer.stacked, setIn, over))
    const { shell } = layer.stacked
    const turning =
      shell && at >= 0
        ? turningOf(shell, layer.resin!, radius, {
            poured: ripening[at].inCup,
            times: ripening[at].times,
          })
        : undefined
    if (shell) {
      const { copies } = plan
      cautions.push(...judgeShell(layer.stacked.layer, shell, { into, copies, turning }))
    }
    const skin = shell && skinOf(shell, plan.copies, shelf, layer)
    if (shell) cautions.push(...judgeSkin(layer.stacked.layer, shell, shelf, skin))
    if (shell?.fill.skin) described.hazards.push('powder')
    return {
      ...described,
      turning,
      skin,
      setIn,
      clock,
      each: layer.weighing && eachOf(layer.weighing, plan, clock),
      batch: ripening[at]?.batch,
      heatLimit: limits[index],
    }
  })
  cautions.push(...judgePostCure(plan.postCure, lowest(limits)))
  const demould = clocks.map((clock) => clock.demouldAt)
  return {
    layers,
    height: curve.height,
    volume: curve.volume,
    copies: plan.copies,
    needs: needsOf(
      mixed,
      layers.flatMap(({ skin }) => skin ?? []),
    ),
    demouldAt: demould.length > 0 ? Math.max(...demould) : undefined,
    into,
    heatLimit: lowest(limits),
    dewPoint: plan.humidity === undefined ? undefined : dewPoint(plan.room, plan.humidity),
    cautions,
    wanted,
  }
}

/**
 * The same with every batch answered by a model there and then.
 *
 * @example compileBy(sheetCure, plan, curveOf60ml, shelf).wanted // []
 */
export function compileBy(
  model: CureModel,
  plan: Plan,
  curve: FillCurve,
  shelf: Shelf,
  options: Omit<CompileOptions, 'times' | 'before'> = {},
): CompiledPlan {
  const { wanted } = compile(plan, curve, shelf, options)
  return compile(plan, curve, shelf, { ...options, times: timesOf(wanted, model) })
}

const intoNothing = (plan: Plan, { height }: FillCurve): PouredInto =>
  pouredInto(plan, undefined, { up: plan.up, lowest: 0, height })

function mix(
  stacked: StackedLayer,
  gate: number,
  plan: Plan,
  shelf: Shelf,
  { sizes, cautions }: { sizes?: readonly number[]; cautions: Caution[] },
): Omit<MixedLayer, 'column'> {
  const { layer, resin: volume } = stacked
  const resin = layer.resin === undefined ? undefined : shelf.get(layer.resin)
  if (resin?.kind !== 'resin') {
    const at = { layer: layer.id, field: 'resin' }
    cautions.push(
      layer.resin === undefined
        ? caution('resin-not-chosen', 'todo', at, { layer: layer.name })
        : caution('resin-gone', 'stop', at, { layer: layer.name }),
    )
    return { stacked, tints: [] }
  }
  const tints = dosesOf(layer, shelf)
  if (tints.length < layer.tints.length) {
    cautions.push(
      caution('tint-gone', 'stop', { layer: layer.id, field: 'tint' }, { layer: layer.name }),
    )
  }
  const recipe: Recipe = { resin, tints: tints.filter(({ fraction }) => fraction > 0) }
  const all = (volume + gate) * plan.copies * (1 + plan.reserve)
  const step = plan.scaleStep
  const weighing =
    volume > 0
      ? weighedApart(weigh(all, recipe, step, { cups: cupsOf(layer), sizes }), resin, step)
      : undefined
  return { stacked, resin, tints, matter: matterIn(resin, tints), weighing }
}

/** A film is as deep as one of its shots, and goes on all around. */
const columnOf = (curve: FillCurve, layer: StackedLayer): LayerColumn =>
  layer.shell ? { depth: filmOf(layer.shell), width: Infinity, lie: 1 } : layerColumn(curve, layer)

/** The tints of a layer that are on the shelf. @example dosesOf(planOf20ml.layers[0], shelf).length // 0 */
export const dosesOf = (layer: Layer, shelf: Shelf): LayerDose[] =>
  layer.tints.flatMap(({ material, fraction }, at) => {
    const tint = shelf.get(material)
    return tint?.kind === 'tint' ? { material: tint, fraction, at } : []
  })

function describe(mixed: MixedLayer, index: number, thick: number): CompiledLayer {
  const { stacked, resin, tints, matter, weighing } = mixed
  const { layer, ...amounts } = stacked
  return {
    id: layer.id,
    index,
    name: layer.name,
    ...amounts,
    depth: depthOf(stacked),
    thick,
    join: layer.join,
    setIn: setInto(stacked, resin),
    weighing,
    hazards: hazardsOf(stacked, thick, resin, tints),
    colour: drawnColour(mixed, depthOf(stacked)),
    tinted: tints.length > 0,
    matter,
  }
}

/** What a layer is drawn with: its mix as it is seen through its depth over white, whatever is in it. */
const drawnColour = ({ resin, tints, matter }: MixedLayer, depth: number): string =>
  matter && tints.length > 0
    ? hexOf(seenThrough([{ matter, depth: Math.max(depth, thinnestDrawn) }], even(1)))
    : (resin?.colour ?? '#d9e6e1')

/** A film is drawn as deep as this, so that its tint is seen, m. */
const thinnestDrawn = 0.002

/** What a layer does to light. */
const matterIn = (resin: Resin, tints: readonly Dose[]): Matter =>
  mixedMatter(
    bodyMatter(resin),
    tints.map(({ material, fraction }) => ({ matter: matterOf(material), dose: fraction })),
  )

/** What one copy gets, and how long there is to pour it: the reserve stays in the cup. */
const eachOf = (
  weighing: Weighing,
  { copies, reserve }: Pick<Plan, 'copies' | 'reserve'>,
  clock: LayerClock | undefined,
) => ({
  mass: wholeMass(weighing) / (copies * (1 + reserve)),
  time: clock && Math.max(0, ((clock.cupUntil - clock.pourAt) * weighing.cups) / copies),
})

function needsOf(
  mixed: readonly MixedLayer[],
  skins: readonly CompiledSkin[],
): CompiledPlan['needs'] {
  const needs = new Map<string, number>()
  for (const { resin, weighing } of mixed) {
    for (const { what, name, mass } of weighing?.steps ?? []) {
      const key = what === 'tint' ? name : `${resin!.name}, ${name}`
      needs.set(key, (needs.get(key) ?? 0) + mass * weighing!.cups)
    }
  }
  for (const { powder, dust, face } of skins) {
    needs.set(powder, (needs.get(powder) ?? 0) + dust + (face?.powder ?? 0))
  }
  return [...needs].map(([name, mass]) => ({ name, mass }))
}

/** Of a layer from below to its top, or of a wall from outside to in. */
const depthOf = ({ bottom, top, shell }: StackedLayer): number =>
  shell ? shell.to - shell.from : top - bottom

/** A thickness in cells is known to this share: what comes nearer to the depth is a slab. */
const slab = 0.9

/** By the piece itself where it is known; else by the narrower of depth and width of a column. */
function thickOf(
  { bottom, top, shell }: StackedLayer,
  column: LayerColumn,
  thickness?: ThicknessProfile,
): number {
  if (shell) return filmOf(shell)
  const depth = top - bottom
  const thick = thickness ? thicknessOf(thickness, bottom, top) : Math.min(depth, column.width)
  return thick >= slab * depth ? depth : thick
}

/** What the model of the cure is asked about a layer. */
function batchOf(
  { stacked, resin, weighing, column }: MixedLayer,
  plan: Plan,
  { walls, warmth }: PouredInto,
): Batch {
  const { layer, shell } = stacked
  // A shell lies on the mould, with the hollow over it.
  const bottom = shell ? 0 : stacked.bottom
  return {
    resin: resin!,
    room: plan.room,
    mass: weighing!.total,
    ...column,
    inCup: resin!.mixTime + (plan.standing ?? 0),
    materialTemperature: plan.materialTemperature,
    // Only the first layer meets the mould as it was warmed.
    mouldTemperature: bottom > 0 ? undefined : warmth,
    walls: shell ? { floor: walls.floor, wall: walls.wall } : walls,
    below: bottom,
    pourEnd: plan.pourEnd,
    withThickening: shell || layer.inclusions.length > 0 ? true : undefined,
    of: layer.id,
  }
}

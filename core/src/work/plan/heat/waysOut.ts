import {
  bandOf,
  deepestPour,
  modelCure,
  type Batch,
  type CureModel,
  type Learned,
} from '../../../matter/cure/index.ts'
import {
  potMassOf,
  resinClasses,
  usualPot,
  type Resin,
  type Shelf,
} from '../../../matter/material/index.ts'
import type { FillCurve } from '../../../form/filling/index.ts'
import type { Mesh } from '../../../form/mesh/index.ts'
import { compileBy } from '../compile/compile.ts'
import { heatLimitOf } from '../compile/heatLimit.ts'
import { runaway } from '../compile/judgeHeat.ts'
import type { PouredInto } from '../pouredInto.ts'
import type { Layer, Plan } from '../plan.ts'
import { fieldCells, hottestOf, pourHeat, pourHeatQuestion } from './pourHeat.ts'

/** What can be done about a layer that runs hot; each with the plan as it would be. */
export type WayOut =
  | { way: 'split'; plan: Plan; pours: number; depth: number; wait: number; scuff: boolean }
  | { way: 'resin'; plan: Plan; name: string }
  | { way: 'cool'; plan: Plan; room: number }

/** A way as the field in three dimensions finds it. */
export interface CheckedWay {
  way: WayOut
  /** The layer nearest to its limit, by its 95th percentile, K; its limit is absent where heat is no fault. */
  peak: number
  limit?: number
  /** When the last can come out, s after the first mix. */
  demouldAt: number
  holds: boolean
}

export interface WaysContext {
  plan: Plan
  curve: FillCurve
  shelf: Shelf
  into: PouredInto
  lawOf: (resin: Resin) => Learned
}

/** A layer is cut into no more than this. */
const mostPours = 40

/** Rooms no colder than this are offered, K (common practice, no source: epoxy stalls below). */
const coolest = 288.15

const modelOf =
  (lawOf: WaysContext['lawOf']): CureModel =>
  (batch) =>
    modelCure(lawOf(batch.resin), batch)

/**
 * Ways out for a layer that would run hot, in the order to try them, by one dimension: split it,
 * another resin of the shelf that bears the depth, a cooler room. None goes deeper
 * than the low end of what is reckoned safe, nor than the sheet's own greatest depth. For 'split'
 * several stand one after another, ever more pours and longer waits: the first that the field
 * confirms is the one to offer.
 */
export function waysOut(context: WaysContext, layerId: string): WayOut[] {
  const { plan, curve, shelf, lawOf, into } = context
  const compiled = compileBy(modelOf(lawOf), plan, curve, shelf, { into })
  const index = compiled.layers.findIndex(({ id }) => id === layerId)
  const { batch, bottom, depth, thick } = compiled.layers[index] ?? {}
  if (!batch) return []
  const standing = thick! < depth! ? thick : undefined
  const limit = compiled.layers[index].heatLimit?.at ?? runaway
  const safe = deepestPour(lawOf(batch.resin), batch, limit, standing).advised
  return [
    ...splits(context, index, { bottom: bottom!, depth: depth!, safe }),
    ...otherResins(context, index, batch, standing),
    ...cooler(context, batch, limit, thick!),
  ]
}

/**
 * The way as the field finds it, on a coarse grid: below the limit or not.
 */
export function checkWay(
  { curve, shelf, lawOf, into }: WaysContext,
  way: WayOut,
  mesh: Mesh,
): CheckedWay {
  const compiled = compileBy(modelOf(lawOf), way.plan, curve, shelf, { into })
  const question = pourHeatQuestion(way.plan, compiled, fieldCells.quick)
  const found = hottestOf(compiled, pourHeat(mesh, question, lawOf, { frames: 1 }))
  const layers = compiled.layers.flatMap(({ id, heatLimit }) => {
    const peak = found.get(id)?.temperature
    return peak === undefined ? [] : [{ peak, limit: heatLimit?.at }]
  })
  const over = ({ peak, limit = Infinity }: (typeof layers)[number]) => peak - limit
  const worst = layers.reduce((a, b) => (over(b) > over(a) ? b : a))
  const demouldAt = compiled.demouldAt ?? 0
  return { way, ...worst, demouldAt, holds: layers.every((layer) => over(layer) <= 0) }
}

interface Deep {
  bottom: number
  depth: number
  safe: number
}

/** Ever more pours, each in the join window of the one below; then each on one that is hard. */
function splits(
  { plan, lawOf, shelf }: WaysContext,
  index: number,
  { bottom, depth, safe }: Deep,
): WayOut[] {
  const layer = plan.layers[index]
  const resin = shelf.get(layer.resin ?? '') as Resin
  const least = Math.max(2, Math.ceil(depth / safe - 1e-9))
  const counts = [least, Math.ceil(least * 1.25), Math.ceil(least * 1.6)].filter(
    (pours) => pours <= mostPours,
  )
  const all = counts.map((pours) => {
    const each = depth / pours
    const batch = { resin, room: plan.room, mass: usualPot, depth: each, below: bottom }
    const { gel, joinUntil, demould } = modelCure(lawOf(resin), batch)
    const early = gel + 0.25 * (joinUntil - gel)
    const late = gel + 0.8 * (joinUntil - gel)
    const hard = Math.max((gel + demould) / 2, 1.5 * joinUntil)
    const way = (wait: number, scuff: boolean, fixed?: number): WayOut => {
      const layers = cut(layer, pours, bottom, each, fixed)
      const next = { ...plan, layers: plan.layers.flatMap((l, i) => (i === index ? layers : [l])) }
      return { way: 'split', plan: next, pours, depth: each, wait, scuff }
    }
    return { joined: [way(early, false), way(late, false, late)], scuffed: way(hard, true, hard) }
  })
  return [...all.flatMap(({ joined }) => joined), ...all.map(({ scuffed }) => scuffed)]
}

/** The layer as several: what was set in lies on the first of them. */
function cut(layer: Layer, pours: number, bottom: number, each: number, wait?: number): Layer[] {
  return Array.from({ length: pours }, (_, i): Layer => {
    const last = i === pours - 1
    return {
      ...layer,
      id: last ? layer.id : `${layer.id.slice(0, 56)}-${i + 1}`,
      name: `${layer.name.slice(0, 50)}, ${i + 1} of ${pours}`,
      fill: last ? layer.fill : { by: 'height', top: bottom + each * (i + 1) },
      inclusions: i === Math.min(1, pours - 1) ? layer.inclusions : [],
      join: i === 0 ? layer.join : 'crisp',
      wait: i === 0 ? layer.wait : wait,
    }
  })
}

/** Resins that bear the depth at the low end of the band, the gentlest first. */
function otherResins(
  { plan, shelf, lawOf }: WaysContext,
  index: number,
  batch: Batch,
  standing: number | undefined,
): WayOut[] {
  return [...shelf]
    .flatMap(([id, resin]) => {
      if (resin.kind !== 'resin' || id === plan.layers[index].resin) return []
      if (isClear(resin) !== isClear(batch.resin)) return []
      const asked = { ...batch, resin, inCup: undefined }
      const limit = heatLimitOf(plan, resin)?.at ?? runaway
      const { advised } = deepestPour(lawOf(resin), asked, limit, standing)
      return advised >= batch.depth * (batch.lie ?? 1) ? [{ id, name: resin.name, advised }] : []
    })
    .sort((a, b) => b.advised - a.advised)
    .slice(0, 2)
    .map(({ id, name }) => ({
      way: 'resin',
      name,
      plan: { ...plan, layers: plan.layers.map((l, i) => (i === index ? { ...l, resin: id } : l)) },
    }))
}

/** A clear cast is not saved by pouring it opaque. */
const isClear = (resin: Resin): boolean => resinClasses[resin.class].heatLimit !== undefined

/** The warmest room, by whole degrees, in which even the high end stays below the limit. */
function cooler(
  { plan, lawOf }: WaysContext,
  batch: Batch,
  limit: number,
  thick: number,
): WayOut[] {
  const { maxDepth = Infinity } = batch.resin
  if (thick > maxDepth) return []
  for (let room = plan.room - 1; room >= coolest; room--) {
    const asked = { ...batch, room, materialTemperature: undefined }
    const { peak } = modelCure(lawOf(batch.resin), asked)
    if (bandOf(peak!.temperature, room).high <= limit) {
      return [{ way: 'cool', room, plan: { ...plan, room, materialTemperature: undefined } }]
    }
  }
  return []
}

/**
 * How many cups of no more than the sheet's pot a layer's batch comes to.
 *
 * @example cupsFor({ ...batch, mass: 0.73 }, 1) // 8 (of a pot of 100 g)
 */
export const cupsFor = (batch: Batch, cups: number): number =>
  Math.min(50, Math.ceil((batch.mass * cups) / potMassOf(batch.resin)))

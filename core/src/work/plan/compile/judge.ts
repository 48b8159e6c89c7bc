import { contrast, covers, type Matter } from '../../../matter/colour/index.ts'
import { areaAt, type FillCurve } from '../../../form/filling/index.ts'
import { caution, type Caution } from '../../../base/caution/index.ts'
import {
  masterBatch,
  ratioTolerance,
  stirringFill,
  type Dose,
  type Weighing,
} from '../../../matter/mix/index.ts'
import { isDry, potMassOf, type Resin } from '../../../matter/material/index.ts'
import type { Plan } from '../plan.ts'
import type { PouredInto } from '../pouredInto.ts'
import type { HeatLimit } from './heatLimit.ts'
import { cupsOf } from './shell.ts'
import type { StackedLayer } from './stack.ts'

/** A batch heavier than the sheet's pot by this factor sets off noticeably sooner. */
const heavierPot = 1.5

/**
 * A layer that keeps more heat in than its sheet allows. The sheet's greatest depth is meant for
 * slabs and wide blocks: what counts is the thickness that keeps heat. For a piece that stands
 * taller than it is thick the field, once it is reckoned, overrules it; for a slab never.
 */
export function judgeDepth(
  { layer, top, bottom }: StackedLayer,
  resin: Resin,
  thick: number,
  limit: HeatLimit | undefined,
  fieldPeak: number | undefined,
): Caution[] {
  const { maxDepth } = resin
  if (maxDepth === undefined || thick <= maxDepth * (1 + 1e-9)) return []
  const depth = top - bottom
  const slab = thick === depth
  if (!slab && fieldPeak !== undefined && !(limit && fieldPeak > limit.at)) return []
  const amounts = { layer: layer.name, depth, thick, limit: maxDepth, resin: resin.name }
  return [caution('layer-too-deep', 'stop', { layer: layer.id, field: 'fill' }, amounts)]
}

/** Joins that slant by less than this are level to any eye, radians. */
const level = 0.035

/** Several layers in a piece that is held tilted: level in the pour, slanting on the piece. */
export function judgeSlant({ up, layers }: Plan): Caution[] {
  const upright = Math.max(...up.map(Math.abs)) / Math.hypot(...up)
  const angle = Math.acos(Math.min(1, upright))
  if (layers.length < 2 || angle < level) return []
  return [caution('layers-slant', 'note', { field: 'up' }, { angle })]
}

/** The side that an open mould is filled from: so far below the top, as a share of the height. */
const rim = 0.02
/** A mouth below this share of the widest level surface is a point to pour through. */
const narrow = 0.1

/** An open mould whose open side is the point of the piece. */
export function judgeMouth(curve: FillCurve, { mould, mouldBy }: PouredInto): Caution[] {
  if (mould !== 'open' || mouldBy === 'mould') return []
  const widest = curve.areas.reduce((most, area) => Math.max(most, area), 0)
  const share = areaAt(curve, (1 - rim) * curve.height) / widest
  if (share >= narrow) return []
  const turned = areaAt(curve, rim * curve.height) >= narrow * widest
  return [caution('mouth-narrow', 'warn', { field: 'mould' }, { share, turned })]
}

/** More casts of one mix than the moulds on hand hold. */
export function judgeCopies({ copies }: Plan, { cavities }: PouredInto): Caution[] {
  if (cavities === undefined || copies <= cavities) return []
  return [caution('copies-over-cavities', 'warn', { field: 'copies' }, { copies, cavities })]
}

/** A tint of a layer, and which of its tints it is. */
export interface LayerDose extends Dose {
  at: number
}

/** What is to be said about the mix of one layer. */
export function judgeMix(
  { layer }: StackedLayer,
  weighing: Weighing,
  resin: Resin,
  tints: readonly LayerDose[],
  step: number,
): Caution[] {
  const found: Caution[] = []
  const at = (field: string) => ({ layer: layer.id, field })
  if (resin.assumed && resin.assumed.length > 0) {
    const amounts = { resin: resin.name, fields: resin.assumed }
    found.push(caution('sheet-assumed', 'note', at('resin'), amounts))
  }
  for (const { material: tint, fraction, at: which } of tints) {
    if (fraction <= tint.limit * (1 + 1e-9)) continue
    const amounts = { tint: tint.name, at: which, dry: isDry(tint.form), asked: fraction }
    found.push(caution('tint-over-limit', 'warn', at('tint'), { ...amounts, limit: tint.limit }))
  }
  for (const { what, name, mass } of weighing.steps) {
    const thinned = what === 'tint' ? masterBatch(mass, step) : undefined
    if (!thinned) continue
    const amounts = { tint: name, mass, step, use: thinned.use, times: thinned.times }
    found.push(caution('tint-under-scale', 'warn', at('tint'), amounts))
  }
  const { cups, total, smallest, ratioError: error } = weighing
  if (total < smallest) {
    const amounts = { batch: total, cups, smallest, error, tolerance: ratioTolerance }
    found.push(caution('batch-too-small', 'warn', at('weigh'), amounts))
  }
  const potMass = potMassOf(resin)
  if (total > potMass * heavierPot) {
    const amounts = { batch: total, potMass, resin: resin.name }
    found.push(caution('batch-over-pot-mass', 'warn', at('clock'), amounts))
  }
  if (cups > (cupsOf(layer) ?? 1)) {
    const { volume, cupSize } = weighing
    const amounts = { volume: volume * cups, largest: cupSize * stirringFill, cups }
    found.push(caution('batch-over-cup', 'note', at('weigh'), amounts))
  }
  return found
}

/** What is to be said about the tints of a layer that will do what their sheets do not promise. */
export function judgeTints(
  { layer }: StackedLayer,
  resin: Resin,
  tints: readonly LayerDose[],
): Caution[] {
  const at = { layer: layer.id, field: 'tint' }
  return tints.flatMap(({ material: { name: tint, carrier } }) => {
    if (carrier === 'water') return caution('tint-water', 'stop', at, { tint, resin: resin.name })
    if (carrier === 'solvent') return caution('tint-solvent', 'warn', at, { tint })
    return []
  })
}

/** A layer as deep as it lies, and what it does to light. */
export interface SeenLayer {
  stacked: StackedLayer
  tints: readonly LayerDose[]
  matter?: Matter
}

/**
 * Mica that does not cover by itself and has nothing opaque behind it. An open mould shows its
 * first layer, so what was poured later lies behind; a closed one is seen from all sides.
 */
export function judgeMica(layers: readonly SeenLayer[], mould: 'open' | 'closed'): Caution[] {
  const opaque = layers.map(
    ({ matter, stacked: { top, bottom } }) =>
      matter !== undefined && contrast(matter, 1, top - bottom) >= covers,
  )
  return layers.flatMap(({ stacked: { layer }, tints }, i) => {
    const mica = tints.find(({ material, fraction }) => material.form === 'mica' && fraction > 0)
    const backed = mould === 'open' ? opaque.slice(i) : opaque
    if (!mica || backed.includes(true)) return []
    const amounts = { tint: mica.material.name, layer: layer.name }
    return caution('mica-unbacked', 'note', { layer: layer.id, field: 'tint' }, amounts)
  })
}

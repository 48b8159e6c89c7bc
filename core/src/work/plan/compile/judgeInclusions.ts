import { caution, type Caution } from '../../../base/caution/index.ts'
import {
  carriedBelow,
  drunkBy,
  hasTrait,
  isOrganic,
  sizeOf,
} from '../../../matter/inclusion/index.ts'
import type { Resin } from '../../../matter/material/index.ts'
import { mixDensity } from '../../../matter/mix/index.ts'
import { boreFor } from '../../../mould/index.ts'
import type { PouredInto } from '../pouredInto.ts'
import { organicHeatLimit } from './heatLimit.ts'
import { hovering } from './setInto.ts'
import type { StackedLayer } from './stack.ts'

/** An insert that carries load sits so many of its widths deep (common practice, no source). */
const loadDepth = 2

/** What is to be said about the things set into one layer. */
export function judgeInclusions(
  { layer, top, bottom }: StackedLayer,
  resin: Resin,
  { into: { mould, through }, below }: { into: PouredInto; below?: string },
): Caution[] {
  const density = mixDensity(resin.ratio, resin)
  const depth = top - bottom
  const place = { layer: layer.id, field: 'inclusions' }
  return layer.inclusions.flatMap((one) => {
    const { name, thickness } = one
    const found: Caution[] = []
    const size = sizeOf(one)
    if (size.thickness > depth && depth > 0) {
      const amounts = { inclusion: name, thickness: size.thickness, depth }
      found.push(caution('inclusion-too-thick', 'warn', place, amounts))
    }
    if (isOrganic(one) || hasTrait(one, 'damp')) {
      const limit = one.heatLimit ?? organicHeatLimit
      found.push(caution('inclusion-organic', 'note', place, { inclusion: name, limit }))
    }
    // What lies on the floor of the mould is laid there before it is closed.
    const needs = boreFor(one)
    if (through !== undefined && bottom > 0 && needs > through) {
      const amounts = { inclusion: name, needs, bore: through }
      found.push(caution('inclusion-over-gate', 'warn', place, amounts))
    }
    const volume = drunkBy(one)
    if (volume > 0) {
      found.push(caution('inclusion-drinks', 'note', place, { inclusion: name, volume }))
    }
    if (hasTrait(one, 'bleeds')) {
      found.push(caution('inclusion-bleeds', 'warn', place, { inclusion: name }))
    }
    if (hasTrait(one, 'has a face')) {
      found.push(caution('inclusion-face', 'note', place, { inclusion: name, mould }))
    }
    if (hasTrait(one, 'magnetic') && one.count > 1 && one.held === undefined) {
      found.push(caution('inclusion-magnetic', 'warn', place, { inclusion: name }))
    }
    if (hasTrait(one, 'carries load') && one.held !== 'jig') {
      const deep = loadDepth * size.across
      found.push(caution('inclusion-load', 'warn', place, { inclusion: name, deep }))
    }
    if (one.held !== undefined) return found
    const heavier = one.density / density - 1
    if (thickness !== undefined && thickness < carriedBelow) {
      found.push(caution('inclusion-carried', 'note', place, { inclusion: name, thickness }))
    } else if (heavier > hovering && (one.lift !== 0 || one.spread)) {
      const amounts = { inclusion: name, layer: layer.name, below: below ?? 'the face' }
      found.push(caution('inclusion-sinks', 'note', place, amounts))
    } else if (heavier < -hovering) {
      found.push(caution('inclusion-floats', 'note', place, { inclusion: name, layer: layer.name }))
    }
    return found
  })
}

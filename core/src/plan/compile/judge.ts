import { caution, type Caution, type Hazard } from '../../caution/index.ts'
import { mixDensity, ratioTolerance, type Weighing } from '../../mix/index.ts'
import { potMassOf, resinClasses, type Resin, type Tint } from '../../material/index.ts'
import type { SetIn } from './compiled.ts'
import type { StackedLayer } from './stack.ts'

/** A batch heavier than the sheet's pot by this factor sets off noticeably sooner. */
const heavierPot = 1.5

/** Things whose density differs from the resin's by less hover (common practice, no source). */
const hovering = 0.03

/** From this depth on a pour is called deep (common practice, no source), m. */
const deepFrom = 0.02

/** What is to be said about the mix of one layer. */
export function judgeMix(
  { layer, top, bottom }: StackedLayer,
  weighing: Weighing,
  resin: Resin,
  tint: Tint | undefined,
  step: number,
): Caution[] {
  const found: Caution[] = []
  const at = (field: string) => ({ layer: layer.id, field })
  const depth = top - bottom
  if (resin.maxDepth !== undefined && depth > resin.maxDepth * (1 + 1e-9)) {
    const pours = Math.ceil(depth / resin.maxDepth - 1e-9)
    const amounts = { layer: layer.name, depth, limit: resin.maxDepth, resin: resin.name, pours }
    found.push(caution('layer-too-deep', 'stop', at('fill'), amounts))
  }
  const fraction = layer.tint?.fraction ?? 0
  if (tint && fraction > tint.limit * (1 + 1e-9)) {
    const amounts = { tint: tint.name, asked: fraction, limit: tint.limit }
    found.push(caution('tint-over-limit', 'warn', at('tint'), amounts))
  }
  const tintMass = weighing.steps.find((s) => s.what === 'tint')?.mass ?? 0
  if (tint && weighing.tintUnderScale && tintMass > 0) {
    const amounts = { tint: tint.name, mass: tintMass, step, diluted: 10 * tintMass }
    found.push(caution('tint-under-scale', 'warn', at('tint'), amounts))
  }
  if (weighing.total < weighing.smallest) {
    const amounts = {
      batch: weighing.total,
      smallest: weighing.smallest,
      error: weighing.stepError,
      tolerance: ratioTolerance,
    }
    found.push(caution('batch-too-small', 'warn', at('weigh'), amounts))
  }
  const potMass = potMassOf(resin)
  if (weighing.total / (layer.cups ?? 1) > potMass * heavierPot) {
    const amounts = { batch: weighing.total / (layer.cups ?? 1), potMass, resin: resin.name }
    found.push(caution('batch-over-pot-mass', 'warn', at('clock'), amounts))
  }
  if (weighing.cup.cups > 1) {
    const { cups, size } = weighing.cup
    const amounts = { volume: weighing.volume, largest: (size * 2) / 3, cups }
    found.push(caution('batch-over-cup', 'note', at('weigh'), amounts))
  }
  return found
}

/** What is to be said about the things set into one layer. */
export function judgeInclusions(
  { layer, top, bottom }: StackedLayer,
  resin: Resin,
  below?: string,
): Caution[] {
  const density = mixDensity(resin.ratio, resin)
  const depth = top - bottom
  return layer.inclusions.flatMap((inclusion) => {
    const found: Caution[] = []
    const place = { layer: layer.id, field: 'inclusions' }
    const { name, thickness } = inclusion
    if (thickness !== undefined && thickness > depth && depth > 0) {
      found.push(
        caution('inclusion-too-thick', 'warn', place, { inclusion: name, thickness, depth }),
      )
    }
    const heavier = inclusion.density / density - 1
    if (heavier > hovering) {
      const lies = below ?? 'the face'
      found.push(
        caution('inclusion-sinks', 'note', place, {
          inclusion: name,
          layer: layer.name,
          below: lies,
        }),
      )
    } else if (heavier < -hovering) {
      found.push(caution('inclusion-floats', 'note', place, { inclusion: name, layer: layer.name }))
    }
    return found
  })
}

/** How the things set into a layer are to be drawn; without a resin they lie on the floor. */
export function setInto({ layer }: StackedLayer, resin?: Resin): SetIn[] {
  const liquid = resin ? mixDensity(resin.ratio, resin) : 0
  return layer.inclusions.map(({ count, mass, density }) => ({
    count,
    density,
    radius: Math.cbrt((3 * mass) / (4 * Math.PI * density)),
    lies: density >= liquid ? 'floor' : 'surface',
  }))
}

/** Which safety lines apply to a layer. */
export function hazardsOf(
  { layer, top, bottom }: StackedLayer,
  resin?: Resin,
  tint?: Tint,
): Hazard[] {
  const hazards: Hazard[] = []
  if (resin) hazards.push('any resin', resinClasses[resin.class].hazard)
  if (tint && (tint.form === 'mica' || tint.form === 'powder')) hazards.push('powder')
  if (top - bottom >= deepFrom) hazards.push('deep pour')
  if (layer.inclusions.length > 0) hazards.push('inclusion')
  return hazards
}

import {
  airInEpoxy,
  airInUrethane,
  dampIn,
  poresGive,
  seenFromOf,
  sourcesOf,
  usualHandling,
  type LayerBubbles,
} from '../../matter/air/index.ts'
import { contrast, covers } from '../../matter/colour/index.ts'
import type { Batch } from '../../matter/cure/index.ts'
import { areaAt, type FillCurve } from '../../form/filling/index.ts'
import { resinClasses } from '../../matter/material/index.ts'
import { mixDensity } from '../../matter/mix/index.ts'
import type { CompiledLayer, CompiledPlan } from './compile/compiled.ts'
import type { Plan } from './plan.ts'

/** Bubbles that stand for all of a layer's. */
const samples = 700

/** What a layer's bubbles depend on, as plain data. */
export interface BubbleLayer {
  id: string
  name: string
  batch: Batch
  /** When it gels by its clock, s since mixing. */
  gel: number
  /** It covers: only its skin shows. */
  opaque: boolean
  layer: Omit<LayerBubbles, 'thickening'>
}

/**
 * What is asked about the bubbles of each layer that is poured: the body of one copy, its free
 * surface or the ceiling over it, its clock.
 */
export const bubbleLayers = (
  { humidity = 0, handling = usualHandling }: Pick<Plan, 'humidity' | 'handling'>,
  { layers, into }: CompiledPlan,
  curve: FillCurve,
): BubbleLayer[] => {
  const poured = layers.filter(
    ({ clock, batch, weighing, depth }) => clock && batch && weighing && depth > 0,
  )
  return poured.map((layer, i) => {
    const { resin } = layer.batch!
    const { mixAt, pourAt, cupUntil, gelAt, demouldAt } = layer.clock!
    const epoxy = resinClasses[resin.class].hazard === 'epoxy'
    return {
      id: layer.id,
      name: layer.name,
      batch: layer.batch!,
      gel: gelAt - mixAt,
      opaque:
        handling.finish === 'painted' ||
        (layer.matter !== undefined && contrast(layer.matter, 1, layer.depth) >= covers),
      layer: {
        density: mixDensity(resin.ratio, resin),
        gas: epoxy ? airInEpoxy : airInUrethane,
        mixed: layer.weighing!.volume,
        cup: layer.weighing!.cupSize,
        volume: layer.resin,
        depth: layer.depth,
        ceiling: into.mould === 'closed' && i === poured.length - 1 ? 1 : ceilingOf(layer, curve),
        pouredAt: pourAt - mixAt,
        poursUntil: cupUntil - mixAt,
        hardAt: demouldAt - mixAt,
        ...sourcesOf(handling),
        grown: [
          { ...poresGive, share: (poresGive.share * layer.drunk) / layer.resin },
          ...(resinClasses[resin.class].hazard === 'urethane' ? [dampIn(humidity)] : []),
        ],
        handling,
        seenFrom: seenFromOf(handling.finish),
        samples,
        seed: 1,
      },
    }
  })
}

/** Share of a layer over which the piece closes before the layer's own surface. */
function ceilingOf({ bottom, top }: CompiledLayer, curve: FillCurve): number {
  const at = (share: number) => areaAt(curve, bottom + share * (top - bottom))
  const widest = Math.max(...[0.1, 0.3, 0.5, 0.7, 0.9].map(at))
  return widest > 0 ? Math.max(0, 1 - at(0.98) / widest) : 0
}

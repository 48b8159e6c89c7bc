import { caution, type Caution } from '../../../base/caution/index.ts'
import { heightAt, volumeAt, type FillCurve } from '../../../form/filling/index.ts'
import { displacedBy, drunkBy } from '../../../matter/inclusion/index.ts'
import type { WallDepths } from '../../../form/wall/index.ts'
import type { Fill, Layer, Plan, ShellFill } from '../plan.ts'
import { placeShell, type PlacedShell } from './shell.ts'

export interface StackedLayer {
  layer: Layer
  bottom: number
  top: number
  cavity: number
  inclusions: number
  /** Drunk by what is set in, of the resin. */
  drunk: number
  resin: number
  /** It lines the walls, as soon as their depths are known. */
  shell?: PlacedShell
}

/** Heights are shown to a tenth of a millimetre: what is closer is meant to be the top, m. */
const shownHeight = 5e-5

/** Two heights or volumes this close (as a share of the whole) are the same to any hand. */
const same = 1e-9

/** A film thinner than this pulls into islands (common practice, no source), m. */
const thinnest = 0.0008

/** Volume of what is set into one copy of a layer, m³. */
export const inclusionVolume = ({ inclusions }: Pick<Layer, 'inclusions'>): number =>
  inclusions.reduce((sum, one) => sum + displacedBy(one), 0)

/** Resin that it drinks, m³. */
const drunkVolume = ({ inclusions }: Pick<Layer, 'inclusions'>): number =>
  inclusions.reduce((sum, one) => sum + drunkBy(one), 0)

/**
 * Stacks the layers from the bottom up: where each begins and ends, what its cavity holds,
 * and what of that is resin. A layer that cannot be is cautioned and takes no room. `depths` is what a
 * shell is asked of: until they are known it takes nothing.
 */
export function stack(
  plan: Plan,
  curve: FillCurve,
  depths?: WallDepths,
): { stacked: StackedLayer[]; cautions: Caution[] } {
  const cautions: Caution[] = []
  const stacked: StackedLayer[] = []
  let bottom = 0
  let filled = 0
  let lined = 0
  for (const [index, layer] of plan.layers.entries()) {
    const below = plan.layers[index - 1]
    const { fill } = layer
    const found: { stacked: StackedLayer; cautions: Caution[] } =
      fill.by === 'shell'
        ? { stacked: line(layer, fill, { bottom, lined, top: curve.height }, depths), cautions: [] }
        : below?.fill.by === 'shell'
          ? overShell(layer, below, bottom)
          : place({ ...layer, fill }, { bottom, filled }, curve, below)
    stacked.push(found.stacked)
    cautions.push(...found.cautions)
    lined = found.stacked.shell?.to ?? lined
    if (layer.fill.by !== 'shell') bottom = found.stacked.top
    filled += found.stacked.cavity
  }
  const left = curve.height - Math.max(bottom, ...stacked.map(({ top }) => top))
  if (stacked.length > 0 && left > shownHeight) {
    const volume = curve.volume - filled
    cautions.push(caution('top-left-empty', 'note', {}, { height: left, volume }))
  }
  if (stacked.length === 0) cautions.push(caution('no-layers', 'note', {}, {}))
  return { stacked, cautions }
}

/** A shell over what lines the walls already, above what is solid. */
function line(
  layer: Layer,
  fill: ShellFill,
  { bottom, lined, top }: { bottom: number; lined: number; top: number },
  depths: WallDepths | undefined,
): StackedLayer {
  const inclusions = inclusionVolume(layer)
  const drunk = drunkVolume(layer)
  const shell = depths && placeShell(fill, depths, { lined, bottom })
  const cavity = shell?.volume ?? 0
  const resin = Math.max(0, cavity - inclusions + drunk)
  return { layer, bottom, top, cavity, inclusions, drunk, resin, shell }
}

/** Nothing lies level in a piece that is hollow. */
function overShell(
  layer: Layer,
  below: Layer,
  bottom: number,
): { stacked: StackedLayer; cautions: Caution[] } {
  const amounts = { layer: layer.name, below: below.name }
  const stop = caution('layer-over-shell', 'stop', { layer: layer.id, field: 'fill' }, amounts)
  const nothing = { cavity: 0, inclusions: 0, drunk: 0, resin: 0 }
  return { stacked: { layer, bottom, top: bottom, ...nothing }, cautions: [stop] }
}

/** `filled` is what the layers below hold, m³. */
function place(
  layer: Layer & { fill: Exclude<Fill, ShellFill> },
  { bottom, filled }: { bottom: number; filled: number },
  curve: FillCurve,
  below?: Layer,
) {
  const inclusions = inclusionVolume(layer)
  const drunk = drunkVolume(layer)
  const takes = inclusions - drunk
  const cautions: Caution[] = []
  const say = { layer: layer.id, field: 'fill' }
  const { name } = layer

  let top: number
  if (layer.fill.by === 'height') {
    top = layer.fill.top
    if (top > curve.height + shownHeight) {
      cautions.push(
        caution('layer-above-top', 'stop', say, { layer: name, top, pieceTop: curve.height }),
      )
      top = curve.height
    } else if (top > curve.height) top = curve.height
    if (top <= bottom * (1 + same)) {
      const amounts = { layer: name, top, below: below?.name ?? '', belowTop: bottom }
      cautions.push(caution('layer-out-of-order', 'stop', say, amounts))
      top = bottom
    }
  } else {
    const wanted = layer.fill.volume + takes
    const room = curve.volume - filled
    if (wanted > room + curve.volume * same) {
      const amounts = {
        layer: name,
        volume: layer.fill.volume,
        room: Math.max(0, room - takes),
      }
      cautions.push(caution('layer-overfull', 'stop', say, amounts))
    }
    top = heightAt(curve, filled + wanted)
  }

  const cavity = top > bottom ? volumeAt(curve, top) - filled : 0
  const depth = top - bottom
  if (depth > 0 && depth < thinnest) {
    cautions.push(caution('layer-thin', 'warn', say, { layer: name, depth }))
  }
  const overfull = depth > 0 && inclusions > 0 && inclusions >= cavity
  if (overfull) {
    const place = { layer: layer.id, field: 'inclusions' }
    cautions.push(
      caution('inclusions-too-big', 'stop', place, { layer: name, inclusions, volume: cavity }),
    )
  }
  const resin = overfull ? 0 : Math.max(0, cavity - takes)
  return { stacked: { layer, bottom, top, cavity, inclusions, drunk, resin }, cautions }
}

import { caution, type Caution } from '../../caution/index.ts'
import type { CureTimes } from '../../cure/index.ts'
import type { Join, Layer } from '../plan.ts'
import type { LayerClock } from './compiled.ts'

/** How far into the join window a crisp layer is poured: past the first tack, with time to spare. */
const intoWindow = 0.25

export interface Ripening {
  layer: Layer
  mixTime: number
  times: CureTimes
}

/**
 * When each layer is mixed and poured, seconds after the first mixing. The join wished with
 * the layer below decides: crisp in its join window, soft while it is syrup, bled while it
 * still pours. Mixing is begun so that it is done by then.
 */
export function schedule(layers: readonly Ripening[]): {
  clocks: LayerClock[]
  cautions: Caution[]
} {
  const clocks: LayerClock[] = []
  const cautions: Caution[] = []
  for (const { layer, mixTime, times } of layers) {
    const below = clocks[clocks.length - 1]
    const pourAt = below ? Math.max(pourMoment(below, layer.join), below.pourAt + mixTime) : mixTime
    if (below && layer.join === 'bled' && pourAt > below.pourableUntil) {
      const amounts = {
        layer: layer.name,
        wait: mixTime,
        pourable: below.pourableUntil - below.pourAt,
      }
      cautions.push(
        caution('bled-needs-same-time', 'warn', { layer: layer.id, field: 'join' }, amounts),
      )
    }
    const mixAt = pourAt - mixTime
    clocks.push({
      mixAt,
      pourAt,
      pourableUntil: mixAt + times.pourable,
      gelAt: mixAt + times.gel,
      joinUntil: mixAt + times.joinUntil,
      demouldAt: mixAt + times.demould,
      basis: times.basis,
    })
  }
  return { clocks, cautions }
}

function pourMoment(below: LayerClock, join: Join): number {
  if (join === 'bled') return below.pourAt
  if (join === 'soft') return (below.pourableUntil + below.gelAt) / 2
  return below.gelAt + intoWindow * (below.joinUntil - below.gelAt)
}

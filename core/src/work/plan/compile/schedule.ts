import { caution, type Caution } from '../../../base/caution/index.ts'
import type { CureTimes } from '../../../matter/cure/index.ts'
import type { Join, Layer } from '../plan.ts'
import type { LayerClock, Meeting } from './compiled.ts'

/**
 * A hollow cast, of less mass, hardens slower than a solid one: half as long again, to twice as long
 * (common practice, no source).
 */
const hollowHardens = 1.5

/** How far into the join window a crisp layer is poured: past the first tack, with time to spare. */
const intoWindow = 0.25

export interface Ripening {
  layer: Layer
  /** From the first of its parts to the pour, s. */
  inCup: number
  /** Cups mixed and poured one after the other. */
  cups: number
  /** Each cup is a shot that is turned: the next is mixed when it has gelled. */
  turned?: boolean
  times: CureTimes
}

/**
 * When each layer is mixed and poured, seconds after the first mixing. The join wished with
 * the layer below decides: crisp in its join window, soft while it is syrup, bled while it
 * still runs; a wait of its own wins. Mixing is begun so that it is done by then.
 */
export function schedule(layers: readonly Ripening[]): {
  clocks: LayerClock[]
  cautions: Caution[]
} {
  const clocks: LayerClock[] = []
  const cautions: Caution[] = []
  for (const [index, { layer, inCup, cups, times, turned }] of layers.entries()) {
    const below = clocks[clocks.length - 1]
    const wanted =
      layer.wait === undefined ? below && momentFor(below, layer.join) : below?.pourAt + layer.wait
    const pourAt = below ? Math.max(wanted, below.lastPourAt + inCup) : inCup
    const mixAt = pourAt - inCup
    // The last cup is mixed when those before it are poured.
    const later = (cups - 1) * (turned ? times.gel : inCup)
    const meets = below && meetingAt(below, pourAt)
    const place = { layer: layer.id, field: 'join' }
    if (below && layer.join === 'bled' && layer.wait === undefined && pourAt > below.bleedsUntil) {
      const amounts = { layer: layer.name, wait: inCup, pourable: below.bleedsUntil - below.pourAt }
      cautions.push(caution('bled-needs-same-time', 'warn', place, amounts))
    }
    if (below && meets === 'late') {
      const late = pourAt - below.joinUntil
      const amounts = { layer: layer.name, below: layers[index - 1].layer.name, late }
      cautions.push(caution('join-missed', 'warn', place, amounts))
    }
    if (!turned && later > times.bleedsUntil - inCup) {
      const amounts = { layer: layer.name, cups, later, runs: times.bleedsUntil - inCup }
      cautions.push(caution('cups-part', 'warn', { layer: layer.id, field: 'weigh' }, amounts))
    }
    clocks.push({
      mixAt,
      pourAt,
      lastPourAt: pourAt + later,
      cupUntil: mixAt + times.pourable,
      bleedsUntil: mixAt + times.bleedsUntil,
      gelAt: mixAt + later + times.gel,
      joinUntil: mixAt + Math.max(times.joinUntil, later + times.gel),
      trimAt: mixAt + later + times.trim,
      demouldAt: mixAt + later + times.demould * (turned ? hollowHardens : 1),
      peak: times.peak && {
        temperature: times.peak.temperature,
        at: mixAt + times.peak.at,
        by: 'column',
      },
      cupPeak: times.cupPeak,
      meets,
      basis: times.basis,
    })
  }
  return { clocks, cautions }
}

/** The moment, s after the first mixing, at which a next layer gets the join that is wished. */
export function momentFor(below: LayerClock, join: Join): number {
  if (join === 'bled') return below.pourAt
  if (join === 'soft') return (below.bleedsUntil + below.gelAt) / 2
  return below.gelAt + intoWindow * (below.joinUntil - below.gelAt)
}

/** What a layer that is poured at `at` gets with the one below. */
export function meetingAt(below: LayerClock, at: number): Meeting {
  if (at <= below.bleedsUntil) return 'bled'
  if (at < below.gelAt) return 'soft'
  return at <= below.joinUntil * (1 + 1e-9) ? 'crisp' : 'late'
}

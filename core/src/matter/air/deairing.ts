import { cupSizes } from '../mix/index.ts'
import { atmosphere, type GasInResin } from './gas.ts'
import { absolute, insideOf, leakFloor, type Vessel } from './equipment.ts'
import { frothShare, swelling } from './vessel.ts'

/**
 * The smallest cup that a mix froths in without running over; the largest where none is large enough. m³.
 *
 * @example deairingCup(100e-6) // 0.00065
 */
export const deairingCup = (volume: number, sizes: readonly number[] = cupSizes): number =>
  sizes.find((size) => frothShare * size >= volume) ?? sizes[sizes.length - 1]

/** A mix that is to be freed of air in its cup. */
export interface Deaired {
  /** m³, of the mix and of its cup to the brim. */
  volume: number
  cup: number
  /** Air that was stirred in, as a share. */
  share: number
  gas: GasInResin
}

/** What the gauge and the cup show at a moment. */
export interface DeairingMoment {
  /** s since the pump was switched on. */
  time: number
  /** Gauge, Pa. */
  gauge: number
  /** How high the froth stands, as a share of the cup. */
  level: number
}

export interface Deairing {
  moments: DeairingMoment[]
  /** Batches that the cup and the vessel can take, one after the other. */
  batches: number
  /** Times that the pump had to pause because the froth came to the brim. */
  pauses: number
  /** s for one batch, and until all are done. */
  each: number
  takes: number
  /** The highest that the froth stood, as a share of the cup. */
  highest: number
}

/** A step of the story, s. */
const step = 1
/** Froth breaks with this time, s; a pause with some air let in breaks it faster (from memory). */
const breaks = { pumping: 40, paused: 10 } as const
/** Pumping goes on when the froth has fallen to this share of the cup. */
const fallen = 0.6
/** Air is let back in gently, s. */
const lettingIn = 20
/** Nobody pumps longer, s. */
const patience = 1800
/** Where the froth counts as fallen, times the mix. */
const quiet = 1.1

/**
 * How a mix froths under vacuum: the gauge falls as the pump takes the air away, the froth rises
 * to the brim, the pump pauses and the froth breaks, until it is quiet; then it is held and let in
 * again. Rough: froth of another resin breaks at another pace.
 *
 * @example deairing({ volume: 1e-4, cup: 5e-4, share: 0.005, gas: airInUrethane }, usualVessel).batches // 1
 */
export function deairing(mix: Deaired, vessel: Vessel, air = atmosphere): Deairing {
  const inside = insideOf(vessel)
  const most = frothShare * Math.min(inside, mix.cup)
  const batches = Math.max(1, Math.ceil(mix.volume / most - 1e-9))
  const start = mix.volume / batches / mix.cup
  const target = absolute(vessel.gauge, air)
  const floor = Math.max(leakFloor(vessel), 1)
  const settles = inside / vessel.flow
  const moments: DeairingMoment[] = [{ time: 0, gauge: 0, level: start }]
  let pressure = air
  let left = 1
  let pauses = 0
  let pumping = true
  let held = 0
  let time = 0
  let highest = start
  while (held < vessel.holds && time < patience) {
    time += step
    if (pumping) pressure = floor + (pressure - floor) * Math.exp(-step / settles)
    if (pressure < target) pressure = target
    left *= Math.exp(-step / (pumping ? breaks.pumping : breaks.paused))
    const grown = (swelling(pressure, { share: mix.share, ...mix.gas }, air) - 1) * left
    let level = start * (1 + grown)
    if (pumping && level > 1) {
      pumping = false
      pauses++
    } else if (!pumping && level < fallen) pumping = true
    level = Math.min(level, 1)
    highest = Math.max(highest, level)
    moments.push({ time, gauge: pressure - air, level })
    if (pressure <= target * (1 + 1e-9) && 1 + grown < quiet) held += step
  }
  for (let i = 1; i <= lettingIn; i++) {
    const share = i / lettingIn
    moments.push({ time: time + i, gauge: (pressure - air) * (1 - share), level: start })
  }
  const each = time + lettingIn
  return { moments, batches, pauses, each, takes: each * batches, highest }
}

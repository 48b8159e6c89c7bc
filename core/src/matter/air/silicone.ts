import type { Thickening } from '../cure/index.ts'
import { bubbleOutcomes } from './bubbleOutcomes.ts'
import { atmosphere, type GasInResin } from './gas.ts'
import { drawnIn, stirring } from './population.ts'

/** Air in silicone rubber: it takes and passes far more than a resin does (from memory). */
export const airInSilicone: GasInResin = { diffusivity: 1e-9, solubility: 0.16 }

/** A silicone whose sheet names no viscosity, Pa·s. */
const usualViscosity = 15
/** Its viscosity doubles within the pot life; it gels at so many of them (from memory). */
const gelsAt = 3
const panels = 120

/** A silicone poured around a master. */
export interface PouredSilicone {
  /** Pa·s as mixed; left out: thick. */
  viscosity?: number
  /** s, in the room it is poured in. */
  potLife: number
  demould: number
  /** kg/m³ */
  density: number
  /** m³ and m. */
  volume: number
  depth: number
  /** Of the master's surface that it copies, m². */
  copied: number
}

/** What stays in it, and what of that lies so near to the cavity that it shows. */
export interface SiliconeAir {
  /** Bubbles over 0.1 mm. */
  inside: number
  /** Over 0.3 mm within a millimetre of the cavity: pressure on a cast dents them in. */
  dents: number
}

const seenFrom = 1e-4
const dentsFrom = 3e-4
const skin = 1e-3

/**
 * A silicone from mixed to gelled, thickening by its pot life.
 *
 * @example siliconeThickening({ potLife: 600, viscosity: 10 }).time.at(-1) // 1800
 */
export function siliconeThickening({
  potLife,
  viscosity = usualViscosity,
}: Pick<PouredSilicone, 'potLife' | 'viscosity'>): Thickening {
  const time = Float64Array.from({ length: panels + 1 }, (_, i) => (gelsAt * potLife * i) / panels)
  const thick = Float64Array.from(
    { length: panels },
    (_, i) => viscosity * 2 ** (time[i] / potLife + gelsAt / panels / 2),
  )
  return { time, viscosity: thick }
}

/**
 * The air that a silicone keeps around its master, stirred as usual, as it is or with what is done
 * against it: vacuum of the mix for as long as half its pot life, pressure until it is firm. Gauge
 * pressures, Pa. Rough: to compare ways, not to count on.
 *
 * @example siliconeAir({ potLife: 1800, demould: 14400, density: 1100, volume: 0, depth: 0.05, copied: 0.01 }).inside // 0
 */
export function siliconeAir(
  poured: PouredSilicone,
  { vacuum, pressure }: { vacuum?: number; pressure?: number } = {},
): SiliconeAir {
  const { potLife, demould, density, volume, depth, copied } = poured
  const pouredAt = potLife / (vacuum === undefined ? 3 : 1.5)
  const common = {
    thickening: siliconeThickening(poured),
    density,
    gas: airInSilicone,
    volume,
    depth,
    ceiling: 0,
    pouredAt,
    stirred: stirring.usual,
    drawn: drawnIn,
    grown: [],
    vacuum:
      vacuum === undefined
        ? undefined
        : { from: pouredAt - potLife / 2, until: pouredAt, pressure: atmosphere + vacuum },
    pressure:
      pressure === undefined
        ? undefined
        : { from: pouredAt + 60, until: demould, pressure: atmosphere + pressure },
    hardAt: demould,
    samples: 600,
    seed: 1,
  }
  const kept = (from: number) => {
    const { inside, pits } = bubbleOutcomes({ ...common, seenFrom: from })
    return inside + pits
  }
  const near = volume > 0 ? Math.min(1, (copied * skin) / volume) : 0
  return { inside: kept(seenFrom), dents: near * kept(dentsFrom) }
}

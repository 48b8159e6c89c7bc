import { mixDensity, weighIn, type Weighing } from '../../matter/mix/index.ts'
import type { Silicone } from '../../matter/material/index.ts'

/** What has to be mixed, opened and paid for a room of silicone. */
export interface SiliconeNeed {
  /** In the mould, kg. */
  inMould: number
  /** To mix, with the mixing loss, m³ and kg. */
  volume: number
  mass: number
  /** Taken out of the tubs, with what stays in them, kg. */
  opened: number
  /** Kits to open; undefined where the sheet names no kit. */
  kits?: number
  /** In the studio's money: of what is opened, and of the kits. */
  price?: number
  /** What goes into one batch, and how many there are. */
  weighing: Weighing
  /** Each part of one batch by volume, m³, for whoever measures so. */
  byVolume: { a: number; b: number }
}

/**
 * The silicone for `net` m³ of room, in so many batches. `loss` of the mould's amount stays on
 * tools and in cups on top; of what is opened, the share `tub` stays in its tub.
 *
 * @example siliconeNeed(0.001, siliconeOf1100, { loss: 0.1, tub: 0 }, 0.0001).mass // 1.21
 */
export function siliconeNeed(
  net: number,
  silicone: Silicone,
  { loss, tub }: { loss: number; tub: number },
  scaleStep: number,
  count = 1,
): SiliconeNeed {
  const density = mixDensity(silicone.ratio, silicone)
  const volume = net * (1 + loss)
  const mass = volume * density
  const opened = mass / (1 - tub)
  const weighing = weighIn(count, volume, { resin: silicone }, scaleStep)
  const part = (what: 'A' | 'B') => weighing.steps.find((step) => step.what === what)!.mass
  return {
    inMould: net * density,
    volume,
    mass,
    opened,
    kits: kitsFor(opened, silicone),
    price: pricePerMass(silicone) === undefined ? undefined : opened * pricePerMass(silicone)!,
    weighing,
    byVolume: { a: part('A') / silicone.densityA, b: part('B') / silicone.densityB },
  }
}

/** In the studio's money for a kilogram; undefined where the sheet names no price. */
export const pricePerMass = ({ kitMass, kitPrice }: Silicone): number | undefined =>
  kitMass === undefined || kitPrice === undefined ? undefined : kitPrice / kitMass

/** Kits to open for `opened` kg; undefined where the sheet names none. @example kitsFor(1.5, kitOf1kg) // 2 */
export const kitsFor = (opened: number, { kitMass }: Silicone): number | undefined =>
  kitMass === undefined ? undefined : Math.ceil(opened / kitMass - 1e-9)

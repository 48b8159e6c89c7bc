import { mixDensity, weigh, type Weighing } from '../../mix/index.ts'
import type { Silicone } from '../../material/index.ts'

/** What has to be mixed, opened and paid for a room of silicone. */
export interface SiliconeNeed {
  /** In the mould, kg. */
  inMould: number
  /** Mixed, with what stays on tools, m³ and kg. */
  volume: number
  mass: number
  /** Taken out of the tubs, with what stays in them, kg. */
  opened: number
  /** Kits to open; undefined where the sheet names no kit. */
  kits?: number
  /** In the studio's money: of what is opened, and of the kits. */
  price?: number
  weighing: Weighing
  /** Each part by volume, m³, for whoever measures so. */
  byVolume: { a: number; b: number }
}

/**
 * The silicone for `net` m³ of room. `loss` of the mould's amount stays on tools and in cups on
 * top; of what is opened, the share `tub` stays in its tub.
 *
 * @example siliconeNeed(0.001, tenToOne, { loss: 0, tub: 0 }, 0.0001).mass
 */
export function siliconeNeed(
  net: number,
  silicone: Silicone,
  { loss, tub }: { loss: number; tub: number },
  scaleStep: number,
): SiliconeNeed {
  const density = mixDensity(silicone.ratio, silicone)
  const volume = net * (1 + loss)
  const mass = volume * density
  const opened = mass / (1 - tub)
  const kits =
    silicone.kitMass === undefined ? undefined : Math.ceil(opened / silicone.kitMass - 1e-9)
  const weighing = weigh(volume, { resin: silicone }, scaleStep)
  const part = (what: 'A' | 'B') => weighing.steps.find((step) => step.what === what)!.mass
  return {
    inMould: net * density,
    volume,
    mass,
    opened,
    kits,
    price: pricePerMass(silicone) === undefined ? undefined : opened * pricePerMass(silicone)!,
    weighing,
    byVolume: { a: part('A') / silicone.densityA, b: part('B') / silicone.densityB },
  }
}

/** In the studio's money for a kilogram; undefined where the sheet names no price. */
export const pricePerMass = ({ kitMass, kitPrice }: Silicone): number | undefined =>
  kitMass === undefined || kitPrice === undefined ? undefined : kitPrice / kitMass

/** What the other part weighs for `mass` kg of one. @example otherPart(0.7, 'A', tenToOne) // 0.07 */
export function otherPart(mass: number, of: 'A' | 'B', silicone: Silicone): number {
  const { ratio, densityA, densityB } = silicone
  const perA =
    ratio.by === 'weight' ? ratio.b / ratio.a : (ratio.b * densityB) / (ratio.a * densityA)
  return of === 'A' ? mass * perA : mass / perA
}

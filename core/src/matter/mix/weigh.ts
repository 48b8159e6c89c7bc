import type { Resin, Tint, TwoPart } from '../material/index.ts'
import { batchError, smallestBatch } from './batchError.ts'
import { cupFor, cupSizes } from './cup.ts'
import { weightShares, mixDensity } from './ratio.ts'

/** The ratio may be off by this before a cure suffers (common practice, no source). */
export const ratioTolerance = 0.02

export interface Recipe {
  resin: TwoPart & Partial<Pick<Resin, 'tintInto'>>
  /** As shares of the weight of A and B together. */
  tints?: readonly Dose[]
}

/** So much of a tint, as a share of the resin's weight. */
export interface Dose {
  material: Tint
  fraction: number
}

export type Pourable = 'A' | 'B' | 'tint'

/** One thing that goes into the cup. */
export interface WeighStep {
  what: Pourable
  /** Tells it from the others: the part, or the tint by its number. */
  key: string
  name: string
  /** By the ratio, kg. */
  mass: number
  /** What the scale can show of it, kg. */
  weighed: number
  /** What the scale shows with all that is in the cup, kg. */
  reading: number
  /** Of a part whose sheet gives its ratio by volume, m³: what a marked cup shows. */
  volume?: number
}

/** What goes into one cup, and how many cups are mixed alike. */
export interface Weighing {
  /** Cups of this, mixed one after the other. */
  cups: number
  /** In the order they go into the cup: the tinted part, its tints, the other part. */
  steps: WeighStep[]
  /** All in one cup together, kg. */
  total: number
  /** Volume of the mix in one cup, m³. */
  volume: number
  /** How far one step of the scale on each part may put the ratio out, as a share. */
  ratioError: number
  /** Smallest batch within the tolerance, kg. */
  smallest: number
  /** Brim volume of the cup that stirs it, m³. */
  cupSize: number
  /** The last part is weighed into a cup of its own, so that the parts meet only when they are mixed. */
  apart: boolean
}

/** Parts of a resin that pours for less than this are weighed apart, s (common practice, no source). */
const fast = 900

/** Whether a resin leaves no time between its parts. @example isFast({ potLife: 150 }) // true */
export const isFast = ({ potLife }: Pick<Resin, 'potLife'>): boolean => potLife < fast

/**
 * The last part into a cup of its own where the parts must not meet before they are mixed: those of
 * a fast resin, and of `cups` that wait for one another.
 *
 * @example weighedApart(weigh(100e-6, { resin: oneToOne }, 0.0001), { potLife: 150 }, 0.0001).apart // true
 */
export function weighedApart(
  weighing: Weighing,
  resin: Pick<Resin, 'potLife'>,
  step: number,
  cups = weighing.cups,
): Weighing {
  if (cups === 1 && !isFast(resin)) return weighing
  const last = weighing.steps.at(-1)!
  const reading = roundTo(last.mass, step)
  const own = { ...last, weighed: reading, reading }
  return { ...weighing, apart: true, steps: [...weighing.steps.slice(0, -1), own] }
}

/**
 * What to weigh for `all` m³ of a mix on a scale that reads to `step` kg without taring between
 * parts, in so many cups of those `sizes` alike; in more where that many can't be stirred. Everything answered is
 * of one cup. Tints come on top of the weight of A and B (shares of it), volumes add, and
 * readings are rounded cumulatively so that errors do not pile up.
 *
 * @example weigh(100e-6, { resin: oneToOne }, 0.0001).steps.map((s) => s.what) // ['A', 'B']
 */
export const weigh = (
  all: number,
  recipe: Recipe,
  step: number,
  { cups = 1, sizes = cupSizes }: { cups?: number; sizes?: readonly number[] } = {},
): Weighing => weighIn(Math.max(cups, cupFor(all, sizes).cups), all, recipe, step, sizes)

/**
 * The same in exactly so many cups, whatever they are stirred in.
 *
 * @example weighIn(2, 100e-6, { resin: oneToOne }, 0.0001).volume // 0.00005
 */
export function weighIn(
  cups: number,
  all: number,
  { resin, tints = [] }: Recipe,
  step: number,
  sizes: readonly number[] = cupSizes,
): Weighing {
  const volume = all / cups
  const shares = weightShares(resin.ratio, resin)
  const perVolume =
    1 / mixDensity(resin.ratio, resin) +
    tints.reduce((sum, { fraction, material }) => sum + fraction / material.density, 0)
  const resinMass = volume / perVolume
  const part = (what: 'A' | 'B') => {
    const mass = resinMass * (what === 'A' ? shares.a : shares.b)
    const density = what === 'A' ? resin.densityA : resin.densityB
    return {
      what,
      key: what as string,
      name: what === 'A' ? resin.nameA : resin.nameB,
      mass,
      ...(resin.ratio.by === 'volume' && { volume: mass / density }),
    }
  }
  const [first, second] =
    resin.tintInto === 'A' || tints.length === 0 ? [part('A'), part('B')] : [part('B'), part('A')]
  const stirredIn = tints.map(({ material, fraction }, i) => ({
    what: 'tint' as const,
    key: tintKey(i),
    name: material.name,
    mass: resinMass * fraction,
  }))
  const steps = readings([first, ...stirredIn, second], step)

  return {
    cups,
    steps,
    total: steps.reduce((sum, s) => sum + s.mass, 0),
    volume,
    ratioError: batchError(resinMass * shares.a, resinMass * shares.b, step),
    smallest: smallestBatch(shares, step, ratioTolerance),
    cupSize: cupFor(volume, sizes).size,
    apart: false,
  }
}

/** What tells a tint from the others of its layer. */
export const tintKey = (at: number): string => `tint-${at + 1}`

function readings(parts: Omit<WeighStep, 'weighed' | 'reading'>[], step: number): WeighStep[] {
  let exact = 0
  let shown = 0
  return parts.map((part) => {
    exact += part.mass
    const reading = roundTo(exact, step)
    const weighed = reading - shown
    shown = reading
    return { ...part, weighed, reading }
  })
}

/** Rounded to the scale; the division keeps 0.3 from becoming 0.30000000000000004. */
function roundTo(mass: number, step: number): number {
  return Math.round(mass / step) / (1 / step)
}

/**
 * Everything that is mixed, all cups together, kg.
 *
 * @example wholeMass(weigh(100e-6, { resin: oneToOne }, 0.0001, { cups: 4 })) // 0.11
 */
export const wholeMass = ({ cups, total }: Weighing): number => cups * total

/**
 * Of that the resin alone, which doses are shares of, kg.
 *
 * @example resinIn(weigh(100e-6, { resin: oneToOne }, 0.0001, { cups: 4 })).toFixed(6) // '0.110000'
 */
export const resinIn = ({ cups, steps }: Weighing): number =>
  cups * steps.reduce((sum, { what, mass }) => (what === 'tint' ? sum : sum + mass), 0)

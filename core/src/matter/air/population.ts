import { uniformFloat64 } from 'pure-rand/distribution/uniformFloat64'
import { xoroshiro128plus } from 'pure-rand/generator/xoroshiro128plus'

/** Bubbles of one source: what share of the volume they take, and their median diameter, m. */
export interface Source {
  share: number
  median: number
}

/** Diameters spread lognormally by this factor (common practice, no source). */
export const spreadOfSizes = 1.9

/** What stirring leaves in a mix (common practice, no source). */
export const stirring = {
  gentle: { share: 0.002, median: 0.0003 },
  usual: { share: 0.005, median: 0.0003 },
  whisked: { share: 0.03, median: 0.0003 },
} as const satisfies Record<string, Source>

/** What a pore gives off of its air before the gel, and how large its bubbles are, m (from memory). */
export const poresGive = { share: 0.25, median: 0.0006 } as const

/** What damp air makes foam in a urethane, above this humidity (common practice, no source). */
export const damp = { from: 0.6, share: 0.01, median: 0.00025 } as const

/**
 * Bubbles of damp in a urethane; none in dry air.
 *
 * @example dampIn(0.6).share // 0
 */
export const dampIn = (humidity: number): Source => ({
  share: (damp.share * Math.max(0, humidity - damp.from)) / (1 - damp.from),
  median: damp.median,
})

/** What a pour draws in again. */
export const drawnIn: Source = { share: 0.0008, median: 0.00025 }

/**
 * Mean of the cubes of lognormal diameters over the cube of their median: e^(4.5·ln²σ).
 *
 * @example meanCube(1.9).toFixed(3) // '6.385'
 */
export const meanCube = (spread: number): number => Math.exp(4.5 * Math.log(spread) ** 2)

/**
 * How many bubbles a source puts into a volume, m³.
 *
 * @example bubbleCount({ share: 0.01, median: 0.0003 }, 50e-6).toFixed(0) // '5540'
 */
export const bubbleCount = ({ share, median }: Source, volume: number): number =>
  (share * volume) / ((Math.PI / 6) * meanCube(spreadOfSizes) * median ** 3)

/** One bubble that stands for so many: its diameter, m, and where it begins, 0 to 1 of the depth. */
export interface Bubble {
  diameter: number
  height: number
  stands: number
}

/**
 * Bubbles that stand for all of a source: diameters in even strata of their spread, heights by
 * chance; the same for the same seed.
 *
 * @example bubblesOf({ share: 0.005, median: 0.0003 }, 50e-6, 100, 1).length // 100
 */
export function bubblesOf(source: Source, volume: number, samples: number, seed: number): Bubble[] {
  const random = xoroshiro128plus(seed)
  const stands = bubbleCount(source, volume) / samples
  const order = Array.from({ length: samples }, (_, i) => (i + uniformFloat64(random)) / samples)
  for (let i = samples - 1; i > 0; i--) {
    const k = Math.floor(uniformFloat64(random) * (i + 1))
    ;[order[i], order[k]] = [order[k], order[i]]
  }
  return order.map((height, i) => ({
    diameter: source.median * spreadOfSizes ** normalAt((i + 0.5) / samples),
    height,
    stands,
  }))
}

/** The place of a standard normal under which a share lies (Acklam 2003, from memory: to 1e-9). */
export function normalAt(share: number): number {
  const a = [
    -39.69683028665376, 220.9460984245205, -275.9285104469687, 138.357751867269, -30.66479806614716,
    2.506628277459239,
  ]
  const b = [
    -54.47609879822406, 161.5858368580409, -155.6989798598866, 66.80131188771972,
    -13.28068155288572,
  ]
  const c = [
    -0.007784894002430293, -0.3223964580411365, -2.400758277161838, -2.549732539343734,
    4.374664141464968, 2.938163982698783,
  ]
  const d = [0.007784695709041462, 0.3224671290700398, 2.445134137142996, 3.754408661907416]
  const low = 0.02425
  const along = (coefficients: readonly number[], x: number) =>
    coefficients.reduce((sum, one) => sum * x + one, 0)
  if (share < low) {
    const q = Math.sqrt(-2 * Math.log(share))
    return along(c, q) / along([...d, 1], q)
  }
  if (share > 1 - low) return -normalAt(1 - share)
  const q = share - 0.5
  const r = q * q
  return (along(a, r) * q) / along([...b, 1], r)
}

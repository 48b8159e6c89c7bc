import type { Ratio } from '../material/index.ts'
import { cupFor, cupSizes, stirringFill, type CupChoice } from './cup.ts'
import { weightRatio, weightShares } from './ratio.ts'

/** What goes in besides the two parts: thickener, accelerator, metal powder, tint. */
export interface Extra {
  id: string
  name: string
  /** Its weight as a share of A and B together, or of one of them. */
  share: number
  of: 'both' | 'A' | 'B'
  /** kg/m³; volumes add. */
  density: number
  /** Of a tint: the share it may reach. Up to there too much of it is only a deeper colour. */
  most?: number
}

/** Anything mixed from two parts, with what is stirred in. */
export interface Mix {
  ratio: Ratio
  densityA: number
  densityB: number
  nameA: string
  nameB: string
  extras: readonly Extra[]
}

/** How much is wanted: kg or m³ in all, or kg of one part that is weighed already. */
export type Wish =
  | { by: 'mass'; mass: number }
  | { by: 'volume'; volume: number }
  | { by: 'part'; part: 'A' | 'B'; mass: number }

export interface Portion {
  /** 'A', 'B', or the id of an extra. */
  what: string
  name: string
  mass: number
  volume: number
}

export interface Portions {
  portions: Portion[]
  mass: number
  volume: number
  density: number
  cup: CupChoice
}

/**
 * What to put into the cup for a wish, by weight and by volume.
 *
 * @example portionsFor(tenToNine, { by: 'part', part: 'A', mass: 0.006 }).portions[1].mass // 0.0054
 */
export function portionsFor(mix: Mix, wish: Wish, sizes: readonly number[] = cupSizes): Portions {
  const unit = ofResin(mix, 1, sizes)
  const scale =
    wish.by === 'mass'
      ? wish.mass / unit.mass
      : wish.by === 'volume'
        ? wish.volume / unit.volume
        : wish.mass / unit.portions.find(({ what }) => what === wish.part)!.mass
  return ofResin(mix, scale, sizes)
}

/** The portions of `resin` kg of A and B together. */
function ofResin(mix: Mix, resin: number, sizes: readonly number[] = cupSizes): Portions {
  const { a, b } = weightShares(mix.ratio, mix)
  const part = (what: string, name: string, mass: number, density: number): Portion => ({
    what,
    name,
    mass,
    volume: mass / density,
  })
  const base = { both: resin, A: resin * a, B: resin * b }
  const portions = [
    part('A', mix.nameA, base.A, mix.densityA),
    ...mix.extras.map(({ id, name, share, of, density }) =>
      part(id, name, base[of] * share, density),
    ),
    part('B', mix.nameB, base.B, mix.densityB),
  ]
  const mass = portions.reduce((sum, p) => sum + p.mass, 0)
  const volume = portions.reduce((sum, p) => sum + p.volume, 0)
  return { portions, mass, volume, density: mass / volume, cup: cupFor(volume, sizes) }
}

/** What is in the cup of each, kg; what is left out has not been poured yet. */
export type InCup = Readonly<Record<string, number | undefined>>

export interface CupCheck {
  /** How far A for B is off what it should be, as a share; undefined until both are in. */
  error?: number
  /** What to add of each so that all match the most there is of any. */
  add: Portion[]
  /** Tints that are over their share and under their limit: so many times as much as was asked for. */
  deeper: { what: string; name: string; times: number }[]
  /** All together then, kg and m³. */
  mass: number
  volume: number
  /** The cup stirs it without spilling. */
  fits: boolean
}

/**
 * Past the mark: what to add so that everything in the cup matches again, and whether the cup of
 * `cupSize` m³ (to the brim) still stirs it. Nothing is taken out. Once a part is in, a tint asks
 * for more resin only where it is over its limit.
 *
 * @example checkCup(oneToOne, { A: 0.0105, B: 0.01 }, 150e-6).mass // 0.021
 */
export function checkCup(mix: Mix, inCup: InCup, cupSize: number): CupCheck {
  const { a: inA, b: inB } = { a: inCup.A, b: inCup.B }
  const wanted = weightRatio(mix.ratio, mix)
  const error = inA && inB ? inA / inB / wanted - 1 : undefined
  const unit = ofResin(mix, 1)
  const bears = (what: string): number => {
    const { share = 0, most = share } = mix.extras.find(({ id }) => id === what) ?? {}
    return (inA || inB) && share > 0 ? Math.max(1, most / share) : 1
  }
  const resin = Math.max(
    0,
    ...unit.portions.map(({ what, mass }) =>
      mass > 0 ? (inCup[what] ?? 0) / (mass * bears(what)) : 0,
    ),
  )
  const then = ofResin(mix, resin).portions.map((portion) => {
    const inIt = inCup[portion.what] ?? 0
    const mass = Math.max(portion.mass, inIt)
    const volume = (portion.volume * mass) / (portion.mass || 1)
    return { ...portion, mass, volume, asked: portion.mass, toAdd: mass - inIt }
  })
  const volume = then.reduce((sum, one) => sum + one.volume, 0)
  return {
    error,
    add: then
      .filter(({ toAdd }) => toAdd > resin * negligible)
      .map(({ what, name, mass, volume: all, toAdd }) => ({
        what,
        name,
        mass: toAdd,
        volume: (all * toAdd) / mass,
      })),
    deeper: then
      .filter(({ mass, asked }) => asked > 0 && mass - asked > resin * negligible)
      .map(({ what, name, mass, asked }) => ({ what, name, times: mass / asked })),
    mass: then.reduce((sum, { mass }) => sum + mass, 0),
    volume,
    fits: volume <= cupSize * stirringFill * (1 + negligible),
  }
}

/** Less than this share of the batch is nothing. */
const negligible = 1e-6

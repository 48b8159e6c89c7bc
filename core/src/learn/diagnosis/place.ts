import type { Pin } from '../../work/pull/index.ts'
import type { FaultPlace } from './finding.ts'

type Point = readonly number[]

/** What is known of the piece where a fault is pinned. */
export interface FaultSurroundings {
  /** Way up as it was poured, of any length. */
  up: Point
  /** Of its lowest and its highest point along up, m. */
  lowest: number
  height: number
  /** Air that is shut in by the geometry, where it was followed; volumes in m³. */
  pockets?: readonly { top: Point; volume: number; flat: number }[]
  openings: readonly { what: 'gate' | 'vent'; at: Point }[]
  prefills: readonly { at: Point }[]
  /** How deep the pin lies under the skin, m. */
  under?: number
  things?: readonly { at: Point }[]
}

/** A fault so near to something belongs to it, m (common practice, no source). */
const near = { pocket: 0.008, vent: 0.006, prefill: 0.006, gate: 0.012, thing: 0.006, skin: 0.0012 }
/** The upper part of a cast, as a share of its height. */
const upperPart = 0.7
/** A pocket that is this many times wider than high lies under a ceiling. */
const flatPocket = 4
/** From so many pins on a fault is all over. */
const many = 3

const distance = (a: Point, b: Point) => Math.hypot(a[0] - b[0], a[1] - b[1], a[2] - b[2])
const nearAny = (all: readonly { at: Point }[], at: Point, within: number) =>
  all.some((one) => distance(one.at, at) <= within)

/**
 * Where a pinned fault lies as a caster would say it: near which opening, under which ceiling, on
 * which side. What can't be told from the geometry is left out.
 */
export function pinPlace(
  pin: Pick<Pin, 'fault' | 'size'> & { at: Point },
  pins: readonly Pick<Pin, 'fault'>[],
  around: FaultSurroundings,
): FaultPlace {
  const { up, lowest, height, pockets, openings, prefills, under, things } = around
  const length = Math.hypot(up[0], up[1], up[2])
  const along = (pin.at[0] * up[0] + pin.at[1] * up[1] + pin.at[2] * up[2]) / length
  const share = height > 0 ? (along - lowest) / height : 0
  const reach = pin.size / 2
  const pocket = pockets
    ?.map((one) => ({ ...one, far: distance(one.top, pin.at) }))
    .toSorted((a, b) => a.far - b.far)
    .find(({ far }) => far <= near.pocket + reach)
  const of = (what: 'gate' | 'vent') => openings.filter((one) => one.what === what)
  const place: FaultPlace = {
    upper: share >= upperPart,
    port: openings.length > 0 ? nearAny(of('gate'), pin.at, near.gate + reach) : undefined,
    vent: nearAny(of('vent'), pin.at, near.vent + reach),
    prefill: nearAny(prefills, pin.at, near.prefill + reach),
    spread: pins.filter(({ fault }) => fault === pin.fault).length >= many,
  }
  if (pockets) {
    place.trapped = pocket !== undefined
    place.ceiling = pocket !== undefined && pocket.flat >= flatPocket
  }
  if (under !== undefined) place.skin = under <= near.skin
  if (things) place.thing = nearAny(things, pin.at, near.thing + reach)
  if (pin.fault === 'void at a tip') place.tip = !place.ceiling
  if (pin.fault === 'seam step or flash') place.seam = true
  return place
}

/** Thinner than this no pocket is taken for, m. */
const thinnest = 1e-4

/**
 * How many times wider than high a pocket is, from its volume, m³, and height, m.
 *
 * @example flatnessOf(1e-6, 0.01) // 1
 */
export function flatnessOf(volume: number, height: number): number {
  const high = Math.max(height, thinnest)
  return Math.sqrt(volume / high) / high
}

import type { Section } from '../../form/filling/index.ts'
import { fromAxes } from '../../form/mesh/index.ts'
import type { Arranged } from '../../matter/inclusion/index.ts'
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
  /** From corner to corner of its box, m. */
  size: number
  /** Air that is shut in by the geometry, where it was followed; volumes in m³. */
  pockets?: readonly { top: Point; volume: number; flat: number }[]
  openings: readonly { what: 'gate' | 'vent'; at: Point }[]
  prefills: readonly { at: Point }[]
  /** How deep the pin lies under the skin, m. */
  under?: number
  /** Their middles, and how far they reach from there, m. */
  things?: readonly { at: Point; reach: number }[]
}

/** A fault so near to something belongs to it, m (common practice, no source). */
const near = { pocket: 0.008, vent: 0.006, prefill: 0.006, gate: 0.012, thing: 0.006, skin: 0.0012 }
/** The upper part of a cast, as a share of its height. */
const upperPart = 0.7
/** A pocket that is this many times wider than high lies under a ceiling. */
const flatPocket = 4
/** From so many pins on a fault may be all over: where they reach over these shares of its height and of its size. */
const allOver = { pins: 3, height: 0.5, size: 0.5 }

const distance = (a: Point, b: Point) => Math.hypot(a[0] - b[0], a[1] - b[1], a[2] - b[2])
const nearAny = (all: readonly { at: Point }[], at: Point, within: number) =>
  all.some((one) => distance(one.at, at) <= within)

/**
 * Where a pinned fault lies as a caster would say it: near which opening, under which ceiling, on
 * which side. What can't be told from the geometry is left out.
 */
export function pinPlace(
  pin: Pick<Pin, 'fault' | 'size'> & { at: Point },
  pins: readonly (Pick<Pin, 'fault'> & { at: Point })[],
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
    spread: isAllOver(
      pins.flatMap(({ fault, at }) => (fault === pin.fault ? [at] : [])),
      around,
    ),
  }
  if (pockets) {
    place.trapped = pocket !== undefined
    place.ceiling = pocket !== undefined && pocket.flat >= flatPocket
  }
  if (under !== undefined) place.skin = under <= near.skin
  if (things) {
    place.thing = things.some((one) => distance(one.at, pin.at) <= near.thing + reach + one.reach)
  }
  if (pin.fault === 'void at a tip') place.tip = !place.ceiling
  if (pin.fault === 'seam step or flash') place.seam = true
  return place
}

/** Pins on one face or around one thing are at one place, however many: all over goes through the height and across. */
function isAllOver(
  pins: readonly Point[],
  { up, height, size }: Pick<FaultSurroundings, 'up' | 'height' | 'size'>,
): boolean {
  if (pins.length < allOver.pins) return false
  const length = Math.hypot(up[0], up[1], up[2])
  const span = (of: (at: Point) => number) => Math.max(...pins.map(of)) - Math.min(...pins.map(of))
  const along = span((at) => (at[0] * up[0] + at[1] * up[1] + at[2] * up[2]) / length)
  const across = Math.hypot(...[0, 1, 2].map((k) => span((at) => at[k])))
  return along >= allOver.height * height && across >= allOver.size * size
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

/**
 * Things that are set in as a fault may lie around them: their middles in the piece, and their reach.
 *
 * @example thingsIn([], { axes: axesFor([0, 0, 1]), origin: [0, 0, 0] }) // []
 */
export const thingsIn = (
  things: readonly Pick<Arranged, 'size' | 'floor' | 'places'>[],
  { axes, origin: [right, away, low] }: Pick<Section, 'axes' | 'origin'>,
): { at: Point; reach: number }[] =>
  things.flatMap(({ size, floor, places }) =>
    places.map(({ x, y, up = 0, size: share = 1 }) => ({
      at: fromAxes(axes, [right + x, away + y, low + floor + up + (share * size.thickness) / 2]),
      reach: (share * size.across) / 2,
    })),
  )

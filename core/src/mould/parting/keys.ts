import { boundsOfLoop, insideLoop, type Loop } from '../../form/shape/index.ts'
import { nearestOnOutline } from '../../form/filling/index.ts'
import { axesFor, fromAxes, type Vec3 } from '../../form/mesh/index.ts'
import type { BuiltBox } from '../box/box.ts'
import type { MouldGeometry } from '../geometry.ts'
import { partingHeights } from './heights.ts'
import type { Mould } from '../mould.ts'

/** A dent in the bed that becomes a bump of the first half: so the halves find each other. */
export interface PartingKey {
  /** From the middle of the bounds of all masters, and its height above their lowest point, m. */
  x: number
  y: number
  height: number
  /** Its width, m; it is half as deep. */
  width: number
  /** The one that is longer than the others: the halves close one way only. */
  odd: boolean
}

/** Widths that are tried, widest first; less than the last one holds nothing (common practice, no source), m. */
const widths = [0.01, 0.008, 0.006, 0.005, 0.004, 0.003]
/** From the wall of the box, m (common practice, no source). */
const fromWall = 0.005
/** Between keys, m: soft silicone wants more of them (common practice, no source). */
const apart = { firm: 0.04, soft: 0.03 }
/** Silicone below this hardness is soft, Shore A. */
const softBelow = 20
/** On a slope steeper than this, as rise by run, a half ball no longer draws. */
const steepest = 0.35
/** Fewer than this do not hold two halves in place. */
const fewest = 3
/** Places that are tried lie so far apart, m. */
const step = 0.002
/** The odd one is so many widths long. */
export const oddLength = 2

/**
 * Where keys are pressed into the bed of a mould in two halves: one to two widths from the cavity, at
 * least 5 mm from the wall where there is room, every 30 to 40 mm around the piece, as wide as that
 * allows; one of them odd. Empty where not even three small ones find room.
 *
 * @example partingKeys(mouldOf80x60x40, builtBox, geometryOf60x40x20).every(({ width }) => width <= 0.01) // true
 */
export function partingKeys(
  mould: Pick<Mould, 'kind' | 'parting' | 'climbs'>,
  { plan }: Pick<BuiltBox, 'plan'>,
  geometry: Pick<MouldGeometry, 'parting' | 'climbing' | 'foot'>,
  hardness?: number,
): PartingKey[] {
  const heightAt = partingHeights(mould, geometry)
  const spots = spotsOf(plan, geometry).filter(({ x, y }) => {
    const rise = Math.hypot(
      heightAt(x + step, y) - heightAt(x - step, y),
      heightAt(x, y + step) - heightAt(x, y - step),
    )
    return rise <= steepest * 2 * step
  })
  const between = (hardness ?? softBelow) < softBelow ? apart.soft : apart.firm
  // Smaller keys before keys that come too near to the wall.
  for (const wall of [fromWall, fromWall / 2]) {
    for (const width of widths) {
      const room = spots.filter(
        (spot) =>
          spot.cavity >= 1.5 * width && spot.cavity <= 2.5 * width && spot.wall >= wall + width / 2,
      )
      const chosen = spread(room, between)
      if (chosen.length < fewest) continue
      return chosen.map(({ x, y }, i) => ({
        x,
        y,
        height: heightAt(x, y),
        width,
        odd: i === chosen.length - 1,
      }))
    }
  }
  return []
}

/** Where keys lie in the axes of the first master, m, and how wide they are. */
export function keysInPiece(
  keys: readonly PartingKey[],
  { centre, height: tall, places }: Pick<MouldGeometry['foot'], 'centre' | 'height' | 'places'>,
  up: Vec3,
): { at: Vec3; width: number }[] {
  const axes = axesFor(up)
  const [first, behind] = places[0]
  return keys.map(({ x, y, height, width }) => ({
    at: fromAxes(axes, [
      centre[0] + x - first,
      centre[1] + y - behind,
      centre[2] - tall / 2 + height,
    ]),
    width,
  }))
}

interface Spot {
  x: number
  y: number
  /** To the nearest cavity and to the wall, m. */
  cavity: number
  wall: number
}

function spotsOf(plan: Loop, { climbing, foot }: Pick<MouldGeometry, 'climbing' | 'foot'>): Spot[] {
  const walls = { outlines: [{ points: Float64Array.from(plan), closed: true }] }
  const rim = climbing ? rimOf(climbing) : pairs(foot.one)
  const { low, high } = boundsOfLoop(plan)
  const spots: Spot[] = []
  for (let y = low[1] + step / 2; y < high[1]; y += step) {
    for (let x = low[0] + step / 2; x < high[0]; x += step) {
      if (!insideLoop(plan, x, y) || foot.places.some(([dx, dy]) => within(x - dx, y - dy)))
        continue
      let cavity = Infinity
      for (const [dx, dy] of foot.places) {
        for (const [u, v] of rim) {
          cavity = Math.min(cavity, (x - dx - u) ** 2 + (y - dy - v) ** 2)
        }
      }
      spots.push({ x, y, cavity: Math.sqrt(cavity), wall: nearestOnOutline(walls, x, y)!.far })
    }
  }
  return spots

  function within(x: number, y: number): boolean {
    if (!climbing) return insideLoop(foot.one, x, y)
    const { counts, cell, low, piece } = climbing
    const [i, j] = [Math.floor((x - low[0]) / cell[0]), Math.floor((y - low[1]) / cell[1])]
    return i >= 0 && j >= 0 && i < counts[0] && j < counts[1] && piece[j * counts[0] + i] === 1
  }
}

const pairs = (loop: Loop): [number, number][] =>
  Array.from({ length: loop.length / 2 }, (_, i) => [loop[2 * i], loop[2 * i + 1]])

/** Middles of the columns at the outline of the piece. */
function rimOf({ counts: [width], cell, low, piece }: NonNullable<MouldGeometry['climbing']>) {
  const rim: [number, number][] = []
  piece.forEach((there, at) => {
    if (!there || [-1, 1, -width, width].every((by) => piece[at + by])) return
    const [i, j] = [at % width, Math.floor(at / width)]
    rim.push([low[0] + (i + 0.5) * cell[0], low[1] + (j + 0.5) * cell[1]])
  })
  return rim
}

/** As many as lie so far apart, from the first corner on: farthest points first (Gonzalez 1985). */
function spread(spots: readonly Spot[], between: number): Spot[] {
  if (spots.length === 0) return []
  const chosen = [spots[0]]
  for (;;) {
    const far = (spot: Spot) =>
      Math.min(...chosen.map(({ x, y }) => Math.hypot(spot.x - x, spot.y - y)))
    const next = spots.reduce((best, spot) => (far(spot) > far(best) ? spot : best))
    if (far(next) < between) return chosen
    chosen.push(next)
  }
}

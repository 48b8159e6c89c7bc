import { volumeAt } from '../../form/filling/index.ts'
import type { BuiltBox } from '../box/box.ts'
import { offsetVolume } from '../box/hull.ts'
import { jacketOf } from '../box/jacket.ts'
import type { MouldGeometry } from '../geometry.ts'
import { mouldKinds } from '../kind/kinds.ts'
import type { Mould } from '../mould.ts'
import { climbingOf, meanHeight, partingHeights, partingOf } from '../parting/index.ts'

/** Solid share of a heap of chunks (random loose packing of rough pieces, from memory). */
export const packing = 0.6

/** One brushed coat, m (common practice, no source). */
export const coatThickness = 0.0012

/** The room that silicone fills, m³, before anything is lost on tools. */
export interface SiliconeRoom {
  /** Poured first and second; a mould in one part has no second. */
  first: number
  second: number
  /** Clay of the bed under the parting. */
  clay: number
  /** Height of the parting above the master's lowest point, m; of one that climbs its mean, and between what. */
  parting: number
  climbs?: { from: number; to: number }
  /** Taken up by chunks of old moulds. */
  fillers: number
  net: number
}

/**
 * How much room a kind of mould leaves for silicone around the master: box minus master minus
 * fillers, in two halves where there are two; coats by area and thickness; in a printed shell the
 * hull of the master moved outward by the layer, as the shell itself is built, less the master.
 *
 * @example siliconeRoom(mouldOf80x60x40, builtBox, geometryOf60x40x20).net // 0.000144
 */
export function siliconeRoom(
  mould: Mould,
  box: BuiltBox | undefined,
  geometry: MouldGeometry,
): SiliconeRoom {
  const facts = mouldKinds[mould.kind]
  const parting = partingOf(mould, geometry)
  const none = { first: 0, second: 0, clay: 0, parting, fillers: 0, net: 0 }
  switch (facts.poured) {
    case 'none':
      return none
    case 'coats': {
      const first = geometry.area * coatThickness * mould.coats
      return { ...none, first, net: first }
    }
    case 'shell': {
      const { hull, hulls, curve, support, foot, volume } = geometry
      const cavity = offsetVolume(hull, mould.layer, hulls)
      const { below, above } = jacketOf(support, foot.height, mould.layer, parting)
      const second = below * cavity - volumeAt(curve, parting)
      const net = (below + above) * cavity - volume
      return { ...none, first: net - second, second, clay: second, net }
    }
    case 'block': {
      if (!box) return none
      const rods = mould.openings
        .filter(({ made }) => made === 'cast in')
        .reduce((sum, { bore }) => sum + (Math.PI / 4) * bore * bore * box.over * mould.cavities, 0)
      const fillers = mould.filler * packing
      const whole = box.volumeTo(box.height) - geometry.volume - rods - fillers
      if (facts.parts === 1) return { ...none, first: whole, fillers, net: whole }
      const climbing = climbingOf(mould, geometry)
      if (climbing) {
        const { from, to, below } = climbing
        const mean = meanHeight(partingHeights(mould, geometry), box.plan)
        const second = box.volumeTo(box.under + mean) - below * geometry.foot.places.length
        const halves = { first: whole - second, second, clay: second }
        return { ...none, ...halves, fillers, net: whole, parting: mean, climbs: { from, to } }
      }
      const below = box.volumeTo(box.under + parting) - volumeAt(geometry.curve, parting)
      return { ...none, first: whole - below, second: below, clay: below, fillers, net: whole }
    }
  }
}

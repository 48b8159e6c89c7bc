import { usualWalls, type MouldWalls } from '../matter/cure/index.ts'
import type { Vec3 } from '../form/mesh/index.ts'
import type { Box, Mould } from './mould.ts'

/** Silicone is never reckoned thinner than this, m: what a hand can pour. */
const thinnest = 0.002

/** From this share of straight up on a side counts as up or down: 45°. */
const upright = Math.SQRT1_2

/**
 * Silicone over the master's top, m: the box's clearance, or what a box that is there leaves above
 * a piece of that height.
 *
 * @example overOf({ ...box, over: 0.012, own: undefined }, 0.06) // 0.012
 */
export const overOf = ({ own, under, over }: Box, height: number): number =>
  own ? Math.max(0, own.height - under - height) : over

/**
 * How thick the mould stands around a cast as it is poured, m: by its box, or by its layer where
 * it is brushed or in a shell. What lay on the floor of the box is above where the mould is turned
 * over for the pour, and beside where it lies on its side. Only a closed one covers the cast.
 *
 * @example wallsOf(mouldOf80x60x40, [0, 0, 1], 0.02, 'open') // { floor: 0.008, wall: 0.01 }
 */
export function wallsOf(
  mould: Mould | undefined,
  up: Vec3,
  height: number,
  kind: 'open' | 'closed',
): MouldWalls {
  const { floor, wall, cover } = mould
    ? thicknessOf(mould, up, height)
    : { ...usualWalls, cover: usualWalls.wall }
  return kind === 'closed' ? { floor, wall, cover } : { floor, wall }
}

function thicknessOf(
  { kind, box, layer, masterUp }: Mould,
  up: Vec3,
  height: number,
): Required<MouldWalls> {
  if (kind === 'brushed sock' || kind === 'printed shell') {
    return { floor: layer, wall: layer, cover: layer }
  }
  const least = (thick: number) => Math.max(thinnest, thick)
  const [side, under, over] = [least(box.side), least(box.under), least(overOf(box, height))]
  const along =
    (up[0] * masterUp[0] + up[1] * masterUp[1] + up[2] * masterUp[2]) /
    (Math.hypot(...up) * Math.hypot(...masterUp))
  if (along > upright) return { floor: under, wall: side, cover: over }
  if (along < -upright) return { floor: over, wall: side, cover: under }
  return { floor: side, wall: side, cover: side }
}

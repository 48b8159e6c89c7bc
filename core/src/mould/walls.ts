import { usualWalls, type MouldWalls } from '../cure/index.ts'
import type { Mould } from './mould.ts'

/**
 * How thick the mould stands around a cast, m: by its box, or by its layer where it is brushed
 * or in a shell. Only a closed one covers it.
 *
 * @example wallsOf(mouldInABoxOf10mm, 'open') // { floor: 0.01, wall: 0.01 }
 */
export function wallsOf(mould: Mould | undefined, kind: 'open' | 'closed'): MouldWalls {
  const around = mould && thicknessOf(mould)
  const { floor, wall, cover } = around ?? { ...usualWalls, cover: usualWalls.wall }
  return kind === 'closed' ? { floor, wall, cover } : { floor, wall }
}

function thicknessOf({ kind, box, layer }: Mould): Required<MouldWalls> {
  if (kind === 'brushed sock' || kind === 'printed shell') {
    return { floor: layer, wall: layer, cover: layer }
  }
  const { side, under, over } = box
  const least = (thick: number) => Math.max(0.002, thick)
  // An open block is poured face down: what lay on the floor of its box is its open back.
  return kind === 'open block'
    ? { floor: least(over), wall: least(side), cover: least(under) }
    : { floor: least(under), wall: least(side), cover: least(over) }
}

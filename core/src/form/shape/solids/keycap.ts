import type { Mesh } from '../../mesh/mesh.ts'
import { MeshBuilder, rectangle, regular, turned } from './builder.ts'

const mm = 1e-3

/** One unit of a keyboard's grid, and what stays free between two keys (common practice). */
const pitch = 19.05 * mm
const between = 1 * mm

/** The post and its cross-shaped socket (common practice, no source). */
const post = { radius: 2.75 * mm, sides: 48 }
const socket = { long: 4.1 * mm, wide: 1.25 * mm, deep: 4 * mm }

export interface KeycapSizes {
  /** Width in units of the keyboard's grid. */
  units: number
  height: number
  wall: number
  /** The face is narrower than the skirt by this on each side. */
  taper: number
}

/** Outer sides of the skirt, m. */
export const skirtOf = ({ units }: Pick<KeycapSizes, 'units'>) => ({
  width: units * pitch - between,
  depth: pitch - between,
})

/**
 * A hollow keycap with its post, face down as it is poured: face at 0, open skirt above, the
 * post hanging from the face up to 0.5 mm below the skirt's rim.
 */
export function keycap(sizes: KeycapSizes): Mesh {
  const { height, wall, taper } = sizes
  const { width, depth } = skirtOf(sizes)
  const face = rectangle(width - 2 * taper, depth - 2 * taper)
  const skirt = rectangle(width, depth)
  // The inside follows the outside at one wall's distance.
  const inset = taper * (1 - wall / height) + wall
  const inner = rectangle(width - 2 * inset, depth - 2 * inset)
  const mouth = rectangle(width - 2 * wall, depth - 2 * wall)
  const stem = regular(post.radius, post.sides)
  const cross = crossLoop()
  const rim = height - 0.5 * mm
  const floor = rim - Math.min(socket.deep, rim - wall - 0.5 * mm)
  return new MeshBuilder()
    .cap(face, [], 0, 'down')
    .wall(face, 0, skirt, height)
    .cap(skirt, [mouth], height, 'up')
    .wall(turned(inner), wall, turned(mouth), height)
    .cap(inner, [stem], wall, 'up')
    .wall(stem, wall, stem, rim)
    .cap(stem, [cross], rim, 'up')
    .wall(turned(cross), floor, turned(cross), rim)
    .cap(cross, [], floor, 'up')
    .mesh()
}

/** A plus sign, counter-clockwise. */
function crossLoop(): number[] {
  const [l, w] = [socket.long / 2, socket.wide / 2]
  return [w, -w, l, -w, l, w, w, w, w, l, -w, l, -w, w, -l, w, -l, -w, -w, -w, -w, -l, w, -l]
}

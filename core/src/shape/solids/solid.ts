import { z } from '../../schema/index.ts'
import { quantity, refuse, whole } from '../../document/index.ts'
import type { Mesh } from '../mesh.ts'
import { lathe, type ProfilePoint } from './lathe.ts'

/** Sides of what is round: the polygon misses 0.02 % of the circle's area. */
const roundSides = 192

/** Rings from the rim of a dome to its top. */
const domeRings = 96

const size = () => quantity('length', 0.001, 1)

/**
 * A piece by its sizes, m. It stands as it lies in an open mould: what is at height 0 is
 * poured first and becomes the face.
 */
export const solidSchema = z.discriminatedUnion('solid', [
  z
    .object({
      solid: z.literal('slab'),
      diameter: size(),
      thickness: size(),
      bevel: quantity('length', 0, 0.5),
    })
    .superRefine(({ diameter, thickness, bevel }, context) => {
      const limit = Math.min(thickness, diameter / 2) * 0.95
      if (bevel > limit) refuse(context, ['bevel'], 'bevel-too-large', { bevel, limit })
    }),
  z.object({ solid: z.literal('block'), width: size(), depth: size(), height: size() }),
  z
    .object({ solid: z.literal('dome'), diameter: size(), height: size() })
    .superRefine(({ diameter, height }, context) => {
      const limit = diameter / 2
      if (height > limit * (1 + 1e-9))
        refuse(context, ['height'], 'dome-too-tall', { height, limit })
    }),
  z.object({ solid: z.literal('drop'), width: size(), height: size(), facets: whole(3, 24) }),
])

export type Solid = z.infer<typeof solidSchema>

/** Rings of the faceted drop: share of the half width, share of the height. */
const dropProfile: readonly ProfilePoint[] = [
  [0.4, 0],
  [0.8, 0.1],
  [1, 0.3],
  [0.76, 0.56],
  [0.36, 0.83],
  [0, 1],
]

/**
 * The closed mesh of a solid, in metres.
 *
 * @example measure(buildSolid({ solid: 'block', width: 0.1, depth: 0.1, height: 0.1 })).volume // 0.001
 */
export function buildSolid(solid: Solid): Mesh {
  switch (solid.solid) {
    case 'slab':
      return lathe(slabProfile(solid), roundSides)
    case 'block':
      return block(solid)
    case 'dome':
      return lathe(domeProfile(solid), roundSides)
    case 'drop':
      return lathe(
        dropProfile.map(([r, z]) => [(r * solid.width) / 2, z * solid.height] as const),
        solid.facets,
      )
  }
}

/** The face (below) has the bevel, the open back (above) is square. */
function slabProfile({
  diameter,
  thickness,
  bevel,
}: Extract<Solid, { solid: 'slab' }>): ProfilePoint[] {
  const r = diameter / 2
  const side: ProfilePoint[] = [
    [r, bevel],
    [r, thickness],
  ]
  return bevel > 0 ? [[r - bevel, 0], ...side] : side
}

/** Rounded end down, flat back open at the top: a cap of the sphere through rim and pole. */
function domeProfile({ diameter, height }: Extract<Solid, { solid: 'dome' }>): ProfilePoint[] {
  const rim = diameter / 2
  const radius = (rim * rim + height * height) / (2 * height)
  const angle = Math.asin(Math.min(1, rim / radius))
  return Array.from({ length: domeRings + 1 }, (_, i) => {
    const a = (angle * i) / domeRings
    return [i === 0 ? 0 : radius * Math.sin(a), radius * (1 - Math.cos(a))] as const
  })
}

function block({ width: w, depth: d, height: h }: Extract<Solid, { solid: 'block' }>): Mesh {
  const [x, y] = [w / 2, d / 2]
  const corners = [0, h].flatMap((z) => [-x, -y, z, x, -y, z, x, y, z, -x, y, z])
  const quads = [
    [3, 2, 1, 0],
    [4, 5, 6, 7],
    [0, 1, 5, 4],
    [1, 2, 6, 5],
    [2, 3, 7, 6],
    [3, 0, 4, 7],
  ]
  return {
    positions: Float64Array.from(corners),
    triangles: Uint32Array.from(quads.flatMap(([a, b, c, e]) => [a, b, c, a, c, e])),
  }
}

/** What a solid is called. */
export const solidNames: Record<Solid['solid'], string> = {
  slab: 'Round slab',
  block: 'Block',
  dome: 'Dome',
  drop: 'Faceted drop',
}

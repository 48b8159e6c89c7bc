import { z } from '../../../base/schema/index.ts'
import { quantity, refuse, whole } from '../../../base/document/index.ts'
import type { Mesh } from '../../mesh/mesh.ts'
import { MeshBuilder, regular } from './builder.ts'
import { keycap } from './keycap.ts'
import { lathe, type ProfilePoint } from './lathe.ts'
import { stepCut } from './stepCut.ts'

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
  z
    .object({
      solid: z.literal('hexagon'),
      /** Between opposite sides. */
      width: size(),
      thickness: size(),
      bevel: quantity('length', 0, 0.5),
    })
    .superRefine(({ width, thickness, bevel }, context) => {
      const limit = Math.min(thickness, width / 2) * 0.95
      if (bevel > limit) refuse(context, ['bevel'], 'bevel-too-large', { bevel, limit })
    }),
  z.object({ solid: z.literal('ball'), diameter: size() }),
  z.object({ solid: z.literal('egg'), width: size(), height: size() }),
  z.object({ solid: z.literal('stepCut'), width: size(), depth: size(), height: size() }),
  z
    .object({
      solid: z.literal('keycap'),
      /** Of the keyboard's grid: 1, 1.25, 1.5, 1.75, 2, 2.25. */
      units: z.number().superRefine((units, context) => {
        if (!(units >= 1 && units <= 2.25)) {
          refuse(context, [], 'out-of-range', { kind: 'number', value: units, min: 1, max: 2.25 })
        }
      }),
      height: quantity('length', 0.005, 0.03),
      wall: quantity('length', 0.0005, 0.006),
      taper: quantity('length', 0, 0.004),
    })
    .superRefine(({ wall, height }, context) => {
      const limit = Math.min(height / 3, 0.004)
      if (wall > limit) refuse(context, ['wall'], 'wall-too-thick', { wall, limit })
    }),
  z
    .object({
      solid: z.literal('cup'),
      /** Outer, at the foot and at the rim. */
      foot: size(),
      diameter: size(),
      height: size(),
      wall: quantity('length', 0.0005, 0.1),
    })
    .superRefine(({ foot, diameter, height, wall }, context) => {
      const limit = Math.min(foot / 2, diameter / 2, height) * 0.9
      if (wall > limit) refuse(context, ['wall'], 'wall-too-thick', { wall, limit })
    }),
  z
    .object({
      solid: z.literal('lathe'),
      /** From the bottom up. */
      profile: z
        .array(z.object({ radius: quantity('length', 0, 0.5), height: quantity('length', 0, 1) }))
        .min(2)
        .max(40),
    })
    .superRefine(({ profile }, context) => {
      profile.forEach(({ height, radius }, i) => {
        if (i > 0 && height < profile[i - 1].height) {
          refuse(context, ['profile', i, 'height'], 'profile-falls', {
            height,
            below: profile[i - 1].height,
          })
        }
        const inner = i > 0 && i < profile.length - 1
        if (inner && radius === 0)
          refuse(context, ['profile', i, 'radius'], 'profile-closes', { height })
      })
      const top = profile[profile.length - 1]
      if (!(top.height > profile[0].height) || !profile.some(({ radius }) => radius > 0)) {
        refuse(context, ['profile'], 'profile-flat', {})
      }
    }),
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
    case 'hexagon':
      return hexagon(solid)
    case 'ball':
      return lathe(ellipse(solid.diameter / 2, solid.diameter / 2, solid.diameter / 2), roundSides)
    case 'egg':
      return lathe(
        ellipse(solid.width / 2, eggLow * solid.height, (1 - eggLow) * solid.height),
        roundSides,
      )
    case 'stepCut':
      return stepCut(solid)
    case 'keycap':
      return keycap(solid)
    case 'cup':
      return cup(solid)
    case 'lathe':
      return lathe(
        solid.profile.map(
          ({ radius, height }) => [radius, height - solid.profile[0].height] as const,
        ),
        roundSides,
      )
  }
}

/** The blunt end of an egg is this share of its height from its widest place. */
const eggLow = 0.42

/** Two half ellipses, `low` below the widest place and `high` above it. */
function ellipse(radius: number, low: number, high: number): ProfilePoint[] {
  return Array.from({ length: 2 * domeRings + 1 }, (_, i) => {
    const a = (Math.PI * i) / (2 * domeRings) - Math.PI / 2
    const end = i === 0 || i === 2 * domeRings
    const rise = Math.sin(a) < 0 ? low : high
    return [end ? 0 : radius * Math.cos(a), low + rise * Math.sin(a)] as const
  })
}

/** Six sides, the face (below) with its bevel. */
function hexagon({ width, thickness, bevel }: Extract<Solid, { solid: 'hexagon' }>): Mesh {
  const corner = (across: number) => across / Math.sqrt(3)
  const [face, side] = [regular(corner(width - 2 * bevel), 6), regular(corner(width), 6)]
  const builder = new MeshBuilder().cap(face, [], 0, 'down').cap(side, [], thickness, 'up')
  if (bevel > 0) builder.wall(face, 0, side, bevel)
  return builder.wall(side, bevel, side, thickness).mesh()
}

/** A tapered cup, foot down, open above. */
function cup({ foot, diameter, height, wall }: Extract<Solid, { solid: 'cup' }>): Mesh {
  const at = (z: number) => (foot + ((diameter - foot) * z) / height) / 2
  return lathe(
    [
      [0, 0],
      [foot / 2, 0],
      [diameter / 2, height],
      [diameter / 2 - wall, height],
      [at(wall) - wall, wall],
      [0, wall],
    ],
    roundSides,
  )
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

/** Shapes that moulds are sold for, whatever their size (common practice, no source). */
const soldReady: readonly Solid['solid'][] = ['slab', 'ball', 'dome', 'block']

/**
 * Whether a plain shape like this can be had as a ready mould: coasters, balls, domes, blocks.
 *
 * @example isSoldReady({ solid: 'slab', diameter: 0.1, thickness: 0.008, bevel: 0 }) // true
 */
export const isSoldReady = ({ solid }: Solid): boolean => soldReady.includes(solid)

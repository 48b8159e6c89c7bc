import {
  bestPulls,
  ceilings,
  thinSilicone,
  thinWalls,
  undercuts,
  voxelise,
  type Pull,
  type Thin,
} from '../form/cells/index.ts'
import { fillCurve, type FillCurve } from '../form/filling/index.ts'
import { shellsOf, type Vec3 } from '../form/mesh/index.ts'
import { type Cavity } from '../form/mesh/index.ts'
import { hullOf, type Hull } from './box/hull.ts'
import { supportFunction } from './box/jacket.ts'
import { footprint, type Footprint } from './box/footprint.ts'
import type { ClimbingParting } from './parting/climbing.ts'

/** Silicone thinner than this tears on the first pull; walls thinner stay weak (common practice), m. */
export const tearsBelow = 0.002
export const weakBelow = 0.0012

/** More faces than this and handles are not counted: it would take seconds. */
const mostForGenus = 600_000

/** A place that is thin, without its cells. */
export type ThinPlace = Omit<Thin, 'cells'>

/** What a mould needs to know of a piece as it stands in its box. Plain data. */
export interface MouldGeometry {
  volume: number
  area: number
  foot: Footprint
  /** Of the master, along its up. */
  curve: FillCurve
  /** Silicone blocked by a level parting, m³, row by row from the lowest point; m of a row. */
  blocked: Float64Array
  row: number
  inner: number
  /** Hollows that open only upward, only downward, m³. */
  hollow: { up: number; down: number }
  /** Silicone within its bounding box, m³: what shares of blocked silicone are taken of. */
  around: number
  /** Convex hulls, as one: what a printed shell follows, and how many shells there are. */
  hull: Hull
  hulls: number
  /** Support function of one of them. */
  support: number[]
  /** Only its sides and its volume are known: places in it are a guess. */
  guessed: boolean
  /** A plain shape that is sold as a mould, as far as anyone can tell from its sizes. */
  soldReady: boolean
  parting: { from: number; to: number; blocked: number }
  /** The parting that climbs with its outline, once it was looked for. */
  climbing?: ClimbingParting
  pulls: Pull[]
  /** Holes right through; undefined where they were not counted. */
  handles?: number
  tongues: ThinPlace[]
  walls: ThinPlace[]
  ceiling: number
}

export const geometrySteps = ['undercuts', 'pulls', 'thin-silicone', 'thin-walls'] as const
export type GeometryStep = (typeof geometrySteps)[number]

export interface GeometryOptions {
  /** Hears what is being looked for. */
  onStep?: (step: GeometryStep) => void
  /** It is one of the plain shapes that moulds are sold for. */
  soldReady?: boolean
}

/**
 * What a mould needs to know of a cavity whose master stands with `up` against gravity.
 *
 * Throws `Problem`: not-a-direction, mesh-too-open.
 *
 * @example mouldGeometry(cavityOf(stool), [0, 0, 1]).parting // { from: 0.02, to: 0.024, blocked: 0 }
 */
export function mouldGeometry(
  { mesh, measures, closure, cautions }: Cavity,
  up: Vec3,
  { onStep = () => {}, soldReady = false }: GeometryOptions = {},
): MouldGeometry {
  const foot = footprint(mesh, up)
  const longest = Math.max(foot.width, foot.depth, foot.height)
  onStep('undercuts')
  const rule = closure.flippedEdges > 0 ? 'parity' : 'winding'
  const { blocked, row, inner, hollow, around, best } = undercuts(
    voxelise(mesh, up, { longest: 96, rule }),
  )
  onStep('pulls')
  const pulls = bestPulls(mesh, up)
  onStep('thin-silicone')
  const tongues = thinSilicone(mesh, up, longest, tearsBelow).map(placeOf)
  onStep('thin-walls')
  const walls = thinWalls(mesh, up, longest, weakBelow).map(placeOf)
  return {
    volume: measures.volume,
    area: measures.area,
    foot,
    curve: fillCurve(mesh, up),
    blocked,
    row,
    inner,
    hollow,
    around,
    hull: hullOf(mesh),
    hulls: 1,
    support: supportFunction(mesh, up),
    guessed: cautions.some(({ code }) => code === 'shape-measured'),
    soldReady,
    parting: best,
    pulls,
    handles: handlesOf(mesh),
    tongues,
    walls,
    ceiling: ceilings(mesh, up).area,
  }
}

function handlesOf(mesh: Cavity['mesh']): number | undefined {
  if (mesh.triangles.length / 3 > mostForGenus) return undefined
  const handles = shellsOf(mesh).reduce((sum, { genus }) => sum + genus, 0)
  return Number.isNaN(handles) ? undefined : handles
}

const placeOf = ({ kind, volume, reach, at }: Thin): ThinPlace => ({ kind, volume, reach, at })

/**
 * Blocked silicone as a share of all that stands within the piece's bounding box.
 *
 * @example shareBlocked(1e-6, 4e-6) // 0.25
 */
export const shareBlocked = (blocked: number, around: number): number =>
  around > 0 ? blocked / around : 0

/**
 * What an open block can't give, m³, with whichever end is better on the floor of the box: silicone
 * that is blocked, and hollows at the back, which fill with resin.
 *
 * @example openBlocked(geometryOf60x40x20) // { blocked: 0, hollow: 0 }
 */
export function openBlocked({ blocked, hollow }: Pick<MouldGeometry, 'blocked' | 'hollow'>): {
  blocked: number
  hollow: number
} {
  const down = { blocked: blocked[0], hollow: hollow.down }
  const up = { blocked: blocked[blocked.length - 1], hollow: hollow.up }
  return up.blocked + up.hollow < down.blocked + down.hollow ? up : down
}

/**
 * The same as a share of all that stands within the piece's bounding box.
 *
 * @example openShare(geometryOf60x40x20) // 0
 */
export function openShare(geometry: Pick<MouldGeometry, 'blocked' | 'hollow' | 'around'>): number {
  const { blocked, hollow } = openBlocked(geometry)
  return shareBlocked(blocked + hollow, geometry.around)
}

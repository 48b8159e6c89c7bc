import type { CrossSection, Manifold, ManifoldToplevel } from 'manifold-3d'
import { Problem } from '../../base/problem/index.ts'
import { voxelise, type Grid } from '../../form/cells/index.ts'
import type { Mesh, Vec3 } from '../../form/mesh/index.ts'
import { areaOfLoop, boundsOfLoop, type Loop } from '../../form/shape/index.ts'
import type { Footprint } from '../box/footprint.ts'
import type { PartingHeight } from '../parting/heights.ts'
import { oddLength, type PartingKey } from '../parting/keys.ts'
import { meshOf, mm, standingMaster } from './solidMesh.ts'

/** Columns of the bed along the longer side of its plan. */
const columns = 160
/** So much narrower than its box on each side that it goes in, m. */
const play = 0.00005
/** Nobody cuts less than this out of card, m². */
const splinter = 3e-6
/** Sides of a ball that is a key. */
const roundness = 32

export interface BedOptions {
  /** Floor plan of the box, and the room under the master, m. */
  plan: Loop
  under: number
  foot: Pick<Footprint, 'places' | 'centre' | 'height'>
  keys: readonly PartingKey[]
  /** Thickness of a card that is cut out, m. */
  card: number
}

export interface MouldBed {
  /** Standing along z, its floor at 0, in m. */
  bed: Mesh
  volume: number
  /** Loops of each card from the floor up, m from the middle of the masters' bounds: outer ones counter-clockwise. */
  cards: number[][][]
}

/**
 * The bed in which a master lies up to its parting, as it is modelled in clay, printed, or stacked out of
 * cards: from the floor of the box to the parting, less the master and all that stands over its
 * underside, with its keys as dents. Built with manifold-3d, which is passed in.
 *
 * Throws `Problem('solid-failed')`, mesh-too-open.
 */
export function mouldBed(
  kernel: ManifoldToplevel,
  master: Mesh,
  up: Vec3,
  heightAt: PartingHeight,
  { plan, under, foot, keys, card }: BedOptions,
): MouldBed {
  const used: (Manifold | CrossSection)[] = []
  const keep = <T extends Manifold | CrossSection>(solid: T): T => {
    used.push(solid)
    return solid
  }
  try {
    const grid = voxelise(master, up)
    const underside = undersideOf(grid, foot)
    const top: PartingHeight = (x, y) => under + Math.min(heightAt(x, y), underside(x, y))
    const field = keep(heightField(kernel, plan, top))
    const inside = keep(keep(new kernel.CrossSection([pairsOf(plan)])).offset(-play * mm, 'Miter'))
    const most = field.boundingBox().max[2] + 1
    const boxed = keep(field.intersect(keep(kernel.Manifold.extrude(inside, most))))
    const standing = keep(standingMaster(kernel, master, up, foot, under))
    const masters = foot.places.map(([x, y]) => keep(standing.translate([x * mm, y * mm, 0])))
    const dents = keys.map((key) => keep(keySolid(kernel, key, under)))
    const cut = keep(kernel.Manifold.union([...masters, ...dents]))
    const bed = keep(boxed.subtract(cut))
    if (bed.status() !== 'NoError' || bed.isEmpty()) {
      throw new Problem('solid-failed', { reason: String(bed.status()) })
    }
    const height = bed.boundingBox().max[2]
    const cards = Array.from({ length: Math.ceil(height / (card * mm)) }, (_, k) => {
      const slice = keep(bed.slice(Math.min((k + 0.5) * card * mm, height - 0.01)))
      return slice
        .toPolygons()
        .map((loop) => loop.flatMap(([x, y]) => [x / mm, y / mm]))
        .filter((loop) => Math.abs(areaOfLoop(loop)) > splinter)
    })
    return { bed: meshOf(bed), volume: bed.volume() / mm ** 3, cards }
  } finally {
    for (const solid of used) solid.delete()
  }
}

const pairsOf = (plan: Loop): [number, number][] =>
  Array.from({ length: plan.length / 2 }, (_, i) => [plan[2 * i] * mm, plan[2 * i + 1] * mm])

/**
 * Up to where the bed may stand under a master, m above its lowest point: within the lowest part of it over
 * each place, so that it lifts straight out; anywhere at its outline, where the parting meets it.
 */
function undersideOf(grid: Grid, { places }: Pick<Footprint, 'places'>): PartingHeight {
  const [nx, ny, nz] = grid.counts
  const [dx, dy, row] = grid.cell
  const lies = new Float32Array(nx * ny).fill(Infinity)
  for (let at = 0; at < nx * ny; at++) {
    const start = at * nz
    let from = 0
    while (from < nz && !grid.inside[start + from]) from++
    if (from === nz) continue
    let to = from
    while (to < nz && grid.inside[start + to]) to++
    lies[at] = ((from + to) / 2 - 1) * row
  }
  const open = (at: number) => lies[at] === Infinity
  const rim = lies.map((_, at) => {
    const around = [
      at,
      at - 1,
      at + 1,
      at - nx,
      at + nx,
      at - nx - 1,
      at - nx + 1,
      at + nx - 1,
      at + nx + 1,
    ]
    return around.some((one) => one < 0 || one >= lies.length || open(one)) ? 1 : 0
  })
  const [left, front] = [(-nx * dx) / 2, (-ny * dy) / 2]
  return (x, y) => {
    let least = Infinity
    for (const [px, py] of places) {
      const [i, j] = [Math.floor((x - px - left) / dx), Math.floor((y - py - front) / dy)]
      if (i < 0 || j < 0 || i >= nx || j >= ny || rim[j * nx + i]) continue
      least = Math.min(least, lies[j * nx + i])
    }
    return least
  }
}

/** A solid from the floor up to a height over every place of a plan's bounds, mm. */
function heightField(kernel: ManifoldToplevel, plan: Loop, top: PartingHeight): Manifold {
  const { low, high } = boundsOfLoop(plan)
  const [left, front] = low
  const [width, depth] = [high[0] - left, high[1] - front]
  const step = Math.max(width, depth) / columns
  const [nx, ny] = [width, depth].map((side) => Math.max(1, Math.round(side / step)))
  const layer = (nx + 1) * (ny + 1)
  const positions = new Float32Array(6 * layer)
  const triangles: number[] = []
  for (let j = 0; j <= ny; j++) {
    for (let i = 0; i <= nx; i++) {
      const [x, y] = [left + (i * width) / nx, front + (j * depth) / ny]
      const at = j * (nx + 1) + i
      positions.set([x * mm, y * mm, 0], 3 * at)
      positions.set([x * mm, y * mm, top(x, y) * mm], 3 * (at + layer))
      if (i === nx || j === ny) continue
      const [a, b, c, d] = [at, at + 1, at + nx + 2, at + nx + 1]
      triangles.push(a, c, b, a, d, c)
      triangles.push(a + layer, b + layer, c + layer, a + layer, c + layer, d + layer)
    }
  }
  const wall = (a: number, b: number) => {
    triangles.push(a, b, b + layer, a, b + layer, a + layer)
  }
  for (let i = 0; i < nx; i++) {
    wall(i, i + 1)
    wall(ny * (nx + 1) + i + 1, ny * (nx + 1) + i)
  }
  for (let j = 0; j < ny; j++) {
    wall(j * (nx + 1) + nx, (j + 1) * (nx + 1) + nx)
    wall((j + 1) * (nx + 1), j * (nx + 1))
  }
  return kernel.Manifold.ofMesh(
    new kernel.Mesh({
      numProp: 3,
      vertProperties: positions,
      triVerts: Uint32Array.from(triangles),
    }),
  )
}

/** A key as what is taken out of the bed: a ball whose middle lies on it, the odd one drawn out. */
function keySolid(kernel: ManifoldToplevel, key: PartingKey, under: number): Manifold {
  const { x, y, height, width, odd } = key
  const ball = kernel.Manifold.sphere((width / 2) * mm, roundness)
  const at: [number, number, number] = [x * mm, y * mm, (under + height) * mm]
  const placed = ball.translate(at)
  ball.delete()
  if (!odd) return placed
  // Along its distance from the middle it would meet the piece: across it.
  const far = Math.hypot(x, y) || 1
  const half = ((oddLength - 1) * width * mm) / 2
  const [across, along] = [(-y / far) * half, (x / far) * half]
  const ends = [1, -1].map((way) => placed.translate([way * across, way * along, 0]))
  placed.delete()
  const drawn = kernel.Manifold.hull(ends)
  ends.forEach((end) => end.delete())
  return drawn
}

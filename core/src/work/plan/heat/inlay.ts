import { cellKind, type HeatGrid, type Inlay } from '../../../matter/cure/index.ts'
import { voxelise } from '../../../form/cells/index.ts'
import {
  arrange,
  isMetal,
  isOrganic,
  middleOf,
  thingsMesh,
  type PlanInclusion,
  type SetLayer,
  type ThingSize,
} from '../../../matter/inclusion/index.ts'
import { axesFor, type Mesh, type Vec3 } from '../../../form/mesh/index.ts'

/** W/(m·K) and J/(kg·K): brass, stone and glass, wood (handbook values, from memory). */
const matters = {
  metal: { conductivity: 110, heatCapacity: 380 },
  stone: { conductivity: 2, heatCapacity: 800 },
  organic: { conductivity: 0.15, heatCapacity: 1600 },
} as const

/** What a thing is to heat, by its density. */
export const matterOfThing = (thing: Pick<PlanInclusion, 'density'>) =>
  matters[isMetal(thing) ? 'metal' : isOrganic(thing) ? 'organic' : 'stone']

/** A thing is told by so many samples along its longest side. */
const samplesAlong = 12
/** The same for a thing that is far larger than a cell. */
const finest = 40

/**
 * What is set into a pour, by the cells of its field: every thing where it comes to lie, as the
 * share of each cell that it takes. Undefined where nothing is set in.
 */
export function inlayOf(
  mesh: Mesh,
  up: Vec3,
  grid: HeatGrid,
  set: readonly SetLayer[],
): Inlay | undefined {
  const things = new Map(set.flatMap(({ things: all }) => all.map((one) => [one.id, one])))
  if (things.size === 0) return undefined
  const { edges, kind } = grid
  const inlay: Inlay = {
    share: new Float32Array(kind.length),
    heldHeat: new Float32Array(kind.length),
    conductivity: new Float32Array(kind.length),
  }
  const middle = middleOf(mesh, up)
  for (const { id, size, floor, places } of arrange(mesh, up, set).things) {
    const thing = things.get(id)!
    const { conductivity, heatCapacity } = matterOfThing(thing)
    const samples = samplesOf(size, narrowest(edges))
    for (const place of places) {
      const share = place.size ?? 1
      const volume = ((thing.mass / thing.density) * share ** 3) / (samples.at.length / 3)
      const sides = samples.sides.map((side) => share * side)
      const [c, s] = [Math.cos(place.turn), Math.sin(place.turn)]
      for (let i = 0; i < samples.at.length; i += 3) {
        const [px, py, pz] = [0, 1, 2].map((k) => share * samples.at[i + k])
        const around = cellsAround(grid, sides, [
          middle[0] + place.x + c * px - s * py,
          middle[1] + place.y + s * px + c * py,
          middle[2] + floor + (place.up ?? 0) + pz,
        ])
        for (const { cell, holds, part } of around) {
          if (kind[cell] < cellKind.layer0) continue
          const more = Math.min((part * volume) / holds, 1 - inlay.share[cell])
          inlay.share[cell] += more
          inlay.heldHeat[cell] += more * thing.density * heatCapacity
          inlay.conductivity[cell] += more * conductivity
        }
      }
    }
  }
  for (let i = 0; i < kind.length; i++) {
    if (inlay.share[i] === 0) continue
    inlay.heldHeat[i] /= inlay.share[i]
    inlay.conductivity[i] /= inlay.share[i]
  }
  return inlay
}

/** Boxes that fill a thing, by their middles around the middle of its underside and their sides, m. */
function samplesOf(size: ThingSize, cell: number): { at: Float64Array; sides: Vec3 } {
  const flat: [Vec3, Vec3, Vec3] = [
    [1, 0, 0],
    [0, 1, 0],
    [0, 0, 1],
  ]
  const axes = axesFor(flat[2])
  const mesh = thingsMesh(size, [{ x: 0, y: 0, turn: 0 }], axes, [0, 0, 0], 0)
  const along = Math.min(finest, Math.max(samplesAlong, Math.ceil((2 * size.across) / cell)))
  // A flat thing has one sample through its thickness at least.
  const through = Math.max(1, Math.round((along * size.thickness) / size.across))
  const grid = voxelise(mesh, flat[2], { cells: [along, along, Math.min(along, through)] })
  const found: number[] = []
  const [nx, ny, nz] = grid.counts
  for (let y = 0; y < ny; y++) {
    for (let x = 0; x < nx; x++) {
      for (let z = 0; z < nz; z++) {
        if (grid.inside[(y * nx + x) * nz + z] !== 1) continue
        found.push(
          grid.low[0] + (x + 0.5) * grid.cell[0],
          grid.low[1] + (y + 0.5) * grid.cell[1],
          grid.low[2] + (z + 0.5) * grid.cell[2],
        )
      }
    }
  }
  const at = Float64Array.from(found.length > 0 ? found : [0, 0, size.thickness / 2])
  return { at, sides: grid.cell }
}

const narrowest = (edges: HeatGrid['edges']): number =>
  Math.min(...edges.map((edge) => edge[1 + (edge.length >> 1)] - edge[edge.length >> 1]))

/** The cells that a box around a place along the axes reaches, and the part of it in each. */
function cellsAround({ edges, counts: [nx, ny] }: HeatGrid, sides: readonly number[], at: Vec3) {
  const [xs, ys, zs] = edges.map((edge, axis) => partsAlong(edge, at[axis], sides[axis]))
  return zs.flatMap((z) =>
    ys.flatMap((y) =>
      xs.map((x) => ({
        cell: (z.i * ny + y.i) * nx + x.i,
        holds: x.side * y.side * z.side,
        part: x.part * y.part * z.part,
      })),
    ),
  )
}

/** The same along one axis. */
function partsAlong(edges: Float64Array, middle: number, side: number) {
  const [low, high] = [middle - side / 2, middle + side / 2]
  const parts: { i: number; side: number; part: number }[] = []
  for (let i = Math.max(0, indexIn(edges, low)); i < edges.length - 1 && edges[i] < high; i++) {
    const part = (Math.min(high, edges[i + 1]) - Math.max(low, edges[i])) / side
    if (part > 0) parts.push({ i, side: edges[i + 1] - edges[i], part })
  }
  return parts
}

/** Which cell along one axis; −1 outside. */
function indexIn(edges: Float64Array, at: number): number {
  if (at < edges[0] || at >= edges[edges.length - 1]) return -1
  let [low, high] = [0, edges.length - 1]
  while (high - low > 1) {
    const middle = (low + high) >> 1
    if (edges[middle] <= at) low = middle
    else high = middle
  }
  return low
}

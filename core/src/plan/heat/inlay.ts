import { cellKind, type HeatGrid, type Inlay } from '../../cure/index.ts'
import { voxelise } from '../../cells/index.ts'
import {
  arrange,
  isMetal,
  isOrganic,
  middleOf,
  thingsMesh,
  type PlanInclusion,
  type SetLayer,
  type ThingSize,
} from '../../inclusion/index.ts'
import { axesFor, type Mesh, type Vec3 } from '../../mesh/index.ts'

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
  const { counts, edges, kind } = grid
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
      const volume = ((thing.mass / thing.density) * share ** 3) / (samples.length / 3)
      const [c, s] = [Math.cos(place.turn), Math.sin(place.turn)]
      for (let i = 0; i < samples.length; i += 3) {
        const [px, py, pz] = [share * samples[i], share * samples[i + 1], share * samples[i + 2]]
        const at = cellAt(edges, counts, [
          middle[0] + place.x + c * px - s * py,
          middle[1] + place.y + s * px + c * py,
          middle[2] + floor + (place.up ?? 0) + pz,
        ])
        if (at === undefined || kind[at.cell] < cellKind.layer0) continue
        const more = Math.min(volume / at.volume, 1 - inlay.share[at.cell])
        inlay.share[at.cell] += more
        inlay.heldHeat[at.cell] += more * thing.density * heatCapacity
        inlay.conductivity[at.cell] += more * conductivity
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

/** Points within a thing, around the middle of its underside, each standing for as much of it. */
function samplesOf(size: ThingSize, cell: number): Float64Array {
  const flat: [Vec3, Vec3, Vec3] = [
    [1, 0, 0],
    [0, 1, 0],
    [0, 0, 1],
  ]
  const axes = axesFor(flat[2])
  const mesh = thingsMesh(size, [{ x: 0, y: 0, turn: 0 }], axes, [0, 0, 0], 0)
  const along = Math.min(finest, Math.max(samplesAlong, Math.ceil((4 * size.across) / cell)))
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
  return Float64Array.from(found.length > 0 ? found : [0, 0, size.thickness / 2])
}

const narrowest = (edges: HeatGrid['edges']): number =>
  Math.min(...edges.map((edge) => edge[1 + (edge.length >> 1)] - edge[edge.length >> 1]))

/** The cell that a place along the axes lies in, and how large it is. */
function cellAt(edges: HeatGrid['edges'], [nx, ny]: readonly number[], at: Vec3) {
  const n = [0, 1, 2].map((axis) => indexIn(edges[axis], at[axis]))
  if (n.includes(-1)) return undefined
  const volume = n.reduce((whole, i, axis) => whole * (edges[axis][i + 1] - edges[axis][i]), 1)
  return { cell: (n[2] * ny + n[1]) * nx + n[0], volume }
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

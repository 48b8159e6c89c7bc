import { cellVolume, fibonacciCap, middleOf, voxelise } from '../cells/index.ts'
import { clustered, dot, fromAxes, type Mesh, type Vec3 } from '../mesh/index.ts'
import { filmShares } from './pools.ts'
import { refined } from './refined.ts'
import { cornersOf, halfWidths, cornerAt } from './corners.ts'

/** How thick a turned wall comes out, over the cavity. Plain data; lengths in m. */
export interface WallMap {
  positions: Float32Array<ArrayBuffer>
  triangles: Uint32Array<ArrayBuffer>
  /** At each corner of the surface; infinite where two walls meet and fill it, NaN where nothing is cast. */
  thickness: Float32Array<ArrayBuffer>
  thinnest: { thickness: number; at: Vec3 }
  /** What is thin, m; of what is cast, the surface that is thinner, and what fills. */
  thin: number
  under: number
  solid: number
}

/** How a wall is cast, as far as its evenness asks. */
export interface TurnedWall {
  /** On average, m. */
  wall: number
  /** Of all its shots, m³. */
  volume: number
  shots: number
  /** How often it is laid on another side while each portion of a film is laid. */
  visits: readonly number[]
  /** The level top stands open: it is never leant so far that it would run out. */
  mouth?: boolean
  /** Solid up to here, above the lowest point, m. */
  bottom?: number
  /** What is thinner is told, m. */
  thin: number
}

/** Ways that a mould is held while it turns. */
const allWays = 200
/** An open block is leant so far at most, rad. */
const leant = (75 * Math.PI) / 180
/** Cells and edges of faces along the longest side. */
const cells = 32
const edges = 20
const mostFaces = 8000
/** A place whose wall meets the one across from it is solid, up to this share. */
const meets = 0.99

/**
 * How evenly a mould that is turned over all directions is lined, for 200 of them, spread evenly: what
 * stands out is wet most often and carries most of the film, so corners come out thicker than faces, and
 * what few ways wet comes out thin; a ball comes out even. The mean is the wall that was wished; where two
 * walls meet they fill what is between them. Left out: surface tension, the path of real hands, how a
 * film levels itself once it is laid, necks that cut a pool off. Fewer `ways` are a first picture.
 *
 * Throws `Problem` as `voxelise` does.
 *
 * @example wallMap(buildSolid({ solid: 'ball', diameter: 0.04 }), [0, 0, 1], { wall: 0.003, volume: 1.28e-5, shots: 1, visits: [9, 9, 9, 9], thin: 0.002 }).under // 0
 */
export function wallMap(
  mesh: Mesh,
  up: Vec3,
  turned: TurnedWall,
  { ways = allWays } = {},
): WallMap {
  const { wall, volume, shots, visits, mouth = false, bottom = 0, thin } = turned
  const grid = voxelise(mesh, up, { longest: cells, rim: 1 })
  const height = (at: Vec3) => dot(at, grid.axes.up) - (grid.low[2] + grid.cell[2])
  const top = (grid.counts[2] - 2) * grid.cell[2]
  const longest = Math.max(...grid.counts.map((count, k) => (count - 2) * grid.cell[k]))
  const surface = refined(clustered(mesh, mostFaces), longest / edges)
  const { areas, normals } = cornersOf(surface)
  const half = halfWidths(surface, normals)
  const at = Array.from(areas, (_, i) => cornerAt(surface, i))
  const isCast = (i: number) =>
    height(at[i]) >= bottom &&
    !(mouth && dot(normals[i], grid.axes.up) > level && height(at[i]) > top - grid.cell[2] / 2)
  const cast = [...at.keys()].filter(isCast)
  const room = [...grid.inside.keys()].flatMap((cell) => {
    if (grid.inside[cell] !== 1) return []
    const middle = middleOf(grid, cell)
    return height(middle) >= bottom ? middle : []
  })
  const most = mouth ? leant : Math.PI
  const shares = filmShares({
    places: Float64Array.from(cast.flatMap((i) => at[i])),
    room: Float64Array.from(room),
    ways: fibonacciCap(ways, most).map((way) => fromAxes(grid.axes, way)),
    // A cap's area by Archimedes, shared by all ways.
    sweep: Math.sqrt((2 * Math.PI * (1 - Math.cos(most))) / ways),
    share: Math.min(1, volume / shots / ((room.length / 3) * cellVolume(grid))),
    visits,
  })
  const walls = scaled(
    cast.map((i, k) => ({ share: shares[k], half: half[i], area: areas[i] })),
    wall,
  )
  const thickness = new Float32Array(areas.length).fill(NaN)
  cast.forEach((i, k) => (thickness[i] = walls[k] >= meets * half[i] ? Infinity : walls[k]))
  const isSolid = (i: number) => thickness[i] === Infinity
  const share = (which: (i: number) => boolean) => {
    const sum = (of: readonly number[]) => of.reduce((all, i) => all + areas[i], 0)
    return cast.length > 0 ? sum(cast.filter(which)) / sum(cast) : 0
  }
  const open = cast.filter((i) => !isSolid(i))
  const thinnest = open.reduce((least, i) => (thickness[i] < thickness[least] ? i : least), open[0])
  return {
    ...surface,
    thickness,
    thinnest:
      thinnest === undefined
        ? { thickness: wall, at: at[0] }
        : { thickness: thickness[thinnest], at: at[thinnest] },
    thin,
    under: share((i) => thickness[i] < thin),
    solid: share(isSolid),
  }
}

/** A way out as upright as this belongs to the mouth. */
const level = 0.99

/**
 * Walls by their shares of the film, of the mean that they would have if even. Where two even walls meet
 * they fill what is between them; no wall is thicker than its half width.
 */
function scaled(
  places: readonly { share: number; half: number; area: number }[],
  wall: number,
): number[] {
  const open = places.filter(({ half }) => half > wall)
  const sum = (of: (place: (typeof places)[number]) => number) =>
    open.reduce((all, place) => all + place.area * of(place), 0)
  const wanted = sum(() => wall)
  let [low, high] = [0, mostUneven * wall]
  // Bisection: the mean rises with the scale.
  for (let i = 0; i < 50; i++) {
    const scale = (low + high) / 2
    if (sum(({ share, half }) => Math.min(scale * share, half)) < wanted) low = scale
    else high = scale
  }
  return places.map(({ share, half }) => (half > wall ? Math.min(high * share, half) : half))
}

/** Times the mean: no place carries more. */
const mostUneven = 1e4

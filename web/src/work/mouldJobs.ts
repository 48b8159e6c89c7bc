import { caution, type Caution } from '@mivro/core/caution'
import type { Form } from '@mivro/core/piece'
import { mouldGeometry, type GeometryStep, type MouldGeometry } from '@mivro/core/mould'
import {
  airPockets,
  bestTilts,
  cellsInside,
  cellVolume,
  ceilings,
  highestPlace,
  middleOf,
  pocketsOnSection,
  prefilledBy,
  section,
  siliconeAir,
  voxelise,
  type AirPocket,
  type AirSlab,
  type Cavity,
  type Ceilings,
  type Grid,
  type Opening,
  type Tilt,
  type Vec3,
} from '@mivro/core/shape'

/** Which piece, how it is held, and where liquid and air pass. */
export interface AirQuestion {
  form: Form
  up: Vec3
  turn: number
  /** Resin poured into the mould, or silicone poured over the master. */
  of: 'resin' | 'silicone'
  openings: readonly Opening[]
  prefills: readonly Vec3[]
}

/** One pocket as a screen shows it. */
export interface ShownPocket extends Omit<AirPocket, 'cells'> {
  slabs: AirSlab[]
  /** Places in it, for the 3-D view: x, y, z of cells in the piece's axes. */
  places: Float32Array
  /** It is filled beforehand by a dab. */
  prefilled: boolean
}

export interface AirAnswer {
  pockets: ShownPocket[]
  ceilings: Ceilings
  /** Where it is filled from when there is no gate yet. */
  highest: Vec3
  /** Cells against the surface's own volume: far from 1 when parts are thinner than a cell. */
  seen: number
  cell: number
  /** Parts of the file lie within one another. */
  overlap?: Caution
}

/** Parts that fill less than this share of their sum lie within one another. */
const lessWhole = 0.97

/** Cells drawn of one pocket in 3-D. */
const mostPlaces = 6000

type Cavities = (form: Form) => Promise<Cavity>

let kept: { key: string; grid: Grid } | undefined

/** The piece in cells; kept while only openings move. */
function gridOf(form: Form, up: Vec3, cavity: Cavity): Grid {
  const key = JSON.stringify([form, up])
  if (kept?.key !== key) {
    const rule = cavity.closure.flippedEdges > 0 ? 'parity' : 'winding'
    kept = { key, grid: voxelise(cavity.mesh, up, { rule }) }
  }
  return kept.grid
}

/** Where air stays. Throws `Problem` as `airPockets` does. */
export async function findAir(question: AirQuestion, cavities: Cavities): Promise<AirAnswer> {
  const { form, up, turn, of, openings, prefills } = question
  const cavity = await cavities(form)
  const { mesh, measures } = cavity
  const resin = gridOf(form, up, cavity)
  const filling = openings.length > 0 ? openings : [{ at: highestPlace(resin), bore: 0.002 }]
  const { grid, pockets } =
    of === 'silicone'
      ? siliconeAir(mesh, up)
      : { grid: resin, pockets: airPockets(mesh, resin, filling) }
  const slabs = pocketsOnSection(grid, pockets, section(mesh, up, turn))
  const filled = cellsInside(resin) * cellVolume(resin)
  const parts = cavity.cautions.some(({ code }) => code === 'mesh-parts')
  const overlapping = parts && filled < lessWhole * measures.volume
  const dabs = prefilledBy(grid, pockets, of === 'resin' ? prefills : [])
  return {
    pockets: pockets.map(({ cells, ...pocket }, i) => ({
      ...pocket,
      slabs: slabs[i],
      places: placesOf(grid, cells),
      prefilled: dabs[i] !== undefined,
    })),
    ceilings: ceilings(mesh, up),
    highest: highestPlace(resin),
    seen: filled / measures.volume,
    overlap: overlapping
      ? caution('mesh-overlap', 'warn', {}, { counted: measures.volume, filled })
      : undefined,
    cell: Math.max(...resin.cell),
  }
}

/** The middles of the cells at the pocket's own surface. */
function placesOf(grid: Grid, cells: Uint32Array): Float32Array {
  const held = new Set(cells)
  const [nx, , nz] = grid.counts
  const beside = [1, -1, nz, -nz, nx * nz, -nx * nz]
  const skin = cells.filter((cell) => beside.some((step) => !held.has(cell + step)))
  const step = Math.max(1, Math.ceil(skin.length / mostPlaces))
  const places: number[] = []
  for (let i = 0; i < skin.length; i += step) places.push(...middleOf(grid, skin[i]))
  return Float32Array.from(places)
}

export interface TiltQuestion {
  form: Form
  up: Vec3
  gate?: Opening
}

export async function findTilts(
  { form, up, gate }: TiltQuestion,
  cavities: Cavities,
  onProgress: (share: number) => void,
): Promise<Tilt[]> {
  const { mesh } = await cavities(form)
  return bestTilts(mesh, up, gate, { onProgress }).slice(0, 5)
}

export interface GeometryQuestion {
  form: Form
  up: Vec3
}

export async function surveyMould(
  { form, up }: GeometryQuestion,
  cavities: Cavities,
  onStep: (step: GeometryStep) => void,
): Promise<MouldGeometry> {
  return mouldGeometry(await cavities(form), up, onStep)
}

import type { AirTools, PouredSilicone, Way } from '@mivro/core/matter/air'
import { deepestPour, layerThickening, potLifeCurve, type Batch } from '@mivro/core/matter/cure'
import type { OnHand, SolvedRecipe, Wish } from '@mivro/core/matter/colour'
import type { Look } from '@mivro/core/matter/light'
import type { Material, Resin } from '@mivro/core/matter/material'
import {
  seatsOf,
  type BedOptions,
  type ClimbingOptions,
  type CutBlock,
  type Mould,
  type MouldGeometry,
  type MouldOpening,
} from '@mivro/core/mould'
import type { Form } from '@mivro/core/form/piece'
import type { BubbleLayer, Plan, PouredInto, PourHeatQuestion } from '@mivro/core/work/plan'
import {
  airCells,
  bestTilts,
  findAir,
  type AirQuestion,
  type Grid,
  type Opening,
} from '@mivro/core/form/cells'
import { wallJobs } from './wallJobs.ts'
import {
  clustered,
  fileUnits,
  readMeshFile,
  scaleInPlace,
  openRims,
  suggestUnit,
  triangleCount,
  weld,
  writeStl,
  type FileUnit,
  type Mesh,
  type MeshFileKind,
  type UnitSuggestion,
  type Vec3,
} from '@mivro/core/form/mesh'
import { fillCurve, section } from '@mivro/core/form/filling'
import { arrange, floating, solidFrom, type SetLayer } from '@mivro/core/matter/inclusion'
import { mixDensity } from '@mivro/core/matter/mix'
import {
  isSoldReady,
  loopsOfPaths,
  tidyLoops,
  type DrawnPath,
  type TidyLoops,
} from '@mivro/core/form/shape'
import { type Cavity } from '@mivro/core/form/mesh'
import { bytesOfFile } from './cavities.ts'
import { cureTimes, lawOf } from './laws.ts'
import { solidKernel } from './solidKernel.ts'
import {
  surveyShape,
  type ShapeAsItLies,
  type SeatsQuestion,
  type SurveyQuestion,
} from '@mivro/core/work/project'

export interface BubblesAtQuestion extends BubblesQuestion {
  way: Way | 'own'
  /** s since mixing. */
  at: number
}

export interface SiliconeAirQuestion {
  poured: PouredSilicone
  done: { vacuum?: number; pressure?: number }
}

/** What a job is given besides its question. */
export interface JobContext {
  /** The cavity of a form; steps of reading it are told as progress. */
  cavity: (form: Form) => Promise<Cavity>
  /** The file that the question is about and that is not uploaded yet. */
  file: Blob | undefined
  /** A share, or a step in words. */
  tell: (progress: number | string) => void
}

export interface FileReport {
  kind: MeshFileKind
  triangles: number
  suggestion: UnitSuggestion
  /** The unit that the file itself names. */
  named?: FileUnit
}

/** A surface to be drawn in 3D; `rims` are the segments around its holes, where it has any. */
export interface DrawnMesh extends Mesh {
  rims?: Float32Array<ArrayBuffer>
  /** Red, green and blue at each corner, 0 to 1; absent: all of one colour. */
  colours?: Float32Array<ArrayBuffer>
}

/** Triangles drawn in 3D; the page has to sort them for pointing. */
const mostDrawn = 60_000

/** The piece in cells; kept while only openings move. */
let cells: { cavity: Cavity; up: string; grid: Grid } | undefined

function cellsOf(cavity: Cavity, up: Vec3): Grid {
  const key = JSON.stringify(up)
  if (cells?.cavity !== cavity || cells.up !== key) {
    cells = { cavity, up: key, grid: airCells(cavity, up) }
  }
  return cells.grid
}

/**
 * What can be asked of a worker, by name: thin adapters around core. Each hands its arrays over,
 * so none may be kept here.
 */
export const handlers = {
  /** Looks at a file: how many triangles, which unit it names or probably means. */
  async inspect(_: { mesh: string }, { file }: JobContext): Promise<FileReport> {
    const { mesh, kind, unit } = await readMeshFile(await bytesOfFile(file!))
    const welded = weld(mesh)
    const suggestion = suggestUnit(welded)
    if (unit) scaleInPlace(welded, fileUnits[unit])
    return { kind, triangles: triangleCount(mesh), suggestion, named: unit }
  },

  /** Loops that neither cross nor touch from the paths of a drawing. */
  outline: ({ paths, unit }: { paths: DrawnPath[]; unit: number }): Promise<TidyLoops> =>
    tidyLoops(loopsOfPaths(paths, unit), solidKernel),

  async shape({ form, up }: ShapeAsItLies, { cavity, tell }: JobContext) {
    const found = await cavity(form)
    tell('measure')
    return surveyShape(found, up)
  },

  async section({ form, up, turn }: SurveyQuestion, { cavity }: JobContext) {
    return section((await cavity(form)).mesh, up, turn)
  },

  async surface(form: Form, { cavity }: JobContext): Promise<DrawnMesh> {
    const { mesh, closure } = await cavity(form)
    const { positions, triangles } = clustered(mesh, mostDrawn)
    return {
      positions: Float32Array.from(positions),
      triangles: triangles.slice(),
      ...(closure.openEdges > 0 && { rims: openRims(mesh) }),
    }
  },

  async air({ form, ...question }: AirQuestion & { form: Form }, { cavity }: JobContext) {
    const found = await cavity(form)
    return findAir(found, question, cellsOf(found, question.up))
  },

  async tilts(
    { form, up, gate }: ShapeAsItLies & { gate?: Opening },
    { cavity, tell }: JobContext,
  ) {
    const { mesh } = await cavity(form)
    return bestTilts(mesh, up, gate, { onProgress: tell }).slice(0, 5)
  },

  ...wallJobs,

  /** How gates and vents sit on the piece. */
  async seats({ form, up, openings }: SeatsQuestion, { cavity }: JobContext) {
    return seatsOf((await cavity(form)).mesh, up, openings)
  },

  async geometry({ form, up }: ShapeAsItLies, { cavity, tell }: JobContext) {
    const soldReady = form.from === 'sizes' && isSoldReady(form.solid)
    const { mouldGeometry } = await import('./hulls.ts')
    return mouldGeometry(await cavity(form), up, { onStep: tell, soldReady })
  },

  /** The parting that climbs with the outline of the piece. */
  async parting({ form, up, ...options }: PartingQuestion, { cavity }: JobContext) {
    const { findClimbing } = await import('./hulls.ts')
    return findClimbing(await cavity(form), up, options)
  },

  times: async (batches: Batch[]) => cureTimes(batches),

  law: async (resin: Resin) => lawOf(resin),

  curve: async (resin: Resin) => potLifeCurve(resin),

  deepest: async ({ batch, limit, thick }: { batch: Batch; limit: number; thick?: number }) =>
    deepestPour(lawOf(batch.resin), batch, limit, thick),

  /** Where everything that is set in lies. */
  async arrange({ form, up, layers }: ArrangeQuestion, { cavity }: JobContext) {
    return arrange((await cavity(form)).mesh, up, layers)
  },

  /** How flakes of tints move while their layer is liquid. */
  floating: async ({ placed, tints, ...layer }: FloatingQuestion) =>
    floating(thickeningOf(layer), densityOf(layer), placed, tints),

  /** Where the bubbles of each layer end, by each way against them. */
  async bubbles({ layers, tools }: BubblesQuestion) {
    const { compareWays } = await import('./airAndHeat.ts')
    return layers.map(({ id, name, batch, gel, opaque, layer }) => {
      const thickening = thickeningOf({ batch, gel })
      const { poursUntil, hardAt } = layer
      const marks = { poursUntil, hardAt, gel }
      const results = compareWays({ ...layer, thickening }, tools)
      return { id, name, opaque, ...marks, results }
    })
  },

  /** The bubbles that are there at a moment. */
  async bubblesAt({ layers, tools, way, at }: BubblesAtQuestion) {
    const { bubblesAt } = await import('./airAndHeat.ts')
    return layers.map(({ id, batch, gel, layer }) => {
      const thickening = thickeningOf({ batch, gel })
      return { id, stay: bubblesAt(way, { ...layer, thickening }, tools, at) }
    })
  },

  /** The air that a silicone keeps around its master. */
  async siliconeAir({ poured, done }: SiliconeAirQuestion) {
    const { siliconeAir } = await import('./airAndHeat.ts')
    return siliconeAir(poured, done)
  },

  /** The form of a thing that is set in, from a mesh file. */
  thing: async ({ form }: { form: Form }, { cavity }: JobContext) =>
    solidFrom((await cavity(form)).mesh),

  /** Pixels of the finished piece. */
  async look({ form, look }: { form: Form; look: Look }, { cavity }: JobContext) {
    const { pixelsOf } = await import('./looks.ts')
    return pixelsOf(await cavity(form), look)
  },

  /** Doses of the tints on hand for a wished colour. */
  async tints({ wish, onHand }: { wish: Wish; onHand: readonly OnHand[] }): Promise<SolvedRecipe> {
    const { solve } = await import('./looks.ts')
    return solve(wish, onHand)
  },

  /** Heat and cure of a pour. */
  async heat({ form, pour }: { form: Form; pour: PourHeatQuestion }, { cavity, tell }: JobContext) {
    const { pourHeat } = await import('./airAndHeat.ts')
    return pourHeat((await cavity(form)).mesh, pour, lawOf, { onProgress: tell })
  },

  /** Ways out for a layer that runs hot. */
  async ways({ form, plan, shelf, into, layer }: WaysQuestion, { cavity, tell }: JobContext) {
    const { mesh } = await cavity(form)
    const curve = fillCurve(mesh, plan.up)
    const { findWays } = await import('./airAndHeat.ts')
    return findWays({ plan, curve, shelf: new Map(shelf), into, lawOf }, layer, mesh, tell)
  },

  /** Where a block is cut. */
  async seam({ form, up, from, front }: SeamQuestion, { cavity }: JobContext) {
    const { mesh } = await cavity(form)
    const { findSeam } = await import('./hulls.ts')
    return findSeam(mesh, { from, up, front })
  },

  /** Sheets for the six sides of a block that is cut. */
  async sides({ form, up, ...block }: SidesQuestion, { cavity }: JobContext) {
    const { mesh } = await cavity(form)
    const { sideSheets } = await import('./hulls.ts')
    return sideSheets(await solidKernel(), mesh, up, block)
  },

  /** The master with a flag along its cut, as an STL file in millimetres. */
  async flagged({ form, line, normals }: FlagQuestion, { cavity }: JobContext) {
    const { mesh } = await cavity(form)
    const { flaggedMaster } = await import('./hulls.ts')
    return writeStl(flaggedMaster(await solidKernel(), mesh, line, normals))
  },

  /** The bed of two halves: an STL file in millimetres, its volume, and the loops of its cards. */
  async bed({ form, up, parting, row, ...options }: BedQuestion, { cavity }: JobContext) {
    const { mesh } = await cavity(form)
    const { mouldBed, partingHeights } = await import('./hulls.ts')
    const heightAt = partingHeights(parting, row)
    const made = mouldBed(await solidKernel(), mesh, up, heightAt, { ...options, foot: row.foot })
    return { stl: writeStl(made.bed), volume: made.volume, cards: made.cards }
  },

  /** The two halves of a printed shell as STL files in millimetres. */
  async shell({ form, up, openings, ...options }: ShellQuestion, { cavity }: JobContext) {
    const { mesh, measures } = await cavity(form)
    const { printShell } = await import('./hulls.ts')
    const made = printShell(await solidKernel(), mesh, measures.volume, up, openings, options)
    return {
      lower: writeStl(made.lower),
      upper: writeStl(made.upper),
      cavity: made.cavity,
      silicone: made.silicone,
    }
  },
}

export interface ArrangeQuestion {
  form: Form
  up: Vec3
  layers: readonly SetLayer[]
}

/** A layer as it ripens: its batch, and when it gels by its clock, s after mixing. */
export interface RipeningLayer {
  batch: Batch
  gel: number
}

const thickeningOf = ({ batch, gel }: RipeningLayer) =>
  layerThickening(lawOf(batch.resin), batch, gel)
const densityOf = ({ batch: { resin } }: RipeningLayer) => mixDensity(resin.ratio, resin)

export interface BubblesQuestion {
  layers: BubbleLayer[]
  tools: AirTools
}

export interface FloatingQuestion extends RipeningLayer {
  /** s after mixing. */
  placed: number
  tints: Parameters<typeof floating>[3]
}

export interface WaysQuestion {
  form: Form
  plan: Plan
  shelf: [string, Material][]
  into: PouredInto
  layer: string
}

export interface SeamQuestion extends ShapeAsItLies {
  from?: Vec3
  front: Vec3
}

export type SidesQuestion = ShapeAsItLies & CutBlock

export interface FlagQuestion {
  form: Form
  line: readonly number[]
  normals: readonly number[]
}

export interface BedQuestion extends ShapeAsItLies, Omit<BedOptions, 'foot'> {
  parting: Pick<Mould, 'kind' | 'parting' | 'climbs'>
  row: Pick<MouldGeometry, 'parting' | 'climbing' | 'foot'>
}

export type PartingQuestion = ShapeAsItLies & ClimbingOptions

export interface ShellQuestion extends ShapeAsItLies {
  openings: readonly Pick<MouldOpening, 'what' | 'at' | 'bore'>[]
  layer: number
  wall: number
  parting?: number
}

export type JobName = keyof typeof handlers
export type Question<J extends JobName> = Parameters<(typeof handlers)[J]>[0]
export type AnswerTo<J extends JobName> = Awaited<ReturnType<(typeof handlers)[J]>>

import { expose, transfer } from 'comlink'
import type { Form } from '@mivro/core/piece'
import { readForm } from '@mivro/core/piece'
import { Problem, problemsOf, toData, type ProblemData } from '@mivro/core/problem'
import {
  clustered,
  fileUnits,
  readMeshFile,
  scaleInPlace,
  suggestUnit,
  triangleCount,
  weld,
  type Cavity,
  type FileUnit,
  type Mesh,
  type MeshFileKind,
  type UnitSuggestion,
} from '@mivro/core/shape'
import {
  findAir,
  findTilts,
  surveyMould,
  type AirQuestion,
  type GeometryQuestion,
  type TiltQuestion,
} from './mouldJobs.ts'
import { potLifeCurve, type Batch } from '@mivro/core/cure'
import type { Resin } from '@mivro/core/material'
import {
  cureTimes,
  findDeepest,
  findWays,
  followHeat,
  lawOf,
  type DeepestQuestion,
  type HeatQuestion,
  type WaysQuestion,
} from './heatJobs.ts'
import type { ShellQuestion } from './shellJob.ts'
import { pendingMesh, survey, type Survey, type SurveyQuestion, type SurveyStep } from './survey.ts'

export type Answer<T> = { answer: T } | { problems: ProblemData[] }

export interface FileReport {
  kind: MeshFileKind
  triangles: number
  suggestion: UnitSuggestion
  /** The unit that the file itself names. */
  named?: FileUnit
}

/** Shapes read last; a large one is read once, however often it is turned. */
const cavities = new Map<string, Cavity>()
const held = 3

/** Triangles drawn in the round; the page has to sort them for pointing. */
const mostDrawn = 60_000

/** The file being looked at before it is uploaded. */
let pending: Uint8Array | undefined

async function cavityFor(form: Form, onStep: (step: SurveyStep) => void): Promise<Cavity> {
  const key = JSON.stringify(form)
  const known = cavities.get(key)
  if (known) return known
  const cavity = await readForm(form, await bytesOf(form), onStep)
  cavities.set(key, cavity)
  if (cavities.size > held) cavities.delete(cavities.keys().next().value!)
  return cavity
}

const quietly = (form: Form) => cavityFor(form, () => {})

async function bytesOf(form: Form): Promise<Uint8Array | undefined> {
  if (form.from !== 'file') return undefined
  if (form.mesh === pendingMesh) return pending
  const response = await fetch(`/api/meshes/${form.mesh}`).catch(() => {
    throw new Problem('server-away', {})
  })
  if (!response.ok) throw new Problem('mesh-missing', { id: form.mesh }, 'form')
  return new Uint8Array(await response.arrayBuffer())
}

async function answer<T>(work: () => Promise<T>): Promise<Answer<T>> {
  try {
    return { answer: await work() }
  } catch (error) {
    return { problems: problemsOf(error).map(toData) }
  }
}

const jobs = {
  /** Looks at a file: how many triangles, which unit it names or probably means. */
  inspect: (file: Blob, fileName: string) =>
    answer(async (): Promise<FileReport> => {
      pending = new Uint8Array(await file.arrayBuffer())
      cavities.clear()
      const { mesh, kind, unit } = await readMeshFile(pending, fileName)
      const welded = weld(mesh)
      const suggestion = suggestUnit(welded)
      if (unit) scaleInPlace(welded, fileUnits[unit])
      return { kind, triangles: triangleCount(mesh), suggestion, named: unit }
    }),

  air: (question: AirQuestion) => answer(() => findAir(question, quietly)),

  tilts: (question: TiltQuestion, onProgress: (share: number) => void) =>
    answer(() => findTilts(question, quietly, onProgress)),

  geometry: (question: GeometryQuestion, onStep: (step: string) => void) =>
    answer(() => surveyMould(question, quietly, onStep)),

  /** The surface itself, for the 3-D view. */
  surface: (form: Form) =>
    answer(async (): Promise<Mesh> => {
      const { mesh } = await quietly(form)
      const drawn = clustered(mesh, mostDrawn)
      return {
        positions: Float32Array.from(drawn.positions),
        triangles: drawn.triangles.slice(),
      }
    }),

  times: (batches: Batch[]) => answer(async () => cureTimes(batches)),

  law: (resin: Resin) => answer(async () => lawOf(resin)),

  curve: (resin: Resin) => answer(async () => potLifeCurve(resin)),

  deepest: (question: DeepestQuestion) => answer(async () => findDeepest(question)),

  heat: (question: HeatQuestion, onProgress: (share: number) => void) =>
    answer(() => followHeat(question, quietly, onProgress)).then((found) =>
      'answer' in found
        ? transfer(
            found,
            found.answer.frames.flatMap(({ temperature, alpha }) => [
              temperature.buffer as ArrayBuffer,
              alpha.buffer as ArrayBuffer,
            ]),
          )
        : found,
    ),

  ways: (question: WaysQuestion, onProgress: (share: number) => void) =>
    answer(() => findWays(question, quietly, onProgress)),

  shell: (question: ShellQuestion) =>
    answer(async () => (await import('./shellJob.ts')).makeShell(question, quietly)),

  survey: (question: SurveyQuestion, onStep: (step: SurveyStep) => void) =>
    answer(() => survey(question, cavityFor, onStep)).then((found) =>
      'answer' in found ? transfer(found, buffersOf(found.answer)) : found,
    ),
}

function buffersOf({ curve, section }: Survey): ArrayBuffer[] {
  const { sorted, below, belowMoment, crossing, starts, listed } = curve
  const arrays = [sorted, below, belowMoment, crossing, starts, listed]
  return [...arrays, ...section.outlines.map((outline) => outline.points)].map(
    (array) => array.buffer as ArrayBuffer,
  )
}

export type Jobs = typeof jobs
expose(jobs)

import { expose, transfer } from 'comlink'
import type { Form } from '@mivro/core/piece'
import { readForm } from '@mivro/core/piece'
import { Problem, problemsOf, toData, type ProblemData } from '@mivro/core/problem'
import {
  readStl,
  suggestUnit,
  triangleCount,
  weld,
  type Cavity,
  type UnitSuggestion,
} from '@mivro/core/shape'
import { pendingMesh, survey, type Survey, type SurveyQuestion, type SurveyStep } from './survey.ts'

export type Answer<T> = { answer: T } | { problems: ProblemData[] }

export interface FileReport {
  triangles: number
  suggestion: UnitSuggestion
}

/** Shapes read last; a large one is read once, however often it is turned. */
const cavities = new Map<string, Cavity>()
const held = 3

/** The file being looked at before it is uploaded. */
let pending: Uint8Array | undefined

async function cavityFor(form: Form, onStep: (step: SurveyStep) => void): Promise<Cavity> {
  const key = JSON.stringify(form)
  const known = cavities.get(key)
  if (known) return known
  const cavity = readForm(form, await bytesOf(form), onStep)
  cavities.set(key, cavity)
  if (cavities.size > held) cavities.delete(cavities.keys().next().value!)
  return cavity
}

async function bytesOf(form: Form): Promise<Uint8Array | undefined> {
  if (form.from === 'sizes') return undefined
  if (form.mesh === pendingMesh) return pending
  const response = await fetch(`/api/meshes/${form.mesh}`)
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
  /** Looks at a file: how many triangles, which unit it probably means. */
  inspect: (file: Blob) =>
    answer(async (): Promise<FileReport> => {
      pending = new Uint8Array(await file.arrayBuffer())
      cavities.clear()
      const { mesh } = readStl(pending)
      return { triangles: triangleCount(mesh), suggestion: suggestUnit(weld(mesh)) }
    }),

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

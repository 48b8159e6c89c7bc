import type { Caution } from '@mivro/core/caution'
import type { Form, ReadingStep } from '@mivro/core/piece'
import {
  fillCurve,
  section,
  triangleCount,
  type Cavity,
  type FillCurve,
  type Measures,
  type Section,
  type Vec3,
} from '@mivro/core/shape'

/** Which shape, how it lies, and where it is cut open. */
export interface SurveyQuestion {
  form: Form
  up: Vec3
  /** Radians about up. */
  turn: number
}

/** Everything the screens show of a shape. */
export interface Survey {
  measures: Measures
  triangles: number
  closed: boolean
  cautions: Caution[]
  curve: FillCurve
  section: Section
}

export type SurveyStep = ReadingStep | 'Measuring the fill' | 'Cutting it open'

/** Stands for the file that is looked at and has not been uploaded yet. */
export const pendingMesh = '0'.repeat(64)

/** The cavity of a form, read once. */
export type Cavities = (form: Form, onStep: (step: SurveyStep) => void) => Promise<Cavity>

export async function survey(
  { form, up, turn }: SurveyQuestion,
  cavities: Cavities,
  onStep: (step: SurveyStep) => void,
): Promise<Survey> {
  const { mesh, measures, closure, cautions } = await cavities(form, onStep)
  onStep('Measuring the fill')
  const curve = fillCurve(mesh, up)
  onStep('Cutting it open')
  return {
    measures,
    triangles: triangleCount(mesh),
    closed: closure.openEdges === 0,
    cautions,
    curve,
    section: section(mesh, up, turn),
  }
}

import type { Caution } from '@mivro/core/caution'
import type { Form, ReadingStep } from '@mivro/core/piece'
import { girthOf, type Girth } from '@mivro/core/cells'
import { fillCurve, type FillCurve, type Section } from '@mivro/core/filling'
import { triangleCount, type Measures, type Vec3 } from '@mivro/core/mesh'
import { type Cavity } from '@mivro/core/mesh'
import { Problem } from '@mivro/core/problem'

/** Which shape, and how it lies. */
export interface HeldQuestion {
  form: Form
  up: Vec3
}

/** And where it is cut open: radians about up. */
export interface SurveyQuestion extends HeldQuestion {
  turn: number
}

/** What does not change while the cut is turned. */
export interface HeldSurvey {
  measures: Measures
  triangles: number
  closed: boolean
  cautions: Caution[]
  curve: FillCurve
  /** How stout it is; unknown where its surface is too open for cells. */
  girth?: Girth
}

/** Everything the screens show of a shape. */
export interface Survey extends HeldSurvey {
  section: Section
}

export type SurveyStep = ReadingStep | 'measure' | 'cut'

export function surveyHeld({ mesh, measures, closure, cautions }: Cavity, up: Vec3): HeldSurvey {
  return {
    measures,
    triangles: triangleCount(mesh),
    closed: closure.openEdges === 0,
    cautions,
    curve: fillCurve(mesh, up),
    girth: girthWherePossible(mesh, up),
  }
}

function girthWherePossible(mesh: Cavity['mesh'], up: Vec3): Girth | undefined {
  try {
    return girthOf(mesh, up)
  } catch (error) {
    if (error instanceof Problem && error.code === 'mesh-too-open') return undefined
    throw error
  }
}

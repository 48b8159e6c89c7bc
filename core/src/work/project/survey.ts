import type { Caution } from '../../base/caution/index.ts'
import { thicknessProfile, type ThicknessProfile } from '../../form/cells/index.ts'
import { fillCurve, type FillCurve, type Section } from '../../form/filling/index.ts'
import { triangleCount, type Cavity, type Measures, type Vec3 } from '../../form/mesh/index.ts'
import type { Form } from '../../form/piece/index.ts'
import { Problem } from '../../base/problem/index.ts'

/** Which shape, and how it lies. */
export interface ShapeAsItLies {
  form: Form
  up: Vec3
}

/** And where it is cut open: radians about up. */
export interface SurveyQuestion extends ShapeAsItLies {
  turn: number
}

/** What does not change while the cut is turned. */
export interface ShapeSurvey {
  measures: Measures
  triangles: number
  closed: boolean
  cautions: Caution[]
  curve: FillCurve
  /** How stout it is; unknown where its surface is too open for cells. */
  thickness?: ThicknessProfile
}

/** Everything the screens show of a shape. */
export interface Survey extends ShapeSurvey {
  section: Section
}

/**
 * A shape as it lies: measured, with its fill curve and how stout it is at each height; lengths in m.
 *
 * @example surveyShape(cavityOfBlock40x50x30, [0, 0, 1]).closed // true
 */
export function surveyShape({ mesh, measures, closure, cautions }: Cavity, up: Vec3): ShapeSurvey {
  return {
    measures,
    triangles: triangleCount(mesh),
    closed: closure.openEdges === 0,
    cautions,
    curve: fillCurve(mesh, up),
    thickness: thicknessWherePossible(mesh, up),
  }
}

function thicknessWherePossible(mesh: Cavity['mesh'], up: Vec3): ThicknessProfile | undefined {
  try {
    return thicknessProfile(mesh, up)
  } catch (error) {
    if (error instanceof Problem && error.code === 'mesh-too-open') return undefined
    throw error
  }
}

import { cupsSoldIn } from '../../matter/mix/index.ts'
import type { Vec3 } from '../../form/mesh/index.ts'
import {
  compile,
  isHollow,
  pouredInto,
  pourHeatQuestion,
  type CompiledPlan,
  type Plan,
} from '../plan/index.ts'
import type {
  FoundHeat,
  HeatOfPour,
  ProjectAnswers,
  ProjectDocuments,
  ProjectShown,
  ProjectWanted,
  ShownPour,
} from './documents.ts'

/**
 * A pour as it is shown, from what people wrote and what is known by now; and what it would like to
 * know besides, as questions to jobs. The same documents and answers give the same, wherever they are
 * shown. Never throws for documents that their schemas accept.
 *
 * @example derivePour(documents, {}).wanted.held.up // [0, 0, 1]
 */
export function derivePour(
  documents: ProjectDocuments,
  answers: ProjectAnswers,
): {
  shown: Pick<ProjectShown, 'pour'>
  wanted: Omit<ProjectWanted, 'geometry' | 'air'>
} {
  const { form, plan, mould } = documents
  const up = plan.up as Vec3
  const pour = pourOf(documents, answers)
  const heat = pour && heatOf(documents, pour.estimated)
  return {
    shown: {
      pour: pour && withField(documents, answers, pour, heat),
    },
    wanted: {
      held: { form, up },
      seats:
        mould && mould.openings.length > 0
          ? { form, up, openings: mould.openings.map(({ id, at, bore }) => ({ id, at, bore })) }
          : undefined,
      depths: pour && isHollow(plan) ? { form, up, mouth: pour.into.mould === 'open' } : undefined,
      times: pour?.estimated.wanted ?? [],
      heat,
      heatKey: heat ? keyOf(heat) : '',
    },
  }
}

/**
 * The same pour by another plan: a way out that is tried, a wish. Throws when the shape is not known.
 *
 * @example compileWith(documents, answers, documents.plan).layers.length // 1
 */
export function compileWith(
  documents: ProjectDocuments,
  answers: ProjectAnswers,
  plan: Plan,
  field?: FoundHeat['peaks'],
): CompiledPlan {
  const { shelf, units } = documents
  const { survey, depths, times, before } = answers
  const { curve, thickness } = survey!
  const { into } = standingOf({ ...documents, plan }, answers)!
  const cups = cupsSoldIn(units)
  return compile(plan, curve, shelf, {
    ...{ into, thickness, depths, cups, times, before, field },
  })
}

function standingOf({ plan, mould }: ProjectDocuments, { survey, seats }: ProjectAnswers) {
  if (!survey) return undefined
  const up = plan.up as Vec3
  const standing = { up, lowest: survey.section.origin[2], height: survey.curve.height }
  return { standing, into: pouredInto(plan, mould, standing, seats) }
}

function pourOf(documents: ProjectDocuments, answers: ProjectAnswers): ShownPour | undefined {
  const found = standingOf(documents, answers)
  if (!found) return undefined
  const estimated = compileWith(documents, answers, documents.plan)
  return {
    ...found,
    survey: answers.survey!,
    depths: answers.depths,
    estimated,
    compiled: estimated,
  }
}

/**
 * The field is asked when every batch is answered by the model: a guess would be followed in vain.
 * It knows layers that lie level, and no film on the walls: of those the estimate stands.
 */
function heatOf({ form, plan }: ProjectDocuments, found: CompiledPlan): HeatOfPour | undefined {
  if (isHollow(plan) || found.wanted.length > 0 || !found.layers.some(({ clock }) => clock))
    return undefined
  return { form, pour: pourHeatQuestion(plan, found) }
}

const keyOf = (heat: HeatOfPour): string => JSON.stringify(heat)

/** What the field found overrules the estimate, as long as it is still about this pour. */
function withField(
  documents: ProjectDocuments,
  answers: ProjectAnswers,
  pour: ShownPour,
  heat: HeatOfPour | undefined,
): ShownPour {
  const found = answers.heat
  if (!found || !heat || found.question !== keyOf(heat)) return pour
  return { ...pour, compiled: compileWith(documents, answers, documents.plan, found.peaks) }
}

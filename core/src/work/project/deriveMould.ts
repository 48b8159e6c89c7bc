import { siliconeIn } from '../../matter/cure/index.ts'
import type { Vec3 } from '../../form/mesh/index.ts'
import {
  aboutCeilings,
  castResinOf,
  compileMould,
  findings,
  mayClimb,
  type TurnedCast,
} from '../../mould/index.ts'
import { isHollow, type CompiledPlan } from '../plan/index.ts'
import type {
  ProjectAnswers,
  ProjectDocuments,
  ProjectView,
  ProjectWanted,
  ShownMould,
  ShownPour,
} from './documents.ts'

/** Documents of a piece that a mould makes. */
type WithMould = ProjectDocuments & { mould: NonNullable<ProjectDocuments['mould']> }

/**
 * The mould as it is shown, and what it would like to know: its geometry and where air stays. `pour`
 * is the pour that goes into it, where that is known.
 *
 * @example deriveMould({ ...documents, mould: mouldOf80x60x40 }, {}, { turn: 0, poured: 'resin' }).shown.judged // []
 */
export function deriveMould(
  documents: WithMould,
  answers: ProjectAnswers,
  view: ProjectView,
  pour?: ShownPour,
): { shown: ShownMould; wanted: Pick<ProjectWanted, 'geometry' | 'air'> } {
  const { form, plan, mould } = documents
  return {
    shown: mouldOf(documents, answers, view, pour),
    wanted: {
      geometry: {
        form,
        up: mould.masterUp as Vec3,
        parting: mayClimb(mould.kind) ? { level: mould.parting } : undefined,
      },
      air: {
        form,
        up: (view.poured === 'resin' ? plan.up : mould.masterUp) as Vec3,
        turn: view.turn,
        of: view.poured,
        openings: mould.openings.map(({ at, bore }) => ({ at: at as Vec3, bore })),
        prefills: mould.prefills.map(({ at }) => at as Vec3),
      },
    },
  }
}

function mouldOf(
  { plan, mould, shelf, lives }: WithMould,
  { geometry, air }: ProjectAnswers,
  { poured }: ProjectView,
  pour: ShownPour | undefined,
): ShownMould {
  const material = shelf.get(mould.silicone ?? '')
  // As it is in the room of the pour, with what was seen of it.
  const silicone = material?.kind === 'silicone' ? siliconeIn(material, plan.room) : undefined
  const airLeft = air?.pockets.filter(({ prefilled }) => !prefilled) ?? []
  const castResins = plan.layers.flatMap(({ resin }) => {
    const poured = shelf.get(resin ?? '')
    return poured?.kind === 'resin' ? [castResinOf(poured.class)] : []
  })
  const base = { silicone, airLeft, judged: [], castResins }
  // What is poured in which half is not guessed while the parting is looked for.
  const climbs = mould.climbs && mayClimb(mould.kind)
  if (!geometry || (climbs && !geometry.climbing)) return base
  const turned = isHollow(plan) ? turnedCast(pour?.compiled) : undefined
  const compiled = compileMould(mould, geometry, silicone, plan.scaleStep, lives, turned)
  if (!pour) return { ...base, compiled }
  const pockets = poured === 'resin' ? airLeft.map((one) => ({ ...one, cells: noCells })) : []
  const through = plan.layers.flatMap(({ inclusions }) => inclusions)
  const ceilings =
    air && pour.into.mould === 'closed' && !geometry.guessed ? aboutCeilings(air.ceilings.area) : []
  const judged = findings(mould, geometry, pockets, pour.into.openings, through)
  return { ...base, compiled, judged: [...judged, ...ceilings] }
}

/** What hands do for a hollow cast, as far as it is known: each of its shots is turned until nothing moves. */
const turnedCast = (compiled?: CompiledPlan): TurnedCast => {
  const seconds = (compiled?.layers ?? []).reduce(
    (sum, { shell, turning }) =>
      sum +
      (shell && turning && shell.fill.turned === 'hands' ? shell.fill.shots * turning.stopsAt : 0),
    0,
  )
  return { minutes: Math.round(seconds / 60) }
}

/** The screens draw pockets by their places; sentences need none. */
const noCells = new Uint32Array(0)

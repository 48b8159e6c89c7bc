import type { Batch } from '@mivro/core/matter/cure'
import type { Resin } from '@mivro/core/matter/material'
import type { GeometryStep, MouldGeometry } from '@mivro/core/mould'
import type { Form, ReadingStep } from '@mivro/core/form/piece'
import type { AirQuestion, Opening } from '@mivro/core/form/cells'
import type { DrawnPath } from '@mivro/core/form/shape'
import type { DepthsQuestion, GeometryQuestion, SeatsQuestion } from '@mivro/core/work/project'
import type { Question, ShellQuestion, WaysQuestion } from './handlers.ts'
import { ask, type AskOptions } from './jobs.ts'
import type { ShapeAsItLies, Survey, SurveyQuestion } from '@mivro/core/work/project'
import type { SurveyStep } from './jobs.ts'

/**
 * What the screens ask the workers. Every question can be given up by its signal, rejects then
 * with the signal's reason, and throws `Problems` when it can't be answered.
 */
export async function askSurvey(
  { form, up, turn }: SurveyQuestion,
  options: AskOptions<SurveyStep> = {},
): Promise<Survey> {
  // Both at once: what else is asked of the same worker waits behind them.
  const [shape, cut] = await Promise.all([
    ask('shape', { form, up }, options),
    ask('section', { form, up, turn }, options),
  ])
  return { ...shape, section: cut }
}

/** The cut through a piece alone. */
export const askSection = (question: SurveyQuestion) => ask('section', question)

/** Where air stays. */
export const askAir = (question: AirQuestion & { form: Form }, options?: AskOptions<never>) =>
  ask('air', question, options)

/** How deep a cavity lies under its walls, for what is cast hollow. */
export const askDepths = (question: DepthsQuestion, options?: AskOptions<never>) =>
  ask('depths', question, options)

/** The same on a cut. */
export const askDepthsOnCut = (question: Question<'depthsOnCut'>) => ask('depthsOnCut', question)

/** Where a wall fills all there is, and where a brush goes first. */
export const askNarrow = (question: Question<'narrow'>) => ask('narrow', question)

/** How evenly it is lined when it is turned. */
export const askWallMap = (question: Question<'wallMap'>) => ask('wallMap', question)
export const askMapOnCut = (question: Question<'mapOnCut'>) => ask('mapOnCut', question)

/** How gates and vents sit on the piece. */
export const askSeats = (question: SeatsQuestion, options?: AskOptions<never>) =>
  ask('seats', question, options)

/** The best ways to hold the mould; seconds. */
export const askTilts = (
  question: ShapeAsItLies & { gate?: Opening },
  options: AskOptions<number>,
) => ask('tilts', question, options)

/** What a mould needs to know of a piece, and how its parting climbs where that was asked for. */
export async function askGeometry(
  { parting, ...standing }: GeometryQuestion,
  options: AskOptions<GeometryStep | ReadingStep>,
): Promise<MouldGeometry> {
  const [geometry, climbing] = await Promise.all([
    ask('geometry', standing, options),
    parting && ask('parting', { ...standing, ...parting }, { signal: options.signal }),
  ])
  return { ...geometry, climbing }
}

/** How batches ripen, by the model of the cure. */
export const askTimes = (batches: Batch[], on: 'clock' | 'back' = 'clock') =>
  ask('times', batches, { on })

/** What a resin's sheet and what was seen of it come to. */
export const askLaw = (resin: Resin) => ask('law', resin)

/** Pot life over rooms, by the sheet and with what was seen. */
export const askCurve = (resin: Resin) => ask('curve', resin)

export const askDeepest = (question: Question<'deepest'>) => ask('deepest', question)

/** Where everything that is set in lies. */
export const askArrangement = (question: Question<'arrange'>, options?: AskOptions<never>) =>
  ask('arrange', question, options)

/** How flakes of tints move while their layer is liquid. */
export const askFloating = (question: Question<'floating'>) => ask('floating', question)

/** Where the bubbles of each layer end, by each way against them. */
export const askBubbles = (question: Question<'bubbles'>) => ask('bubbles', question)

/** The bubbles that are there at a moment. */
export const askBubblesAt = (question: Question<'bubblesAt'>) => ask('bubblesAt', question)

/** The air that a silicone keeps around its master. */
export const askSiliconeAir = (question: Question<'siliconeAir'>) => ask('siliconeAir', question)

/** The form of a thing that is set in, from a mesh file. */
export const askThing = (form: Form) => ask('thing', { form })

/** Pixels of the finished piece. */
export const askLook = (question: Question<'look'>, options: AskOptions<never>) =>
  ask('look', question, options)

/** Doses of the tints on hand for a wished colour. */
export const askTints = (question: Question<'tints'>) => ask('tints', question)

/** Heat and cure of a pour in three dimensions; seconds. */
export const askHeat = (question: Question<'heat'>, options: AskOptions<number>) =>
  ask('heat', question, options)

/** Ways out for a layer that runs hot; seconds. */
export const askWays = (question: WaysQuestion, options: AskOptions<number>) =>
  ask('ways', question, options)

/** The surface itself, for the 3-D view. */
export const askSurface = (form: Form, options?: AskOptions<never>) => ask('surface', form, options)

/** The parting that climbs, against a level one. */
export const askParting = (question: Question<'parting'>) => ask('parting', question)

/** Where a block is cut open. */
export const askSeam = (question: Question<'seam'>, options?: AskOptions<never>) =>
  ask('seam', question, options)

/** What is drawn on each side of a block that is cut. */
export const askSides = (question: Question<'sides'>) => ask('sides', question)

/** The master with a flag along its cut. */
export const askFlagged = (question: Question<'flagged'>) => ask('flagged', question)

/** The bed of a mould in two halves. */
export const askBed = (question: Question<'bed'>) => ask('bed', question)

export const askShell = (question: ShellQuestion) => ask('shell', question)

/** Loops that neither cross nor touch, in metres, from the paths of a drawing. */
export const askOutline = (paths: DrawnPath[], unit: number, signal?: AbortSignal) =>
  ask('outline', { paths, unit }, { signal })

/** A first look at a file that `lookAt` gave an id. */
export const inspectFile = (mesh: string, signal?: AbortSignal) =>
  ask('inspect', { mesh }, { signal })

import { proxy, wrap, type Remote } from 'comlink'
import type { MouldGeometry } from '@mivro/core/mould'
import type {
  Batch,
  CureTimes,
  DeepestPour,
  HeatField,
  Learned,
  PotLifeCurve,
} from '@mivro/core/cure'
import type { Resin } from '@mivro/core/material'
import type { Form } from '@mivro/core/piece'
import type { CheckedWay } from '@mivro/core/plan'
import { Problems, fromData } from '@mivro/core/problem'
import type { Mesh, Tilt } from '@mivro/core/shape'
import type { AirAnswer, AirQuestion, GeometryQuestion, TiltQuestion } from './mouldJobs.ts'
import type { DeepestQuestion, HeatQuestion, WaysQuestion } from './heatJobs.ts'
import type { ShellAnswer, ShellQuestion } from './shellJob.ts'
import type { Survey, SurveyQuestion, SurveyStep } from './survey.ts'
import type { Answer, FileReport, Jobs } from './worker.ts'

/** Answers kept by job and question, so that nothing is computed twice. */
const answers = new Map<string, Promise<unknown>>()
const unanswered = new Set<string>()
const kept = 40
/** A field weighs some megabytes. */
const keptOf: Record<string, number> = { heat: 3 }

interface Bench {
  worker: Worker
  jobs: Remote<Jobs>
}

/**
 * `front` answers the screen that is open, `back` the small pictures on cards, `search` what
 * takes seconds and may be given up, `heat` the field of a pour,
 * given up when it changes, `clock` how batches ripen, so that nothing slow stands before it.
 */
type BenchName = 'front' | 'back' | 'search' | 'heat' | 'clock'
const benches: Partial<Record<BenchName, Bench>> = {}

function bench(name: BenchName): Bench {
  return (benches[name] ??= start())
}

function start(): Bench {
  const worker = new Worker(new URL('./worker.ts', import.meta.url), { type: 'module' })
  return { worker, jobs: wrap<Jobs>(worker) }
}

function unwrap<T>(found: Answer<T>): T {
  if ('problems' in found) throw new Problems(found.problems.map(fromData))
  return found.answer
}

/** Asks once for each question; a question that failed may be asked again. */
function once<T>(job: string, question: unknown, ask: () => Promise<Answer<T>>): Promise<T> {
  const key = job + JSON.stringify(question)
  const known = answers.get(key) as Promise<T> | undefined
  if (known) return known
  const asked = ask().then(unwrap)
  answers.set(key, asked)
  unanswered.add(key)
  const same = [...answers.keys()].filter((other) => other.startsWith(job))
  if (same.length > (keptOf[job] ?? kept)) answers.delete(same[0])
  asked.then(
    () => unanswered.delete(key),
    () => {
      answers.delete(key)
      unanswered.delete(key)
    },
  )
  return asked
}

/** Steps come by a channel of their own and can arrive after the answer: those are not heard. */
function hearing<S, T>(
  onStep: (step: S) => void,
  ask: (hear: (step: S) => void) => Promise<T>,
): Promise<T> {
  let answered = false
  const hear = (step: S) => {
    if (!answered) onStep(step)
  }
  return ask(proxy(hear)).finally(() => {
    answered = true
  })
}

/** The survey of a shape. Throws `Problems` when it cannot be read. */
export function askSurvey(
  question: SurveyQuestion,
  {
    onStep = () => {},
    on = 'front',
  }: { onStep?: (step: SurveyStep) => void; on?: 'front' | 'back' } = {},
): Promise<Survey> {
  return once('survey', question, () =>
    hearing(onStep, (hear) => bench(on).jobs.survey(question, hear) as Promise<Answer<Survey>>),
  )
}

/** Where air stays. */
export const askAir = (question: AirQuestion): Promise<AirAnswer> =>
  once('air', question, () => bench('front').jobs.air(question) as Promise<Answer<AirAnswer>>)

/** The best ways to hold the mould; takes seconds, and can be given up by `cancelSearch`. */
export const askTilts = (
  question: TiltQuestion,
  onProgress: (share: number) => void,
): Promise<Tilt[]> =>
  once('tilts', question, () =>
    hearing(
      onProgress,
      (hear) => bench('search').jobs.tilts(question, hear) as Promise<Answer<Tilt[]>>,
    ),
  )

/** What a mould needs to know of a piece. */
export const askGeometry = (
  question: GeometryQuestion,
  onStep: (step: string) => void,
): Promise<MouldGeometry> =>
  once('geometry', question, () =>
    hearing(
      onStep,
      (hear) => bench('back').jobs.geometry(question, hear) as Promise<Answer<MouldGeometry>>,
    ),
  )

/** How batches ripen, by the model of the cure. */
export const askTimes = async (
  batches: Batch[],
  on: 'clock' | 'back' = 'clock',
): Promise<CureTimes[]> => unwrap((await bench(on).jobs.times(batches)) as Answer<CureTimes[]>)

/** What a resin's sheet and what was seen of it come to. */
export const askLaw = (resin: Resin): Promise<Learned> =>
  once('law', resin, () => bench('clock').jobs.law(resin) as Promise<Answer<Learned>>)

/** Pot life over rooms, by the sheet and with what was seen. */
export const askCurve = (resin: Resin): Promise<PotLifeCurve> =>
  once('curve', resin, () => bench('clock').jobs.curve(resin) as Promise<Answer<PotLifeCurve>>)

export const askDeepest = (question: DeepestQuestion): Promise<DeepestPour> =>
  once(
    'deepest',
    question,
    () => bench('clock').jobs.deepest(question) as Promise<Answer<DeepestPour>>,
  )

/** Heat and cure of a pour in three dimensions; seconds, and given up by `cancelHeat`. */
export const askHeat = (
  question: HeatQuestion,
  onProgress: (share: number) => void,
): Promise<HeatField> =>
  once('heat', question, () =>
    hearing(
      onProgress,
      (hear) => bench('heat').jobs.heat(question, hear) as Promise<Answer<HeatField>>,
    ),
  )

/** Ways out for a layer that runs hot; seconds, and given up by `cancelSearch`. */
export const askWays = (
  question: WaysQuestion,
  onProgress: (share: number) => void,
): Promise<CheckedWay[]> =>
  once('ways', question, () =>
    hearing(
      onProgress,
      (hear) => bench('search').jobs.ways(question, hear) as Promise<Answer<CheckedWay[]>>,
    ),
  )

export const askSurface = (form: Form): Promise<Mesh> =>
  once('surface', form, () => bench('front').jobs.surface(form) as Promise<Answer<Mesh>>)

export const askShell = (question: ShellQuestion): Promise<ShellAnswer> =>
  once(
    'shell',
    question,
    () => bench('search').jobs.shell(question) as Promise<Answer<ShellAnswer>>,
  )

/** A first look at a chosen file. Throws `Problems` when it cannot be read. */
export async function inspectFile(file: File): Promise<FileReport> {
  answers.clear()
  return unwrap((await bench('front').jobs.inspect(file, file.name)) as Answer<FileReport>)
}

/** Ends what the open screen's worker is doing. */
export function cancelWork(): void {
  end('front')
  answers.clear()
}

/** Gives a search up. */
export function cancelSearch(): void {
  end('search')
  answers.clear()
}

/** Gives the field of a pour up; what was answered before is still known. */
export function cancelHeat(): void {
  end('heat')
  forget('heat')
}

/** A question that is given up may be asked again. */
function forget(job: string): void {
  for (const key of unanswered) {
    if (!key.startsWith(job)) continue
    answers.delete(key)
    unanswered.delete(key)
  }
}

function end(name: BenchName): void {
  benches[name]?.worker.terminate()
  benches[name] = undefined
}

import { proxy, wrap, type Remote } from 'comlink'
import { Problems, fromData } from '@mivro/core/problem'
import type { Survey, SurveyQuestion, SurveyStep } from './survey.ts'
import type { Answer, FileReport, Jobs } from './worker.ts'

/** Answers kept by their question, so that nothing is computed twice. */
const answers = new Map<string, Promise<Survey>>()
const kept = 24

interface Bench {
  worker: Worker
  jobs: Remote<Jobs>
}

/** `front` answers the screen that is open, `back` the small pictures on cards. */
const benches: Partial<Record<'front' | 'back', Bench>> = {}

function bench(name: 'front' | 'back'): Bench {
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

/** The survey of a shape. Throws `Problems` when it cannot be read. */
export function askSurvey(
  question: SurveyQuestion,
  {
    onStep = () => {},
    on = 'front',
  }: { onStep?: (step: SurveyStep) => void; on?: 'front' | 'back' } = {},
): Promise<Survey> {
  const key = JSON.stringify(question)
  const known = answers.get(key)
  if (known) return known
  // Steps come by a channel of their own and can arrive after the answer.
  let answered = false
  const hear = (step: SurveyStep) => {
    if (!answered) onStep(step)
  }
  const asked = bench(on)
    .jobs.survey(question, proxy(hear))
    .then((found) => unwrap(found as Answer<Survey>))
    .finally(() => {
      answered = true
    })
  answers.set(key, asked)
  if (answers.size > kept) answers.delete(answers.keys().next().value!)
  asked.catch(() => answers.delete(key))
  return asked
}

/** A first look at a chosen file. Throws `Problems` when it cannot be read. */
export async function inspectFile(file: Blob): Promise<FileReport> {
  answers.clear()
  return unwrap((await bench('front').jobs.inspect(file)) as Answer<FileReport>)
}

/** Ends what the open screen's worker is doing. */
export function cancelWork(): void {
  benches.front?.worker.terminate()
  benches.front = undefined
  answers.clear()
}

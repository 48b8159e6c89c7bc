import { problemsOf, toData, type ProblemData } from '@mivro/core/base/problem'
import { buffersIn } from './bytes.ts'
import { cavityFor } from './cavities.ts'
import { handlers, type JobContext, type JobName } from './handlers.ts'

/** One question to a worker. The page sends the next when it has the answer. */
export interface Asked {
  id: number
  job: JobName
  question: unknown
  /** The file that it is about, where that is not uploaded yet. */
  file?: Blob
}

/** What comes back: any number of `progress`, then one of the others. */
export type Told = { id: number } & (
  | { progress: number | string }
  | { answer: unknown }
  | { problems: ProblemData[] }
  | { fault: string }
)

/** Answers of these are kept in the worker as well, so their arrays are copied. */
const keeping: ReadonlySet<JobName> = new Set(['law', 'curve', 'times', 'deepest'])

const tellPage = (told: Told, hand: ArrayBuffer[] = []) =>
  self.postMessage(told, { transfer: hand })

self.addEventListener('message', async ({ data }: MessageEvent<Asked>) => {
  const { id, job, question, file } = data
  const tell = (progress: number | string) => tellPage({ id, progress })
  const context: JobContext = { cavity: (form) => cavityFor(form, file, tell), file, tell }
  try {
    const work = handlers[job] as (question: unknown, context: JobContext) => Promise<unknown>
    const answer = await work(question, context)
    tellPage({ id, answer }, keeping.has(job) ? [] : [...buffersIn(answer)])
  } catch (error) {
    tellPage({ id, ...refusalOf(error) })
  }
})

function refusalOf(error: unknown): { problems: ProblemData[] } | { fault: string } {
  try {
    return { problems: problemsOf(error).map(toData) }
  } catch {
    return { fault: error instanceof Error ? error.message : String(error) }
  }
}

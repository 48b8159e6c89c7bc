import { shallowRef } from 'vue'
import { WorkerQueue } from './workerQueue.ts'
import { ByteCache } from './byteCache.ts'
import { keep, kept } from './kept.ts'
import { startWorker } from './startWorker.ts'
import { fileIn, noFile } from './pending.ts'
import type { ReadingStep } from '@mivro/core/form/piece'
import type { AnswerTo, JobName, Question } from './handlers.ts'

/**
 * `front` answers the screen that is open, `back` the small pictures on cards and what a mould
 * needs to know, `search` what takes seconds and may be given up, `heat` the field of a pour,
 * `clock` how batches ripen, so that nothing slow stands before it, `light` and its twin the look
 * of the piece, each with the traces of its rows.
 */
export type QueueName = 'front' | 'back' | 'search' | 'heat' | 'clock' | 'light' | 'light too'

/** What a survey says of how far it is. */
export type SurveyStep = ReadingStep | 'measure' | 'cut'

interface JobKind {
  on: QueueName
  /** Kept over visits, in the browser: it takes seconds, or the file to be read. */
  kept?: true
  /** Each is asked once: pictures while a piece is turned. */
  fleeting?: true
  /** Seconds after which a question is given up: many times what the largest shapes take. */
  limit: number
}

const kinds: Record<JobName, JobKind> = {
  inspect: { on: 'front', limit: 120 },
  outline: { on: 'front', limit: 30 },
  shape: { on: 'front', limit: 120, kept: true },
  section: { on: 'front', limit: 120, kept: true },
  surface: { on: 'front', limit: 120, kept: true },
  air: { on: 'front', limit: 120, kept: true },
  depths: { on: 'front', limit: 120, kept: true },
  depthsOnCut: { on: 'front', limit: 60, kept: true },
  narrow: { on: 'back', limit: 120, kept: true },
  wallMap: { on: 'back', limit: 120, kept: true },
  mapOnCut: { on: 'back', limit: 60 },
  seats: { on: 'front', limit: 120, kept: true },
  geometry: { on: 'back', limit: 180, kept: true },
  tilts: { on: 'search', limit: 300, kept: true },
  ways: { on: 'search', limit: 300 },
  parting: { on: 'back', limit: 120, kept: true },
  seam: { on: 'search', limit: 120, kept: true },
  sides: { on: 'search', limit: 120 },
  flagged: { on: 'search', limit: 120 },
  bed: { on: 'search', limit: 300 },
  shell: { on: 'search', limit: 300 },
  heat: { on: 'heat', limit: 600, kept: true },
  times: { on: 'clock', limit: 60 },
  law: { on: 'clock', limit: 60 },
  curve: { on: 'clock', limit: 60 },
  deepest: { on: 'clock', limit: 60 },
  arrange: { on: 'front', limit: 60 },
  floating: { on: 'clock', limit: 60 },
  bubbles: { on: 'back', limit: 60 },
  bubblesAt: { on: 'back', limit: 60 },
  siliconeAir: { on: 'back', limit: 60 },
  thing: { on: 'front', limit: 120 },
  look: { on: 'light', limit: 120, fleeting: true },
  tints: { on: 'clock', limit: 60 },
}

/** All answers together: some forty of a figure, four heat fields. */
const mostBytes = 200e6

const answers = new ByteCache<{ answer: unknown }>(mostBytes)
const queues: Partial<Record<QueueName, WorkerQueue>> = {}

/** A question that is being answered, and how many wait for it. */
interface Shared {
  asked: Promise<unknown>
  heard: Set<(progress: never) => void>
  askers: number
  end: AbortController
}
const open = new Map<string, Shared>()

/** The questions that the workers are at, by what is asked. */
export const jobsUnderWay = shallowRef<string[]>([])
function underWay(): void {
  jobsUnderWay.value = [...open.keys()].map((key) => key.slice(0, key.indexOf(' ')))
}
function close(key: string): void {
  open.delete(key)
  underWay()
}

export interface AskOptions<P> {
  signal?: AbortSignal
  onProgress?: (progress: P) => void
  on?: QueueName
}

/**
 * The answer to a question: from memory, from a worker that is at it already, or from one that is
 * asked now. Aborting the signal rejects with its reason; the work ends when nobody waits for it.
 * Throws `Problems` and `Problem`: those of the job, work-failed, work-too-long.
 */
export async function ask<J extends JobName, P = never>(
  job: J,
  question: Question<J>,
  { signal, onProgress = () => {}, on = kinds[job].on }: AskOptions<P> = {},
): Promise<AnswerTo<J>> {
  signal?.throwIfAborted()
  const key = `${job} ${JSON.stringify(question)}`
  const known = answers.get(key)
  if (known) return known.answer as AnswerTo<J>
  const shared = open.get(key) ?? begin(key, job, question, on)
  shared.askers++
  shared.heard.add(onProgress)
  try {
    return (await orAborted(shared.asked, signal)) as AnswerTo<J>
  } finally {
    shared.heard.delete(onProgress)
    if (--shared.askers === 0) shared.end.abort()
  }
}

function begin(key: string, job: JobName, question: unknown, on: QueueName): Shared {
  const end = new AbortController()
  const heard = new Set<(progress: never) => void>()
  const queue = (queues[on] ??= new WorkerQueue(startWorker))
  const onProgress = (progress: number | string) => {
    for (const hear of heard) hear(progress as never)
  }
  const task = { job, question, file: fileIn(key), limit: kinds[job].limit, onProgress }
  // A file that is not uploaded has no name of its own: what is found of it is not kept.
  const lasting = kinds[job].kept === true && task.file === undefined && !key.includes(noFile)
  const asked = (async () => {
    const found = lasting ? await kept(key) : undefined
    if (found !== undefined) return found
    const answer = await queue.ask(task, end.signal)
    if (lasting) keep(key, answer)
    return answer
  })()
  const shared: Shared = { asked, heard, askers: 0, end }
  open.set(key, shared)
  underWay()
  asked.then(
    (answer) => {
      close(key)
      if (!kinds[job].fleeting) answers.set(key, { answer })
    },
    () => close(key),
  )
  end.signal.addEventListener('abort', () => open.get(key) === shared && close(key))
  return shared
}

/** A promise, or the signal's reason as soon as it is aborted. */
function orAborted<T>(promise: Promise<T>, signal: AbortSignal | undefined): Promise<T> {
  if (!signal) return promise
  return new Promise((resolve, reject) => {
    const give = () => reject(signal.reason as Error)
    signal.addEventListener('abort', give, { once: true })
    promise.then(resolve, reject).finally(() => signal.removeEventListener('abort', give))
  })
}

import { Problem, Problems, fromData } from '@mivro/core/base/problem'
import type { JobName } from './handlers.ts'
import type { Asked, Told } from './worker.ts'

export interface Task {
  job: JobName
  question: unknown
  file?: Blob
  /** Seconds after which it is given up. */
  limit: number
  onProgress: (progress: number | string) => void
}

interface Waiting extends Task {
  id: number
  resolve: (answer: unknown) => void
  reject: (error: unknown) => void
}

/** What of a Worker is used here, so that a test can stand in for it. */
export type WorkerLike = Pick<
  Worker,
  'postMessage' | 'terminate' | 'onmessage' | 'onerror' | 'onmessageerror'
>

/**
 * One worker and the questions that wait for it, one at a time. A question that is given up while
 * it is worked on ends the worker; the others wait on and go to a new one. A worker that dies
 * refuses the question it had, and no other.
 */
export class WorkerQueue {
  private worker: WorkerLike | undefined
  private running: Waiting | undefined
  private waiting: Waiting[] = []
  private timer: ReturnType<typeof setTimeout> | undefined
  private ids = 0

  constructor(private readonly start: () => WorkerLike) {}

  /** Rejects with the signal's reason as soon as it is aborted, and with `Problem`s. */
  ask(task: Task, signal: AbortSignal): Promise<unknown> {
    return new Promise((resolve, reject) => {
      if (signal.aborted) return reject(signal.reason as Error)
      const own: Waiting = { ...task, id: ++this.ids, resolve, reject }
      signal.addEventListener('abort', () => this.giveUp(own, signal.reason), { once: true })
      this.waiting.push(own)
      this.next()
    })
  }

  private next(): void {
    if (this.running || this.waiting.length === 0) return
    const own = this.waiting.shift()!
    this.running = own
    this.timer = setTimeout(() => {
      const { job, limit } = own
      this.end(own, new Problem('work-too-long', { job, limit }))
    }, own.limit * 1000)
    const { id, job, question, file } = own
    const asked: Asked = { id, job, question, file }
    try {
      this.worker ??= this.begin()
      this.worker.postMessage(asked)
    } catch (error) {
      this.end(own, failure(own.job, error))
    }
  }

  private begin(): WorkerLike {
    const worker = this.start()
    worker.onmessage = ({ data }: MessageEvent<Told>) => this.hear(data)
    worker.onerror = (event) => {
      event.preventDefault?.()
      if (this.worker === worker) this.died(event.message)
    }
    worker.onmessageerror = () => {
      if (this.worker === worker) this.died('its answer could not be read')
    }
    return worker
  }

  private hear(told: Told): void {
    const own = this.running
    if (own?.id !== told.id) return
    if ('progress' in told) return own.onProgress(told.progress)
    this.done()
    if ('answer' in told) own.resolve(told.answer)
    else if ('problems' in told) own.reject(new Problems(told.problems.map(fromData)))
    else own.reject(failure(own.job, told.fault))
    this.next()
  }

  private died(reason: string): void {
    const own = this.running
    if (own) this.end(own, failure(own.job, reason || 'it ended without a word'))
    else this.dismiss()
  }

  private giveUp(own: Waiting, reason: unknown): void {
    if (this.running === own) return this.end(own, reason)
    const before = this.waiting.length
    this.waiting = this.waiting.filter((other) => other !== own)
    if (this.waiting.length < before) own.reject(reason)
  }

  /** Ends the worker that is at work on this, and goes on with what waits. */
  private end(own: Waiting, reason: unknown): void {
    this.dismiss()
    this.done()
    own.reject(reason)
    this.next()
  }

  private done(): void {
    clearTimeout(this.timer)
    this.running = undefined
  }

  private dismiss(): void {
    this.worker?.terminate()
    this.worker = undefined
  }
}

const failure = (job: JobName, error: unknown) =>
  new Problem('work-failed', {
    job,
    reason: error instanceof Error ? error.message : String(error),
  })

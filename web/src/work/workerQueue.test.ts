import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'
import { Problem } from '@mivro/core/base/problem'
import { WorkerQueue, type WorkerLike } from './workerQueue.ts'
import type { Asked } from './worker.ts'

/** A worker that does as the test says. */
class FakeWorker implements WorkerLike {
  asked: Asked[] = []
  ended = false
  onmessage: WorkerLike['onmessage'] = null
  onerror: WorkerLike['onerror'] = null
  onmessageerror: WorkerLike['onmessageerror'] = null
  postMessage(message: Asked): void {
    this.asked.push(message)
  }
  terminate(): void {
    this.ended = true
  }
  tell(more: object): void {
    const data = { id: this.asked.at(-1)!.id, ...more }
    this.onmessage!.call(this as never, { data } as MessageEvent)
  }
  die(message: string): void {
    this.onerror!.call(this as never, { message, preventDefault() {} } as ErrorEvent)
  }
}

let workers: FakeWorker[]
let queue: WorkerQueue
beforeEach(() => {
  vi.useFakeTimers()
  workers = []
  queue = new WorkerQueue(() => {
    workers.push(new FakeWorker())
    return workers.at(-1)!
  })
})
afterEach(() => vi.useRealTimers())

const told: (number | string)[] = []
const ask = (question: unknown, signal = new AbortController().signal) =>
  queue.ask({ job: 'shape', question, limit: 10, onProgress: (share) => told.push(share) }, signal)
const outcome = (asked: Promise<unknown>) => asked.catch((error: unknown) => error)

describe('a worker with its questions', () => {
  it('is given one at a time, hears its progress, and goes on with the next', async () => {
    const [one, two] = [ask('one'), ask('two')]
    const [worker] = workers
    expect(worker.asked.map(({ question }) => question)).toEqual(['one'])
    worker.tell({ progress: 0.5 })
    worker.tell({ answer: 1 })
    expect(await one).toBe(1)
    expect(told).toEqual([0.5])
    worker.tell({ problems: [{ code: 'mesh-missing', amounts: { id: 'x' }, path: '' }] })
    expect(await outcome(two)).toMatchObject({ list: [{ code: 'mesh-missing' }] })
    expect(workers).toHaveLength(1)
  })

  it('given up while it is at work: that ends at once with the reason, the others go to a new one', async () => {
    const giveUp = new AbortController()
    const [one, two] = [ask('one', giveUp.signal), ask('two')]
    giveUp.abort(new Error('enough'))
    expect(await outcome(one)).toMatchObject({ message: 'enough' })
    expect(workers[0].ended).toBe(true)
    expect(workers[1].asked.map(({ question }) => question)).toEqual(['two'])
    workers[1].tell({ answer: 2 })
    expect(await two).toBe(2)
  })

  it('given up while it waits: nothing else is touched', async () => {
    const giveUp = new AbortController()
    const [one, two, three] = [ask('one'), ask('two', giveUp.signal), ask('three')]
    giveUp.abort(new Error('enough'))
    expect(await outcome(two)).toMatchObject({ message: 'enough' })
    workers[0].tell({ answer: 1 })
    expect(await one).toBe(1)
    workers[0].tell({ answer: 3 })
    expect(await three).toBe(3)
    expect(workers[0].asked.map(({ question }) => question)).toEqual(['one', 'three'])
  })

  it('asked with what is given up already, it does nothing', async () => {
    expect(await outcome(ask('one', AbortSignal.abort(new Error('before'))))).toMatchObject({
      message: 'before',
    })
    expect(workers).toEqual([])
  })

  it('one that dies refuses the question it had by a sentence, and a new one answers the rest', async () => {
    const [one, two] = [ask('one'), ask('two')]
    workers[0].die('out of memory')
    const error = (await outcome(one)) as Problem<'work-failed'>
    expect(error).toBeInstanceOf(Problem)
    expect([error.code, error.amounts]).toEqual([
      'work-failed',
      { job: 'shape', reason: 'out of memory' },
    ])
    workers[1].tell({ answer: 2 })
    expect(await two).toBe(2)
  })

  it('one that cannot be started refuses by a sentence', async () => {
    queue = new WorkerQueue(() => {
      throw new Error('workers are forbidden')
    })
    expect(await outcome(ask('one'))).toMatchObject({
      code: 'work-failed',
      amounts: { reason: 'workers are forbidden' },
    })
  })

  it('what takes too long is ended, and said', async () => {
    const one = outcome(ask('one'))
    await vi.advanceTimersByTimeAsync(10_001)
    expect(await one).toMatchObject({ code: 'work-too-long', amounts: { job: 'shape', limit: 10 } })
    expect(workers[0].ended).toBe(true)
  })

  it('an unexpected fault in a job is a problem with its words', async () => {
    const one = outcome(ask('one'))
    workers[0].tell({ fault: 'x is not a function' })
    expect(await one).toMatchObject({
      code: 'work-failed',
      amounts: { reason: 'x is not a function' },
    })
  })
})

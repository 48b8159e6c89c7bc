import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'
import { Problem } from '@mivro/core/base/problem'
import { Bench, type Hand } from './bench.ts'
import type { Asked } from './worker.ts'

/** A worker that does as the test says. */
class FakeHand implements Hand {
  asked: Asked[] = []
  ended = false
  onmessage: Hand['onmessage'] = null
  onerror: Hand['onerror'] = null
  onmessageerror: Hand['onmessageerror'] = null
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

let hands: FakeHand[]
let bench: Bench
beforeEach(() => {
  vi.useFakeTimers()
  hands = []
  bench = new Bench(() => {
    hands.push(new FakeHand())
    return hands.at(-1)!
  })
})
afterEach(() => vi.useRealTimers())

const told: (number | string)[] = []
const ask = (question: unknown, signal = new AbortController().signal) =>
  bench.ask({ job: 'held', question, limit: 10, onProgress: (share) => told.push(share) }, signal)
const outcome = (asked: Promise<unknown>) => asked.catch((error: unknown) => error)

describe('a worker with its questions', () => {
  it('is given one at a time, hears its progress, and goes on with the next', async () => {
    const [one, two] = [ask('one'), ask('two')]
    const [hand] = hands
    expect(hand.asked.map(({ question }) => question)).toEqual(['one'])
    hand.tell({ progress: 0.5 })
    hand.tell({ answer: 1 })
    expect(await one).toBe(1)
    expect(told).toEqual([0.5])
    hand.tell({ problems: [{ code: 'mesh-missing', amounts: { id: 'x' }, path: '' }] })
    expect(await outcome(two)).toMatchObject({ list: [{ code: 'mesh-missing' }] })
    expect(hands).toHaveLength(1)
  })

  it('given up while it is at work: that ends at once with the reason, the others go to a new one', async () => {
    const giveUp = new AbortController()
    const [one, two] = [ask('one', giveUp.signal), ask('two')]
    giveUp.abort(new Error('enough'))
    expect(await outcome(one)).toMatchObject({ message: 'enough' })
    expect(hands[0].ended).toBe(true)
    expect(hands[1].asked.map(({ question }) => question)).toEqual(['two'])
    hands[1].tell({ answer: 2 })
    expect(await two).toBe(2)
  })

  it('given up while it waits: nothing else is touched', async () => {
    const giveUp = new AbortController()
    const [one, two, three] = [ask('one'), ask('two', giveUp.signal), ask('three')]
    giveUp.abort(new Error('enough'))
    expect(await outcome(two)).toMatchObject({ message: 'enough' })
    hands[0].tell({ answer: 1 })
    expect(await one).toBe(1)
    hands[0].tell({ answer: 3 })
    expect(await three).toBe(3)
    expect(hands[0].asked.map(({ question }) => question)).toEqual(['one', 'three'])
  })

  it('asked with what is given up already, it does nothing', async () => {
    expect(await outcome(ask('one', AbortSignal.abort(new Error('before'))))).toMatchObject({
      message: 'before',
    })
    expect(hands).toEqual([])
  })

  it('one that dies refuses the question it had by a sentence, and a new one answers the rest', async () => {
    const [one, two] = [ask('one'), ask('two')]
    hands[0].die('out of memory')
    const error = (await outcome(one)) as Problem<'work-failed'>
    expect(error).toBeInstanceOf(Problem)
    expect([error.code, error.amounts]).toEqual([
      'work-failed',
      { job: 'held', reason: 'out of memory' },
    ])
    hands[1].tell({ answer: 2 })
    expect(await two).toBe(2)
  })

  it('one that cannot be started refuses by a sentence', async () => {
    bench = new Bench(() => {
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
    expect(await one).toMatchObject({ code: 'work-too-long', amounts: { job: 'held', limit: 10 } })
    expect(hands[0].ended).toBe(true)
  })

  it('an unexpected fault in a job is a problem with its words', async () => {
    const one = outcome(ask('one'))
    hands[0].tell({ fault: 'x is not a function' })
    expect(await one).toMatchObject({
      code: 'work-failed',
      amounts: { reason: 'x is not a function' },
    })
  })
})

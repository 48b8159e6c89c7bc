import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'
import { bytesIn, buffersIn } from './bytes.ts'
import { ByteCache } from './byteCache.ts'

/** Every worker that was started, and what it was asked. */
const workers: FakeWorker[] = []
class FakeWorker {
  asked: { id: number; job: string; question: unknown; file?: Blob }[] = []
  ended = false
  onmessage: ((event: { data: unknown }) => void) | null = null
  onerror = null
  onmessageerror = null
  constructor() {
    workers.push(this)
  }
  postMessage(message: FakeWorker['asked'][number]): void {
    this.asked.push(message)
  }
  terminate(): void {
    this.ended = true
  }
  answer(answer: unknown): void {
    this.onmessage!({ data: { id: this.asked.at(-1)!.id, answer } })
  }
}

beforeEach(() => {
  vi.resetModules()
  workers.length = 0
  vi.stubGlobal('Worker', FakeWorker)
})
afterEach(() => vi.unstubAllGlobals())
const load = () => import('./jobs.ts')
const resin = (name: string) => ({ name }) as never

describe('asking', () => {
  it('the same question twice is worked on once, and known afterwards', async () => {
    const { ask } = await load()
    const both = Promise.all([ask('law', resin('a')), ask('law', resin('a'))])
    expect(workers[0].asked).toHaveLength(1)
    workers[0].answer('known')
    expect(await both).toEqual(['known', 'known'])
    expect(await ask('law', resin('a'))).toBe('known')
    expect(workers[0].asked).toHaveLength(1)
  })

  it('one of two who wait gives up: the other still gets the answer', async () => {
    const { ask } = await load()
    const giveUp = new AbortController()
    const one = ask('law', resin('a'), { signal: giveUp.signal }).catch(
      (error: Error) => error.name,
    )
    const two = ask('law', resin('a'))
    giveUp.abort()
    expect(await one).toBe('AbortError')
    expect(workers[0].ended).toBe(false)
    workers[0].answer('known')
    expect(await two).toBe('known')
  })

  it('when all give up the work ends, and what was answered before is still known', async () => {
    const { ask } = await load()
    const known = ask('law', resin('a'))
    workers[0].answer('known')
    await known
    const giveUp = new AbortController()
    const one = ask('law', resin('b'), { signal: giveUp.signal }).catch(
      (error: Error) => error.name,
    )
    giveUp.abort()
    expect(await one).toBe('AbortError')
    await Promise.resolve()
    expect(workers[0].ended).toBe(true)
    expect(await ask('law', resin('a'))).toBe('known')
    // And asked again it is worked on anew.
    const again = ask('law', resin('b'))
    workers[1].answer('late')
    expect(await again).toBe('late')
  })

  it('turning the cut asks for the cut alone: the fill is measured once', async () => {
    const { askSurvey } = await import('./pool.ts')
    const question = { form: { from: 'sizes' } as never, up: [0, 0, 1] as const }
    for (const turn of [0, 0.2, 0.4]) {
      const asked = askSurvey({ ...question, turn })
      if (turn === 0) {
        await vi.waitFor(() => expect(workers[0]?.asked.at(-1)?.job).toBe('shape'))
        workers[0].answer({ measures: 'once' })
        await vi.waitFor(() => expect(workers[0].asked.at(-1)!.job).toBe('section'))
      }
      await vi.waitFor(() => expect(workers[0].asked.at(-1)!.question).toMatchObject({ turn }))
      workers[0].answer({ at: turn })
      expect(await asked).toEqual({ measures: 'once', section: { at: turn } })
    }
    expect(workers[0].asked.map(({ job }) => job)).toEqual([
      'shape',
      'section',
      'section',
      'section',
    ])
  })

  it('a file that is not uploaded yet goes along with every question about it', async () => {
    const { ask } = await load()
    const { lookAt } = await import('./pending.ts')
    const file = new Blob(['solid'])
    const mesh = lookAt(file)
    const looked = ask('inspect', { mesh })
    expect(workers[0].asked[0].file).toBe(file)
    const other = lookAt(new Blob(['other']))
    expect(other).not.toBe(mesh)
    const law = ask('law', resin('a'))
    expect(workers[1].asked[0].file).toBeUndefined()
    workers[0].answer('seen')
    workers[1].answer('known')
    expect(await Promise.all([looked, law])).toEqual(['seen', 'known'])
  })
})

describe('what is kept', () => {
  it('is counted in bytes, and the least recently used goes first', () => {
    const cache = new ByteCache<Float64Array>(2000)
    const of = (n: number) => new Float64Array(n)
    cache.set('a', of(100))
    cache.set('b', of(100))
    expect(cache.get('a')).toBeDefined()
    cache.set('c', of(60))
    expect([cache.get('b'), cache.bytes]).toEqual([undefined, 1280])
    cache.set('huge', of(1000))
    expect(cache.get('huge')).toBeUndefined()
    expect(cache.get('a')).toBeDefined()
    cache.set('a', of(10))
    expect(cache.bytes).toBe(560)
  })

  it('arrays weigh what they hold, and are handed over once each', () => {
    const shared = new Float32Array(25)
    const value = { a: new Float64Array(10), list: [shared, { deep: shared }], words: 'four' }
    expect(bytesIn(value)).toBeGreaterThanOrEqual(80 + 200 + 8)
    expect([...buffersIn(value)]).toEqual([value.a.buffer, shared.buffer])
  })
})

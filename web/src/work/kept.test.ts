import 'fake-indexeddb/auto'
import { beforeEach, describe, expect, it, vi } from 'vitest'
import { clear, createStore, get, keys } from 'idb-keyval'

const store = () => createStore('mivro-answers', 'answers')
const load = () => import('./kept.ts')

beforeEach(async () => {
  vi.resetModules()
  vi.useRealTimers()
  await clear(store())
})

describe('answers that are kept over visits', () => {
  it('one is there again for the next page, arrays and all', async () => {
    const first = await load()
    first.keep('held {"form":1}', { curve: new Float64Array([1, 2]) })
    await first.write()
    vi.resetModules()
    const next = await load()
    const found = (await next.kept('held {"form":1}')) as { curve: Float64Array }
    expect([...found.curve]).toEqual([1, 2])
    expect(await next.kept('held {"form":2}')).toBeUndefined()
  })

  it('what was found a moment ago needs no writing first', async () => {
    const { keep, kept } = await load()
    keep('air', { pockets: [] })
    expect(await kept('air')).toEqual({ pockets: [] })
  })

  it('is bounded: what was used longest ago goes first', async () => {
    const { keep, kept, write } = await load()
    const megabytes = (n: number) => new Uint8Array(n * 1e6)
    vi.useFakeTimers({ toFake: ['Date'] })
    for (let i = 0; i < 8; i++) {
      vi.setSystemTime(1e12 + i * 1000)
      keep(`heat ${i}`, megabytes(60))
      await write()
    }
    // 400 MB hold six of them.
    expect(await kept('heat 0')).toBeUndefined()
    expect(await kept('heat 1')).toBeUndefined()
    expect(await kept('heat 7')).toBeDefined()
    expect((await keys(store())).filter((key) => String(key).includes('heat'))).toHaveLength(6)
  })

  it('what is larger than any screen needs is not kept', async () => {
    const { keep, write } = await load()
    keep('held', new Uint8Array(81e6))
    await write()
    expect([...((await get<Map<string, unknown>>('index', store())) ?? new Map()).keys()]).toEqual(
      [],
    )
  })

  it('a storage that is forbidden is no fault of the question', async () => {
    const { keep, kept, write } = await load()
    vi.stubGlobal('indexedDB', undefined)
    keep('held', 1)
    await expect(write()).resolves.toBeUndefined()
    expect(await kept('other')).toBeUndefined()
    vi.unstubAllGlobals()
  })
})

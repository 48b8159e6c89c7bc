import { beforeEach, describe, expect, it, vi } from 'vitest'
import { benchUnderWay, forgetBench, keepBench } from './benchUnderWay.ts'

beforeEach(() => localStorage.clear())

describe('the bench that is under way', () => {
  it('is known on this device until it is finished', () => {
    expect(benchUnderWay()).toBeUndefined()
    keepBench({ id: 'b', path: '/runs/r/bench/b' })
    expect(benchUnderWay()).toEqual({ id: 'b', path: '/runs/r/bench/b' })
    forgetBench()
    expect(benchUnderWay()).toBeUndefined()
  })

  it('what is no bench there is none: garbage, another site’s address, a storage that refuses', () => {
    for (const text of ['{', '[]', '{"id":7,"path":"/x"}', '{"id":"b","path":"https://x"}']) {
      localStorage.setItem('mivro bench', text)
      expect(benchUnderWay()).toBeUndefined()
    }
    const refuses = vi.spyOn(Storage.prototype, 'setItem').mockImplementation(() => {
      throw new Error('full')
    })
    keepBench({ id: 'b', path: '/x' })
    refuses.mockRestore()
    expect(benchUnderWay()).toBeUndefined()
  })
})

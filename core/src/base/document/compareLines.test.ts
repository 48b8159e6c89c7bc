import { describe, expect, it } from 'vitest'
import { changedLines, compareLines } from './compareLines.ts'

describe('two versions side by side', () => {
  it('mark what the other has not', () => {
    const { own, other } = compareLines(['a', 'b'], ['b', 'c'])
    expect(own).toEqual([
      { line: 'a', differs: true },
      { line: 'b', differs: false },
    ])
    expect(other.map(({ differs }) => differs)).toEqual([false, true])
  })

  it('what changed is what came, or else what went, or nothing', () => {
    expect(changedLines(['1 copy', 'x'], ['2 copies', 'x'])).toEqual(['2 copies'])
    expect(changedLines(['1 copy', 'x'], ['1 copy'])).toEqual(['without x'])
    expect(changedLines(['x'], ['x'])).toEqual([])
  })
})

import { describe, expect, it } from 'vitest'
import { slowEpoxy } from './samples.ts'
import { withFifthMore } from './slope.ts'

describe('what a field of a sheet does', () => {
  it('is shown with a fifth more of it, and nothing else changed', () => {
    const more = withFifthMore(slowEpoxy, 'potLife')!
    expect(more.potLife).toBeCloseTo(1.2 * slowEpoxy.potLife, 9)
    expect({ ...more, potLife: slowEpoxy.potLife }).toEqual(slowEpoxy)
  })

  it('a peak counts from the room: 93 °C becomes 108 °C', () => {
    expect(withFifthMore({ ...slowEpoxy, peak: 366.15 }, 'peak')!.peak).toBeCloseTo(380.75, 6)
  })

  it('says nothing of a name, nor of what the sheet leaves out', () => {
    expect(withFifthMore(slowEpoxy, 'name')).toBeUndefined()
    expect(withFifthMore(slowEpoxy, 'peak')).toBeUndefined()
    expect(withFifthMore(slowEpoxy, '')).toBeUndefined()
  })
})

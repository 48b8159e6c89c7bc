import { describe, expect, it } from 'vitest'
import { metric } from '@mivro/core/base/units'
import { saySettling } from './inclusion.ts'

describe('when a thing is set in', () => {
  const sinks = { drift: -0.02, gel: 3600 }

  it('from when it stays, and until its own gel', () => {
    expect(saySettling({ ...sinks, holdsFrom: 3000 }, 0.05)).toBe(
      'Set in with the pour it would sink 20.0 mm before the gel; set in from 50 min until the gel, 1 h after mixing, it stays.',
    )
  })

  it('what is laid before the pour is not told to wait', () => {
    expect(saySettling({ ...sinks, holdsFrom: 3000 }, 0.01, metric, 'on the gel')).toBe(
      'Set in with the pour it would sink to the floor of its layer before the gel: laid on the gel before the pour it stays.',
    )
  })

  it('where no moment is left between the two, a base and a cover are offered', () => {
    const said = saySettling({ ...sinks, holdsFrom: 3580 }, 0.01)
    expect(said).toContain('sink to the floor of its layer')
    expect(said).toContain('it holds only when the layer gels, 1 h after mixing: pour a base')
    expect(said).not.toContain('set in from')
  })
})

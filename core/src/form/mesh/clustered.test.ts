import { describe, expect, it } from 'vitest'
import { clustered } from './clustered.ts'
import { measure } from './measure.ts'
import { triangleCount } from './mesh.ts'
import { buildSolid } from '../shape/solids/solid.ts'

describe('fewer triangles for drawing', () => {
  const ball = buildSolid({ solid: 'ball', diameter: 0.05 })

  it('a fine ball keeps its shape within a few percent', () => {
    const drawn = clustered(ball, 12_000)
    expect(triangleCount(ball)).toBeGreaterThan(50_000)
    expect(triangleCount(drawn)).toBeLessThanOrEqual(12_000)
    expect(measure(drawn).volume / measure(ball).volume).toBeGreaterThan(0.95)
    expect(measure(drawn).high[2]).toBeCloseTo(0.05, 3)
  })

  it('a small mesh stays as it is', () => {
    expect(clustered(ball, 1e6)).toBe(ball)
  })
})

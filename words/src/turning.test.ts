import { describe, expect, it } from 'vitest'
import type { CompiledLayer } from '@mivro/core/work/plan'
import { imperial, metric } from '@mivro/core/base/units'
import { explainTurning, sayCastWall, sayNarrow, sayTurning } from './turning.ts'

const layer = (shots: number, turned: 'hands' | 'machine' = 'hands', more = {}) =>
  ({
    shell: { fill: { by: 'shell', wall: 0.003, shots, turned, turns: 6 }, from: 0, to: 0.003 },
    turning: {
      viscosity: 2.34,
      countsFrom: 420,
      stopsAt: 510,
      gelAt: 551,
      turns: 13,
      radius: 0.017,
    },
    clock: { lastPourAt: 600, gelAt: 1121 },
    ...more,
  }) as unknown as CompiledLayer
const time = (seconds: number) => `${seconds} s`
const place = (volume: number, blind = false) => ({ volume, blind, at: [0, 0, 0] as const })

describe('turning is said', () => {
  it('by hands or a machine, from when it counts, and when the next shot is mixed', () => {
    expect(sayTurning(layer(1), time, metric)).toBe(
      'Turn it at once, 6 times a minute in all directions, and think which walls have had nothing yet. It wets the walls first; from 420 s after mixing what it lays stays, so nobody rests until 510 s. Stop when the drip at the plug and the witness cup say so; stopped early it sags. Let it rest upright.',
    )
    const two = sayTurning(layer(2, 'machine'), time, metric)
    expect(two).toMatch(/^Turn it at once, 6 times a minute\. /)
    expect(two).toContain(
      'The next shot is mixed when this one has gelled, 521 s after it was poured: 2 shots make 3.0 mm.',
    )
  })

  it('without a model until nothing moves', () => {
    expect(sayTurning(layer(1, 'hands', { turning: undefined }), time, metric)).toContain(
      'Turn until nothing moves.',
    )
  })

  it('where its times come from, in anybody’s units', () => {
    const lines = explainTurning(layer(2), metric)
    expect(lines[0]).toContain(
      'A film of 1.5 mm stays up at 6 turns a minute once it is as thick as 2.3 Pa·s',
    )
    expect(lines[0]).toContain('17.0 mm from the wall')
    expect(explainTurning(layer(2), imperial)[0]).toMatch(/A film of 0\.059\d? in/)
    expect(explainTurning(layer(1, 'hands', { turning: undefined }), metric)).toEqual([])
  })

  it('how many places are narrow, and how many of them blind', () => {
    expect(sayNarrow([place(1e-6)], metric)).toBe('1 place, 1.00 ml')
    expect(sayNarrow([place(1e-6), place(5e-7, true)], metric)).toBe('2 places, 1 blind, 1.50 ml')
  })

  it('what a weighed cast says of its wall', () => {
    const cast = { by: 'weight' as const, mass: 0.0241, wall: 0.0026, wished: 0.003, reserve: 0.1 }
    expect(sayCastWall(cast, metric)).toBe(
      'The last cast weighed 24.1 g: a wall of 2.6 mm for the 3.0 mm that were wished.',
    )
    expect(sayCastWall({ ...cast, wall: 0.003 }, metric)).toContain('as it was wished.')
    expect(sayCastWall({ ...cast, by: 'cut' }, imperial)).toMatch(
      /cut open had a wall of .* in for/,
    )
  })
})

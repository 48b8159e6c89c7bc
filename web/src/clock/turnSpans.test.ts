import { expect, it } from 'vitest'
import type { CompiledLayer } from '@mivro/core/work/plan'
import { turnSpans } from './turnSpans.ts'
import type { TimeAxis } from './timeAxis.ts'

const axis = { x: (at: number) => at / 10 } as TimeAxis

it('each shot is turned from its pour until nothing moves, one gap after the other', () => {
  const layer = {
    name: 'Wall',
    shell: { fill: { shots: 2 } },
    turning: { countsFrom: 300, stopsAt: 500 },
    clock: { mixAt: 100, pourAt: 150, lastPourAt: 750 },
  } as unknown as CompiledLayer
  const [first, second] = turnSpans(
    [{ ...layer, shell: undefined }, layer],
    axis,
    (at) => `${at} s`,
  )
  expect(first).toMatchObject({ row: 1, from: 15, counts: 40, until: 60, word: 'turn 1' })
  expect(second).toMatchObject({ row: 1, from: 75, counts: 100, until: 120, word: 'turn 2' })
  expect(second.says).toBe('Shot 2 of Wall is turned: 750 s to 1200 s, it counts from 1000 s')
})

import { createPinia, setActivePinia } from 'pinia'
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'
import { effectScope, nextTick, ref, shallowRef, type EffectScope } from 'vue'
import type { HeatField } from '@mivro/core/cure'
import { Problem } from '@mivro/core/problem'
import { lawOf } from '../work/laws.ts'
import { newPlan, pourHeat, type PourHeatQuestion } from '@mivro/core/plan'
import { buildSolid } from '@mivro/core/shape'
import { slowEpoxy } from '../../../core/src/material/samples.ts'
import { useHeat } from './useHeat.ts'

const mesh = buildSolid({ solid: 'block', width: 0.04, depth: 0.04, height: 0.02 })
const asked: PourHeatQuestion[] = []
let given: 'answer' | 'problem' | 'never' = 'answer'
const cancelled = vi.fn()
interface Options {
  signal: AbortSignal
  onProgress: (share: number) => void
}
vi.mock('../work/pool.ts', () => ({
  askHeat: async ({ pour }: { pour: PourHeatQuestion }, { signal, onProgress }: Options) => {
    asked.push(pour)
    signal.addEventListener('abort', cancelled)
    onProgress(0.5)
    if (given === 'problem') throw new Problem('nothing-poured', {})
    if (given === 'never') return new Promise<HeatField>(() => {})
    return pourHeat(mesh, { ...pour, cells: 2000 }, lawOf, { frames: 12 })
  },
}))

const compiledWith = (top: number) => ({
  layers: [
    {
      top,
      clock: { pourAt: 240 },
      batch: { resin: slowEpoxy, room: 296.15, mass: 0.05, depth: top },
    },
  ],
  demouldAt: 80_000,
})
const piece = {
  piece: { document: { form: { from: 'sizes' } } },
  document: newPlan('x'),
  walls: { floor: 0.01, wall: 0.01 },
  clock: { waiting: false },
  preview: undefined,
  compiled: shallowRef(compiledWith(0.01)),
}
vi.mock('../piece/pieceStore.ts', () => ({
  usePiece: () => ({
    ...piece,
    get compiled() {
      return piece.compiled.value
    },
  }),
}))

beforeEach(() => {
  setActivePinia(createPinia())
  vi.useFakeTimers()
  asked.length = 0
  given = 'answer'
  cancelled.mockClear()
  piece.compiled.value = compiledWith(0.01)
})

const scopes: EffectScope[] = []
afterEach(() => scopes.splice(0).forEach((scope) => scope.stop()))

async function started(active = ref(true)) {
  const scope = effectScope()
  scopes.push(scope)
  const heat = scope.run(() => useHeat(() => active.value))!
  await vi.advanceTimersByTimeAsync(300)
  await nextTick()
  return { heat, active }
}

describe('the heat lens', () => {
  it('asks nothing while it is not looked at', async () => {
    const { heat } = await started(ref(false))
    expect(asked).toEqual([])
    expect(heat.field.value).toBeUndefined()
  })

  it('looks at the hottest moment and place of its answer', async () => {
    const { heat } = await started()
    expect(asked).toHaveLength(1)
    expect(heat.stale.value).toBe(false)
    expect(heat.at.value).toBeCloseTo(heat.hottest.value!.hot.at, 6)
    expect(heat.points.value).toEqual([heat.hottest.value!.hot.place])
    expect(heat.progress.value).toBeUndefined()
  })

  it('a change makes it stale, and is followed anew once it has settled', async () => {
    const { heat } = await started()
    piece.compiled.value = compiledWith(0.015)
    await nextTick()
    expect(heat.stale.value).toBe(true)
    expect(asked).toHaveLength(1)
    await vi.advanceTimersByTimeAsync(300)
    expect(asked).toHaveLength(2)
    expect(heat.stale.value).toBe(false)
  })

  it('a moment and points that were chosen stay', async () => {
    const { heat } = await started()
    heat.lookAt(5000)
    heat.addPoint([0.01, 0.01, 0.004])
    heat.addPoint([0, 0, -0.005])
    heat.addPoint([9, 9, 9])
    expect(heat.points.value).toEqual([
      [0.01, 0.01, 0.004],
      [0, 0, -0.005],
    ])
    heat.movePoint(0, [0, 0, 0.005])
    heat.removePoint(1)
    piece.compiled.value = compiledWith(0.014)
    await nextTick()
    await vi.advanceTimersByTimeAsync(300)
    expect(heat.at.value).toBe(5000)
    expect(heat.points.value).toEqual([[0, 0, 0.005]])
    heat.lookAt(-5)
    expect(heat.at.value).toBe(0)
  })

  it('can be given up, and says so', async () => {
    given = 'never'
    const { heat } = await started()
    expect(heat.progress.value).toBe(0.5)
    heat.giveUp()
    expect(cancelled).toHaveBeenCalledOnce()
    expect(heat.givenUp.value).toBe(true)
    expect(heat.progress.value).toBeUndefined()
  })

  it('what cannot be followed is said', async () => {
    given = 'problem'
    const { heat } = await started()
    expect(heat.problems.value.map(({ code }) => code)).toEqual(['nothing-poured'])
  })

  it('lets the time run, from the beginning when it stood at the end', async () => {
    const { heat } = await started()
    heat.lookAt(1e9)
    const end = heat.at.value
    heat.togglePlay()
    await vi.advanceTimersByTimeAsync(600)
    expect(heat.at.value).toBeGreaterThan(0)
    expect(heat.at.value).toBeLessThan(end)
    heat.togglePlay()
    const stood = heat.at.value
    await vi.advanceTimersByTimeAsync(600)
    expect(heat.at.value).toBe(stood)
  })
})

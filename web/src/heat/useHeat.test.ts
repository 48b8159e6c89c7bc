import { createPinia, setActivePinia } from 'pinia'
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest'
import { effectScope, nextTick, ref, shallowRef, type EffectScope } from 'vue'
import type { HeatField } from '@mivro/core/matter/cure'
import { Problem } from '@mivro/core/base/problem'
import { lawOf } from '../work/laws.ts'
import { fillCurve } from '@mivro/core/form/filling'
import {
  compile,
  newPlan,
  pourHeat,
  pourHeatQuestion,
  type Plan,
  type PourHeatQuestion,
} from '@mivro/core/work/plan'
import type { FoundHeat } from '@mivro/core/work/project'
import { buildSolid } from '@mivro/core/form/shape'
import { slowEpoxy } from '../../../core/src/matter/material/samples.ts'
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

const shelf = new Map([['e', slowEpoxy]])
const planWith = (top: number): Plan => ({
  ...newPlan('x'),
  layers: [
    {
      id: 'a',
      name: 'A',
      fill: { by: 'height', top },
      resin: 'e',
      tints: [],
      inclusions: [],
      join: 'crisp',
    },
  ],
})
const curve = fillCurve(mesh, [0, 0, 1])
const plan = shallowRef(planWith(0.01))
const found = shallowRef<FoundHeat>()
const store = {
  get estimated() {
    return compile(plan.value, curve, shelf)
  },
  get heatQuestion() {
    return { form: { from: 'sizes' }, pour: pourHeatQuestion(plan.value, this.estimated) }
  },
  get heatKey() {
    return JSON.stringify(this.heatQuestion)
  },
  answerHeat(answer: FoundHeat) {
    found.value = answer
  },
}
vi.mock('../project/projectStore.ts', () => ({ useProject: () => store }))

beforeEach(() => {
  setActivePinia(createPinia())
  vi.useFakeTimers()
  asked.length = 0
  given = 'answer'
  cancelled.mockClear()
  plan.value = planWith(0.01)
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
    // The project hears of it, and its estimates give way.
    expect(found.value!.peaks.get('a')!.temperature).toBe(heat.hottest.value!.hot.temperature)
  })

  it('a change makes it stale, and is followed anew once it has settled', async () => {
    const { heat } = await started()
    plan.value = planWith(0.015)
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
    plan.value = planWith(0.014)
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

import { flushPromises, mount } from '@vue/test-utils'
import { createPinia, setActivePinia } from 'pinia'
import { beforeEach, describe, expect, it, vi } from 'vitest'
import { shallowRef } from 'vue'
import type { Batch } from '@mivro/core/matter/cure'
import type { Material } from '@mivro/core/matter/material'
import type { Form } from '@mivro/core/form/piece'
import { compile, compileBy, newPlan, type Plan } from '@mivro/core/work/plan'
import { Problem } from '@mivro/core/base/problem'
import { fillCurve } from '@mivro/core/form/filling'
import { sheets } from '../../../core/src/matter/cure/samples.ts'
import { useCureTimes } from '../project/useCureTimes.ts'
import RoomFields from '../pour/RoomFields.vue'
import { useShelf } from '../project/shelfStore.ts'
import { handlers, type WaysQuestion } from '../work/handlers.ts'
import { cureTimes } from '../work/laws.ts'
import { jobContext } from '../work/onThisThread.ts'
import { buttonOf, rowsOf } from '../ui/inTests.ts'
import WaysOut from './WaysOut.vue'
import WhatIf from './WhatIf.vue'

const form: Form = {
  from: 'sizes',
  solid: { solid: 'block', width: 0.06, depth: 0.06, height: 0.05 },
}
const shelf = new Map<string, Material>([
  ['coating', { ...sheets.coating, maxDepth: 0.012 }],
  ['deep', { ...sheets.deep, name: 'Deep clear epoxy', maxDepth: 0.08 }],
  ['fast', sheets.fast],
])
const { mesh } = await jobContext().cavity(form)
const curve = fillCurve(mesh, [0, 0, 1])

let ways: 'found' | 'none' | 'problem' | 'never' = 'found'
const cancelled = vi.fn()
interface Options {
  signal: AbortSignal
  onProgress: (share: number) => void
}
vi.mock('../work/pool.ts', () => ({
  askTimes: async (batches: Batch[]) => cureTimes(batches),
  askWays: async (question: WaysQuestion, { signal, onProgress }: Options) => {
    signal.addEventListener('abort', cancelled)
    onProgress(0.4)
    if (ways === 'never') return new Promise(() => {})
    if (ways === 'problem') throw new Problem('mesh-too-open', { share: 0.2 })
    if (ways === 'none') return []
    return handlers.ways(question, jobContext(onProgress))
  },
}))

const planOf = (top: number, more: Partial<Plan> = {}): Plan => ({
  ...newPlan('One go'),
  room: 296.15,
  layers: [
    {
      id: 'all',
      name: 'All of it',
      fill: { by: 'height', top },
      resin: 'coating',
      tints: [],
      inclusions: [],
      join: 'crisp',
    },
  ],
  ...more,
})
const cure = (batch: Batch) => cureTimes([batch])[0]
const plan = shallowRef(planOf(0.05))
const change = vi.fn<(next: Plan) => undefined>(() => undefined)
const known = useCureTimes()
vi.mock('../project/projectStore.ts', () => ({
  useProject: () => ({
    piece: { document: { form } },
    get pour() {
      return { document: plan.value }
    },
    get plan() {
      return plan.value
    },
    get compiled() {
      return compileBy(cure, plan.value, curve, shelf)
    },
    get into() {
      return compile(plan.value, curve, shelf).into
    },
    compileWith: (next: Plan) => compile(next, curve, shelf, { times: known.times.value }),
    survey: { curve },
    known,
    changePlan: (next: Plan) => change(next),
  }),
}))

beforeEach(() => {
  setActivePinia(createPinia())
  useShelf().stored = [...shelf].map(([id, document]) => ({
    id,
    parent: null,
    revision: 1,
    document,
    createdAt: '',
    updatedAt: '',
    deletedAt: null,
  }))
  plan.value = planOf(0.05)
  ways = 'found'
  change.mockClear()
  cancelled.mockClear()
})

const waysOut = () => {
  const [layer] = compileBy(cure, plan.value, curve, shelf).layers
  return mount(WaysOut, { props: { layer, hot: true } })
}
const search = async (shown: ReturnType<typeof waysOut>) => {
  await buttonOf(shown, 'Suggest fixes').trigger('click')
  await flushPromises()
}

describe('ways out of a pour that runs hot', () => {
  it('cups no heavier than the sheet’s pot are one click, whatever the search finds', async () => {
    const shown = waysOut()
    const way = shown.get('.choice')
    expect(way.text()).toMatch(/Mix it in \d cups, one after the other/)
    await way.trigger('click')
    expect(change.mock.calls[0][0].layers[0].cups).toBeGreaterThan(1)
  })

  it('each that was found says what it does, how hot it gets and when it is out; one click takes it', async () => {
    const shown = waysOut()
    await search(shown)
    const found = await vi.waitFor(() => {
      const ways = shown.findAll('.choice').slice(1)
      expect(ways.length).toBeGreaterThan(1)
      return ways
    }, 30_000)
    for (const way of found) expect(way.text()).toMatch(/reaches \d+ °C, out after \d/)
    const other = found.find((way) => way.text().includes('Pour it of Deep clear epoxy'))!
    await other.trigger('click')
    expect(change.mock.calls[0][0].layers[0].resin).toBe('deep')
  }, 60_000)

  it('says how far it is, and can be given up', async () => {
    ways = 'never'
    const shown = waysOut()
    await search(shown)
    expect(shown.text()).toContain('Trying ways in the field, 40 %')
    await shown.get('[role="status"] button').trigger('click')
    expect(cancelled).toHaveBeenCalledOnce()
    expect(shown.text()).toContain('Suggest fixes')
  })

  it('where none holds it says what would, and a problem is said', async () => {
    ways = 'none'
    const shown = waysOut()
    await search(shown)
    expect(shown.text()).toContain('stays under the limit')
    ways = 'problem'
    const broken = waysOut()
    await search(broken)
    expect(broken.text()).toMatch(/too open|leak|hole|close/i)
  })

  it('a cup that is hot alone asks for no search', () => {
    const [layer] = compileBy(cure, plan.value, curve, shelf).layers
    const shown = mount(WaysOut, { props: { layer, hot: false } })
    expect(shown.text()).not.toContain('Suggest fixes')
  })
})

describe('what if the room were another', () => {
  it('warmer pours for less, gets hotter, and comes out sooner', async () => {
    plan.value = planOf(0.008)
    const shown = mount(WhatIf)
    await flushPromises()
    await vi.waitFor(() => expect(rowsOf(shown)).toHaveLength(4))
    expect(rowsOf(shown).map(([room]) => room)).toEqual(['18 °C', '21 °C', '24 °C', '28 °C'])
    const hottest = rowsOf(shown).map(([, , hot]) => parseInt(hot))
    for (let i = 1; i < 4; i++) expect(hottest[i]).toBeGreaterThan(hottest[i - 1])
    expect(shown.findAll('tr.stops')).toHaveLength(0)
  })

  it('a room in which it can’t be poured is marked in words too', async () => {
    const shown = mount(WhatIf)
    await vi.waitFor(() => expect(rowsOf(shown)).toHaveLength(4))
    expect(shown.get('tr.stops').text()).toContain('can’t be poured like this')
  })
})

describe('warmth, air and the day', () => {
  const fields = () => {
    const take = vi.fn(() => undefined)
    return { take, shown: mount(RoomFields, { props: { take } }) }
  }

  it('stay folded away while nothing is to be said', () => {
    const { shown } = fields()
    expect(
      shown.findAll('.el-collapse-item__header').map((head) => head.attributes('aria-expanded')),
    ).toEqual(['false', 'false'])
  })

  it('damp air unfolds, with the dew point and what it does', () => {
    plan.value = planOf(0.008, { humidity: 0.85 })
    const { shown } = fields()
    expect(shown.get('.el-collapse-item__header').attributes('aria-expanded')).toBe('true')
    expect(shown.text()).toContain('Water settles on what is colder than')
    expect(shown.text()).toContain('greasy blush')
  })

  it('a pour at night unfolds the day, and offers the hour that avoids it', async () => {
    const [first] = planOf(0.004).layers
    const layers = [
      first,
      { ...first, id: 'b', name: 'Second', fill: { by: 'height' as const, top: 0.008 } },
    ]
    plan.value = planOf(0.004, { layers, begin: 21 * 3600 })
    const { shown, take } = fields()
    expect(shown.text()).toContain('Second would be poured at')
    const offer = shown.findAll('button').find((button) => button.text().startsWith('Begin at'))!
    await offer.trigger('click')
    expect(take).toHaveBeenCalledWith({ begin: 7 * 3600 })
  })
})

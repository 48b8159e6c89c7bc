import { flushPromises, mount } from '@vue/test-utils'
import { createPinia, setActivePinia } from 'pinia'
import { beforeEach, describe, expect, it, vi } from 'vitest'
import type { Material } from '@mivro/core/matter/material'
import type { TintShare } from '@mivro/core/work/plan'
import { useShelf } from '../project/shelfStore.ts'
import TintList from './TintList.vue'

const violet: Material = {
  kind: 'tint',
  name: 'Violet dye',
  form: 'dye',
  colour: '#7b4fa3',
  density: 1080,
  limit: 0.005,
  drops: [{ count: 20, mass: 0.0006 }],
  note: '',
}
const mica: Material = { ...violet, name: 'Moonlight mica', form: 'mica', drops: undefined }

beforeEach(() => {
  localStorage.clear()
  setActivePinia(createPinia())
  useShelf().stored = Object.entries({ violet, mica }).map(([id, document]) => ({
    id,
    parent: null,
    revision: 1,
    document,
    createdAt: '',
    updatedAt: '',
    deletedAt: null,
  }))
})

async function list(material: string, resin?: number) {
  const take = vi.fn<(next: TintShare[]) => undefined>()
  const tints = [{ material, fraction: 0.0015 }]
  const wrapper = mount(TintList, { props: { tints, resin, take } })
  await flushPromises()
  const countIn = async (unit: string) => {
    const [units] = wrapper.findAllComponents({ name: 'ElSelect' })
    units.vm.$emit('update:modelValue', unit)
    await flushPromises()
  }
  const field = () => wrapper.get('.tint .el-input input')
  const type = async (text: string) => {
    await field().setValue(text)
    await field().trigger('blur')
  }
  return { wrapper, countIn, field, type, taken: () => take.mock.lastCall![0][0].fraction }
}
const shown = (input: { element: Element }) => (input.element as HTMLInputElement).value

describe('the doses of a layer', () => {
  it('stand as shares until there is a mix to weigh them in', async () => {
    const { wrapper } = await list('violet')
    expect(wrapper.find('[aria-label="Doses in"]').exists()).toBe(false)
  })

  it('are counted in drops as this bottle gives them', async () => {
    const { wrapper, countIn, field, type, taken } = await list('violet', 0.08)
    await countIn('drops')
    // 0.15 % of 80 g is 0.12 g; 20 drops weighed 0.6 g.
    expect(shown(field())).toBe('4')
    expect(wrapper.text()).toContain('as you weighed')
    await type('6')
    expect(taken()).toBeCloseTo(0.00225, 9)
  })

  it('are weights in the whole mix', async () => {
    const { countIn, field, type, taken } = await list('violet', 0.08)
    await countIn('weight')
    expect(Number(shown(field()))).toBeCloseTo(0.12, 6)
    await type('0.2')
    expect(taken()).toBeCloseTo(0.0025, 9)
  })

  it('of a powder stay shares where drops are counted', async () => {
    const { wrapper, countIn, field } = await list('mica', 0.08)
    await countIn('drops')
    expect(shown(field())).toBe('0.15')
    expect(wrapper.text()).toContain('A powder: by share')
  })
})

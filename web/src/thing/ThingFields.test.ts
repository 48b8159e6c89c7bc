import { flushPromises, mount } from '@vue/test-utils'
import { createPinia, setActivePinia } from 'pinia'
import { beforeEach, describe, expect, it, vi } from 'vitest'
import type { PlanInclusion } from '@mivro/core/matter/inclusion'
import ThingFields from './ThingFields.vue'

type Thing = Partial<PlanInclusion> & { mass: number; density: number }

beforeEach(() => setActivePinia(createPinia()))

function fields(thing: Thing) {
  const take = vi.fn<(change: Partial<PlanInclusion>) => undefined>()
  const wrapper = mount(ThingFields, { props: { thing, take } })
  return { wrapper, taken: () => take.mock.lastCall?.[0] }
}

describe('what a thing is', () => {
  it('says how large it is by its weight', () => {
    // A ball of 10 mm of 2500 kg/m³ weighs 1.309 g.
    const { wrapper } = fields({ mass: 0.001309, density: 2500, shape: 'ball' })
    expect(wrapper.text()).toContain('10.0 mm wide and 10.0 mm thick')
  })

  it('is clear by a matter’s index, and opaque again', async () => {
    const { wrapper, taken } = fields({ mass: 0.001, density: 2500 })
    const [, clear] = wrapper.findAllComponents({ name: 'ElSelect' })
    clear.vm.$emit('update:modelValue', 'glass')
    expect(taken()).toEqual({ index: 1.52 })
    clear.vm.$emit('update:modelValue', '-')
    expect(taken()).toEqual({ index: undefined })
  })

  it('asks what a porous thing drinks, and nothing else', async () => {
    const { wrapper, taken } = fields({ mass: 0.001, density: 400 })
    expect(wrapper.text()).not.toContain('Drinks')
    await wrapper.get('input[value="porous"]').setValue(true)
    expect(taken()).toEqual({ traits: ['porous'] })
    await wrapper.setProps({ thing: { mass: 0.001, density: 400, traits: ['porous'] } })
    await flushPromises()
    expect(wrapper.text()).toContain('Drinks, of its volume')
  })

  it('offers an own shape only where there is one', async () => {
    const shapes = async (thing: Thing) => {
      const { wrapper } = fields(thing)
      await wrapper.get('.el-select__wrapper').trigger('click')
      return wrapper
        .findAllComponents({ name: 'ElOption' })
        .map((option) => option.props('label') as string)
    }
    const without = await shapes({ mass: 0.001, density: 400 })
    expect(without.length).toBeGreaterThan(2)
    expect(without).not.toContain('Own shape')
    const form = { loops: [[-0.5, -0.1, 0.5, -0.1, 0, 0.4]] }
    expect(await shapes({ mass: 0.001, density: 400, form })).toContain('Own shape')
  })
})

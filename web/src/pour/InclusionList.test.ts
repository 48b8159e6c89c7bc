import { mount } from '@vue/test-utils'
import { createPinia, setActivePinia } from 'pinia'
import { beforeEach, describe, expect, it, vi } from 'vitest'
import type { PlanInclusion } from '@mivro/core/matter/inclusion'
import { useShelf } from '../project/shelfStore.ts'
import InclusionList from './InclusionList.vue'

const stars: PlanInclusion = { id: 's', name: 'Brass stars', count: 2, mass: 0.0004, density: 8500 }

beforeEach(() => {
  setActivePinia(createPinia())
  useShelf().stored = [
    {
      id: 'leaf',
      parent: null,
      revision: 1,
      document: { kind: 'inclusion', name: 'Silver leaf', density: 10490, mass: 2e-5, note: '' },
      createdAt: '',
      updatedAt: '',
      deletedAt: null,
    },
  ]
})

function list(inclusions: PlanInclusion[] = [stars]) {
  const take = vi.fn<(next: PlanInclusion[]) => undefined>()
  const wrapper = mount(InclusionList, { props: { inclusions, take } })
  return { wrapper, take, taken: () => take.mock.lastCall![0] }
}

describe('what is set into a layer', () => {
  it('stands as one line, and opens for its numbers', async () => {
    const { wrapper } = list()
    expect(wrapper.get('.summary').text()).toBe('2 Brass starsin each copy, 0.40 g each')
    expect(wrapper.find('.fields').exists()).toBe(false)
    await wrapper.get('.summary').trigger('click')
    const labels = wrapper.findAll('.fields label').map((label) => label.text())
    expect(labels.slice(0, 5)).toEqual([
      'Name',
      'Count per copy',
      'Weight of one',
      'Density',
      'Thickness',
    ])
    expect(labels).toContain('Carries load')
  })

  it('a changed number changes that one only', async () => {
    const { wrapper, taken } = list([stars, { ...stars, id: 't', name: 'Moons' }])
    await wrapper.findAll('.summary')[1].trigger('click')
    const count = wrapper.findAll('.fields input')[1]
    await count.setValue('10')
    await count.trigger('blur')
    expect(taken().map((inclusion) => inclusion.count)).toEqual([2, 10])
  })

  it('is taken out by its button', async () => {
    const { wrapper, taken } = list()
    await wrapper.get('[aria-label="Delete Brass stars"]').trigger('click')
    expect(taken()).toEqual([])
  })

  it('comes from the shelf with its numbers, or as something else to fill in', async () => {
    const { wrapper, taken } = list([])
    const picker = wrapper.getComponent({ name: 'ElSelect' })
    picker.vm.$emit('update:modelValue', 'leaf')
    expect(taken()[0]).toMatchObject({ name: 'Silver leaf', density: 10490, mass: 2e-5, count: 1 })
    picker.vm.$emit('update:modelValue', '-')
    expect(taken()[0]).toMatchObject({ name: 'Charm', count: 1 })
  })
})

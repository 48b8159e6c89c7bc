import { flushPromises, mount } from '@vue/test-utils'
import { createPinia, setActivePinia } from 'pinia'
import { beforeEach, describe, expect, it, vi } from 'vitest'
import type { Problem } from '@mivro/core/base/problem'
import ProfileFields from './ProfileFields.vue'
import SolidFields from './SolidFields.vue'
import { startingSolid } from './startingSolids.ts'
import { buttonOf, chooseIn } from '../ui/inTests.ts'

beforeEach(() => setActivePinia(createPinia()))

const profile = [
  { radius: 0.02, height: 0 },
  { radius: 0.01, height: 0.03 },
  { radius: 0.015, height: 0.05 },
]

describe('a turned profile', () => {
  const fields = () => {
    const take = vi.fn((): Problem | undefined => undefined)
    return { take, wrapper: mount(ProfileFields, { props: { profile, take } }) }
  }

  it('shows radius and height of every point', () => {
    const values = fields()
      .wrapper.findAll('input')
      .map((input) => input.element.value)
    expect(values).toEqual(['20.0', '0.0', '10.0', '30.0', '15.0', '50.0'])
  })

  it('a changed number changes that point only', async () => {
    const { take, wrapper } = fields()
    const input = wrapper.findAll('input')[2]
    await input.setValue('1/2 in')
    await input.trigger('blur')
    expect(take).toHaveBeenCalledWith([profile[0], { radius: 0.0127, height: 0.03 }, profile[2]])
  })

  it('the next point goes on as the last step went; points come out down to two', async () => {
    const { take, wrapper } = fields()
    await buttonOf(wrapper, 'Add').trigger('click')
    expect(take).toHaveBeenLastCalledWith([
      ...profile,
      { radius: 0.015, height: expect.closeTo(0.071, 9) },
    ])
    await wrapper.get('[aria-label="Delete point 2"]').trigger('click')
    expect(take).toHaveBeenLastCalledWith([profile[0], profile[2]])
    await wrapper.setProps({ profile: profile.slice(0, 2) })
    expect(wrapper.find('[aria-label^="Delete point"]').exists()).toBe(false)
  })
})

describe('a shape by its sizes', () => {
  it('asks for what that shape has, in its own words', async () => {
    const take = vi.fn(() => undefined)
    const wrapper = mount(SolidFields, { props: { solid: startingSolid('cup'), take } })
    await flushPromises()
    const labels = wrapper.findAll('.el-form-item__label').map((label) => label.text())
    expect(labels).toEqual([
      'Shape',
      'Diameter of the foot',
      'Diameter of the rim',
      'Height',
      'Wall',
    ])
    chooseIn(wrapper, 'Shape', 'hexagon')
    expect(take).toHaveBeenLastCalledWith(startingSolid('hexagon'))
    await wrapper.setProps({ solid: startingSolid('keycap') })
    expect(wrapper.findAll('.el-segmented__item').map((one) => one.text())).toEqual([
      '1',
      '1.25',
      '1.5',
      '1.75',
      '2',
      '2.25',
    ])
  })
})

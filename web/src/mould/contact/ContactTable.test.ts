import { mount } from '@vue/test-utils'
import { createPinia, setActivePinia } from 'pinia'
import { beforeEach, describe, expect, it } from 'vitest'
import { computed, shallowRef } from 'vue'
import { firmPlatinum } from '../../../../core/src/matter/material/samples.ts'
import { newMould, type Mould } from '@mivro/core/mould'
import { useProject } from '../../project/projectStore.ts'
import ContactTable from './ContactTable.vue'

const document = shallowRef<Mould>(newMould('m', 'p', [0, 0, 1], 0.05))

beforeEach(() => {
  setActivePinia(createPinia())
  document.value = newMould('m', 'p', [0, 0, 1], 0.05)
})

function table(shelf: 'with silicone' | 'without' = 'with silicone') {
  const silicone = shelf === 'without' ? undefined : firmPlatinum
  const store = useProject()
  Object.assign(store, {
    mould: computed(() => document.value),
    silicone: computed(() => silicone),
    changeMould: (values: Partial<Mould>) => {
      document.value = { ...document.value, ...values }
    },
  })
  return mount(ContactTable)
}

describe('compatibility', () => {
  it('a fresh print under platinum comes first, with its way out', () => {
    const [first] = table().findAll('[data-verdict]')
    expect(first.attributes('data-verdict')).toBe('inhibited')
    expect(first.text()).toMatch(/Does not cure\s*platinum silicone on resin print/)
    expect(first.text()).toMatch(/Way out\. Age it for four weeks/)
  })

  it('a patch test is kept with its day, and speaks from then on', async () => {
    const wrapper = table()
    await wrapper.get('[data-verdict] .el-button').trigger('click')
    const answers = wrapper.findAll('.test .el-button')
    expect(answers.map((answer) => answer.text())).toEqual(['cured clean', 'stayed tacky', 'stuck'])
    await answers[0].trigger('click')
    const [test] = document.value.contact.tests
    expect(test).toMatchObject({
      substance: 'resin print',
      poured: 'platinum silicone',
      result: 'cured clean',
    })
    expect(test.day).toMatch(/^\d{4}-\d\d-\d\d$/)
    expect(wrapper.findAll('[data-verdict="inhibited"]')).toHaveLength(0)
    expect(wrapper.text()).toContain(`Your patch test of ${test.day}: cured clean.`)
  })

  it('without a silicone it asks for one, and the master is prepared all the same', () => {
    const asked = table('without')
    expect(asked.text()).toContain('Choose a silicone first')
    expect(asked.findAll('[data-verdict]')).toEqual([])
    expect(asked.findAll('.prepare li').length).toBeGreaterThan(4)
  })

  it('cautions stand before the first step that they are about, once each', () => {
    const wrapper = table()
    const ids = wrapper
      .findAll('.prepare [data-safety]')
      .map((line) => line.attributes('data-safety'))
    expect(ids).toEqual(['oven', 'sanding', 'aerosol'])
    const baking = wrapper.findAll('.prepare li').find((li) => /Bake/.test(li.text()))!
    expect(baking.find('[data-safety="oven"]').exists()).toBe(true)
  })
})

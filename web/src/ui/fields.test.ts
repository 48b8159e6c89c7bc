import { mount } from '@vue/test-utils'
import { createPinia, setActivePinia } from 'pinia'
import { beforeEach, describe, expect, it, vi } from 'vitest'
import { defineComponent, reactive } from 'vue'
import { caution } from '@mivro/core/base/caution'
import CautionNotes from './CautionNotes.vue'
import { fieldsOf } from './fields.ts'
import QuantityField from './QuantityField.vue'
import SegmentField from './SegmentField.vue'
import TimeField from './TimeField.vue'

beforeEach(() => setActivePinia(createPinia()))

describe('fields of a panel', () => {
  const plan = reactive({ room: 294.15, begin: 32_400 as number | undefined, join: 'crisp' })
  const change = vi.fn((values: Partial<typeof plan>) => void Object.assign(plan, values))
  const panel = () =>
    mount(
      defineComponent({
        components: { QuantityField, SegmentField, TimeField },
        setup: () => ({
          ...fieldsOf(() => plan, change),
          joins: { crisp: 'Crisp', soft: 'Soft' },
        }),
        template: `
          <QuantityField label="Room" kind="temperature" v-bind="field('room')" />
          <TimeField label="Begin" optional v-bind="field('begin')" />
          <SegmentField label="Join" :options="joins" v-bind="choice('join')" />`,
      }),
    )
  beforeEach(() => change.mockClear())

  it('show what stands under their key, and change nothing else', async () => {
    const shown = panel()
    const [room] = shown.findAll('input')
    expect(room.element.value).toBe('21')
    await room.setValue('24')
    await room.trigger('keydown.enter')
    await room.trigger('blur')
    expect(change.mock.calls).toEqual([[{ room: 297.15 }]])
    expect(room.element.value).toBe('24')
  })

  it('that may be empty take nothing, the others keep what they have', async () => {
    const shown = panel()
    const [room, begin] = shown.findAll('input')
    await begin.setValue('')
    await begin.trigger('blur')
    expect(change.mock.calls).toEqual([[{ begin: undefined }]])
    await room.setValue('')
    await room.trigger('blur')
    expect(change).toHaveBeenCalledTimes(1)
    expect(shown.get('[role="alert"]').text()).not.toBe('')
  })

  it('of a list choose by their key', async () => {
    const shown = panel()
    await shown.findAll('input[type="radio"]')[1].setValue()
    expect(change.mock.calls).toEqual([[{ join: 'soft' }]])
  })
})

describe('cautions of a place', () => {
  it('stand one under the other, each with its own ways out', async () => {
    const thin = caution('layer-thin', 'warn', { layer: 'a' }, { layer: 'Blue', depth: 0.0005 })
    const stop = caution('layer-thin', 'stop', { layer: 'b' }, { layer: 'Red', depth: 0.0001 })
    const take = vi.fn()
    const shown = mount(CautionNotes, {
      props: {
        of: [thin, stop],
        fixes: ({ severity }) => (severity === 'stop' ? [{ words: 'Fill to the rim', take }] : []),
      },
    })
    const notes = shown.findAll('[role="note"]')
    expect(notes.map((note) => note.findAll('button').length)).toEqual([0, 1])
    expect(notes[0].text()).toContain('Blue')
    await notes[1].get('button').trigger('click')
    expect(take).toHaveBeenCalledOnce()
  })
})

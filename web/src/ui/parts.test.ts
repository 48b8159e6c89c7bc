import { flushPromises, mount } from '@vue/test-utils'
import { createPinia, setActivePinia } from 'pinia'
import { beforeEach, describe, expect, it, vi } from 'vitest'
import { nextTick, ref } from 'vue'
import { safetyFor } from '@mivro/core/base/caution'
import { caution } from '@mivro/core/base/caution'
import { weigh } from '@mivro/core/matter/mix'
import { Problem, Problems } from '@mivro/core/base/problem'
import { slowEpoxy, violet } from '../../../core/src/matter/material/samples.ts'
import { rowsOf } from './inTests.ts'
import CautionNote from './CautionNote.vue'
import CountField from './CountField.vue'
import { now, showDay } from './dates.ts'
import { useProblems } from './problems.ts'
import SafetyLines from './SafetyLines.vue'
import SegmentField from './SegmentField.vue'
import TextField from './TextField.vue'
import { isElsewhere, redoable, undoable, useUndoOf } from './undo.ts'
import WeighTable from '../weigh/WeighTable.vue'

beforeEach(() => setActivePinia(createPinia()))

describe('the weigh table', () => {
  const weighing = weigh(
    85e-6,
    { resin: slowEpoxy, tints: [{ material: violet, fraction: 0.002 }] },
    1e-4,
  )
  const shown = () => mount(WeighTable, { props: { weighing, copies: 6, step: 1e-4 } })
  const rows = async () => {
    const table = shown()
    await flushPromises()
    return rowsOf(table)
  }

  it('stands in pouring order, with what the scale shows', async () => {
    const [a, , b] = await rows()
    expect(a).toEqual(['Part A, resin', '64.5', '64.5', '56.6'])
    expect(b).toEqual(['Part B, hardener', '28.8', '93.5', '28.3'])
  })

  it('shows a tint too light for the scale finer than the scale does', async () => {
    expect((await rows())[1]).toEqual(['Violet dye', '0.19', '64.7', ''])
  })

  it('says for how many copies, and which cup', async () => {
    const table = shown()
    await flushPromises()
    expect(table.get('thead').text()).toContain('Weigh for 6 copies')
    expect(table.text()).toMatch(
      /85.0 ml in a cup of 150 ml; one step of the scale puts the ratio out by 0\.\d+ %/,
    )
  })
})

describe('cautions', () => {
  it('safety lines name their step and keep the order of the table', () => {
    const lines = safetyFor('weigh', ['epoxy', 'powder'])
    const box = mount(SafetyLines, {
      props: { before: 'Before you weigh', lines, withDeferring: true },
    })
    expect(box.attributes('aria-label')).toBe('Before you weigh')
    expect(box.findAll('[data-safety]').map((line) => line.attributes('data-safety'))).toEqual([
      'gloves',
      'bystanders',
      'amine',
      'dust',
    ])
    // Sentences are not run together.
    expect(box.text()).not.toMatch(/\.[A-Z]/)
    expect(box.text()).toContain('safety data sheet and your local rules come first')
  })

  it('no lines, no box', () => {
    const box = mount(SafetyLines, { props: { before: 'Before you mix', lines: [] } })
    expect(box.find('section').exists()).toBe(false)
  })

  it.each([
    ['stop', /^Stop\. /],
    ['warn', /^Careful\. /],
    ['note', /^A is only/],
  ] as const)('%s says how serious it is in a word, not by colour alone', (severity, begins) => {
    const note = mount(CautionNote, {
      props: { caution: caution('layer-thin', severity, {}, { layer: 'A', depth: 0.0004 }) },
    })
    expect(note.text()).toMatch(begins)
    expect(note.attributes('data-code')).toBe('layer-thin')
  })
})

describe('small fields', () => {
  it('a count takes whole numbers and keeps what is refused, with its sentence', async () => {
    const take = vi.fn((value: number) =>
      Number.isInteger(value) ? undefined : new Problem('not-whole', { value, min: 1, max: 9 }),
    )
    const field = mount(CountField, { props: { label: 'Copies', value: 2, take } })
    await field.get('input').setValue('3')
    await field.get('input').trigger('blur')
    expect(take).toHaveBeenLastCalledWith(3)
    await field.get('input').setValue('2.5')
    await field.get('input').trigger('blur')
    expect(field.get('[role=alert]').text()).toBe('2.5 has to be a whole number from 1 to 9.')
    expect(field.get('input').element.value).toBe('2.5')
    await field.get('input').setValue('many')
    await field.get('input').trigger('blur')
    expect(field.get('[role=alert]').text()).toMatch(/"many" does not read as a number/)
  })

  it('a text is handed on when it is left, and only if it changed', async () => {
    const take = vi.fn()
    const field = mount(TextField, { props: { label: 'Name', value: 'A', take } })
    await field.get('input').trigger('blur')
    expect(take).not.toHaveBeenCalled()
    await field.get('input').setValue('B')
    await field.get('input').trigger('blur')
    expect(take).toHaveBeenCalledWith('B')
    // What changes outside, by an undo, shows.
    await field.setProps({ value: 'C' })
    expect(field.get('input').element.value).toBe('C')
  })

  it('a segment is a group of radios with its label', async () => {
    const options = [
      { value: 'g', label: 'g' },
      { value: 'oz', label: 'oz' },
    ]
    const field = mount(SegmentField, { props: { label: 'Weight', options, value: 'g' } })
    expect(field.get('.el-form-item__label').text()).toBe('Weight')
    expect(field.get('[role=radiogroup]').attributes('aria-label')).toBe('Weight')
    expect(field.findAll('input').map((radio) => radio.element.checked)).toEqual([true, false])
    await field.findAll('input')[1].trigger('change')
    expect(field.emitted('choose')).toEqual([['oz']])
  })
})

describe('dates', () => {
  it('a time of day carries its day, and the year when it is another one', () => {
    vi.useFakeTimers({ now: new Date('2026-11-24T12:00:00Z') })
    expect(showDay('2026-11-10T18:40:00Z')).toBe('Tue 10 Nov')
    expect(showDay('2025-03-02T12:00:00Z')).toBe('Sun 2 Mar 2025')
    vi.useRealTimers()
  })

  it('a document keeps a moment with the offset of this machine', () => {
    expect(Date.parse(now())).toBeGreaterThan(0)
    expect(now()).toMatch(/^\d{4}-\d\d-\d\dT\d\d:\d\d:\d\d[+-]\d\d:\d\d$/)
  })
})

describe('what a screen runs into', () => {
  it('is kept until the next deed, and a stranger is thrown on', async () => {
    const { problems, trying } = useProblems()
    await trying(() => Promise.reject(new Problems([new Problem('server-away', {})])))
    expect(problems.value.map((problem) => problem.code)).toEqual(['server-away'])
    await trying(async () => {})
    expect(problems.value).toEqual([])
    await expect(trying(() => Promise.reject(new TypeError('ours')))).rejects.toThrow('ours')
  })
})

describe('undo over several documents', () => {
  const document = (touched: number, canUndo: boolean, canRedo = false) => ({
    touched,
    canUndo,
    canRedo,
    undo: () => false as const,
    redo: () => false as const,
  })

  it('takes the one changed last of those that can, and none of a screen that was left', async () => {
    const piece = document(3, true)
    const plan = document(5, true, true)
    const offered = ref([piece, plan])
    const wrapper = mount({
      setup() {
        useUndoOf(() => offered.value)
        return () => null
      },
    })
    await nextTick()
    expect(undoable.value!.touched).toBe(5)
    expect(redoable.value!.touched).toBe(5)
    offered.value = [piece, document(9, false)]
    await nextTick()
    expect(undoable.value!.touched).toBe(3)
    expect(redoable.value).toBeUndefined()
    // What the screen shows first is not elsewhere; another document of it is.
    expect([isElsewhere(offered.value[0]), isElsewhere(offered.value[1])]).toEqual([false, true])
    wrapper.unmount()
    expect(undoable.value).toBeUndefined()
  })
})

import { mount } from '@vue/test-utils'
import { createPinia, setActivePinia } from 'pinia'
import { beforeEach, describe, expect, it, vi } from 'vitest'
import { Problem } from '@mivro/core/base/problem'
import TimeField from './TimeField.vue'

beforeEach(() => setActivePinia(createPinia()))

const field = (props: object = {}) => {
  const take = vi.fn()
  const shown = mount(TimeField, { props: { label: 'Begin', value: 32400, take, ...props } })
  const type = async (text: string) => {
    await shown.get('input').setValue(text)
    await shown.get('input').trigger('keydown', { key: 'Enter' })
  }
  return { shown, take, type, input: () => shown.get('input').element.value }
}

describe('a field for a time of day', () => {
  it('shows hours and minutes, and takes what people write', async () => {
    const { input, type, take } = field()
    expect(input()).toBe('09:00')
    await type('9:30 pm')
    expect(take).toHaveBeenCalledWith(77400)
  })

  it('what is no time is said at the field, keeps what was typed, and is not taken', async () => {
    const { shown, input, type, take } = field()
    await type('half nine')
    expect(take).not.toHaveBeenCalled()
    expect(shown.text()).toContain('"half nine" is no time of day')
    expect(shown.get('input').attributes('aria-invalid')).toBe('true')
    expect(input()).toBe('half nine')
    await type('10')
    expect(take).toHaveBeenCalledWith(36000)
    expect(shown.text()).not.toContain('no time of day')
  })

  it('emptied, an optional one is none; another wants a time', async () => {
    const optional = field({ optional: true })
    await optional.type('')
    expect(optional.take).toHaveBeenCalledWith(undefined)
    const needed = field()
    await needed.type('')
    expect(needed.take).not.toHaveBeenCalled()
    expect(needed.shown.get('input').attributes('aria-invalid')).toBe('true')
  })

  it('left as it was, nothing is taken', async () => {
    const { shown, take } = field()
    await shown.get('input').trigger('blur')
    expect(take).not.toHaveBeenCalled()
  })

  it('what the document refuses is said, and a change from outside is followed', async () => {
    const refused = vi.fn(() => new Problem('day-too-short', { from: 72000, until: 28800 }))
    const { shown, type } = field({ take: refused })
    await type('8:00')
    expect(shown.text()).toContain('Let it close at least an hour after it opens')
    const other = field()
    await other.shown.setProps({ value: 43200 })
    expect(other.input()).toBe('12:00')
  })
})

import { mount } from '@vue/test-utils'
import { createPinia, setActivePinia } from 'pinia'
import { beforeEach, describe, expect, it, vi } from 'vitest'
import { Problem } from '@mivro/core/base/problem'
import QuantityField from './QuantityField.vue'

beforeEach(() => setActivePinia(createPinia()))

function field(take = vi.fn(), value: number | undefined = 0.0127) {
  const wrapper = mount(QuantityField, { props: { label: 'Height', kind: 'length', value, take } })
  const input = wrapper.get('input')
  const type = async (text: string) => {
    await input.setValue(text)
    await input.trigger('keydown.enter')
  }
  return { wrapper, input, type, take }
}

describe('a field for quantities', () => {
  it('shows the value as the hand can use it, and the exact one to whoever asks', () => {
    const { input, wrapper } = field(vi.fn(), 0.0127123456)
    expect(input.element.value).toBe('12.7')
    expect(wrapper.getComponent({ name: 'Tip' }).props('says')).toBe('12.7123456 mm')
  })

  it('takes what people type, in SI', async () => {
    const { type, take } = field()
    await type('1/8 in')
    expect(take.mock.calls[0][0]).toBeCloseTo(0.003175, 12)
  })

  it('left as shown, it changes nothing: no digit is lost to rounding', async () => {
    const { type, take } = field(vi.fn(), 0.0127123456)
    await type('12.7')
    expect(take).not.toHaveBeenCalled()
  })

  it('what cannot be read stays, with its sentence, until it is mended or let go', async () => {
    const { wrapper, input, type, take } = field()
    await type('3 cubits')
    expect(take).not.toHaveBeenCalled()
    expect(input.element.value).toBe('3 cubits')
    expect(wrapper.get('[role=alert]').text()).toMatch(/"cubits" is not a unit of length/)
    expect(input.attributes('aria-invalid')).toBe('true')
    await input.trigger('keydown.esc')
    expect(input.element.value).toBe('12.7')
    expect(wrapper.find('[role=alert]').exists()).toBe(false)
  })

  it('an empty field shows its unit as soon as something is typed', async () => {
    const props = { label: 'Viscosity', kind: 'viscosity', value: undefined } as const
    const wrapper = mount(QuantityField, {
      props: { ...props, placeholder: 'not stated', optional: true, take: () => undefined },
    })
    expect(wrapper.text()).not.toContain('mPa·s')
    await wrapper.get('input').setValue('600')
    expect(wrapper.text()).toContain('mPa·s')
  })

  it('what the document refuses stays too', async () => {
    const refuse = vi.fn(
      () => new Problem('out-of-range', { kind: 'length', value: 9, min: 0, max: 2 }),
    )
    const { wrapper, input, type } = field(refuse)
    await type('9 m')
    expect(input.element.value).toBe('9 m')
    expect(wrapper.get('[role=alert]').text()).toMatch(/9000 mm is outside what makes sense here/)
  })

  it('an optional one can be emptied, another cannot', async () => {
    const take = vi.fn()
    const optional = mount(QuantityField, {
      props: { label: 'x', kind: 'length', value: 0.01, take, optional: true },
    })
    await optional.get('input').setValue('')
    await optional.get('input').trigger('blur')
    expect(take).toHaveBeenCalledWith(undefined)
    const { type, wrapper } = field()
    await type('')
    expect(wrapper.get('[role=alert]').text()).toMatch(/Write a length/)
  })
})

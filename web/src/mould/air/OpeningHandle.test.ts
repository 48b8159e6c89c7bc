import { mount } from '@vue/test-utils'
import { createPinia, setActivePinia } from 'pinia'
import { beforeEach, describe, expect, it, vi } from 'vitest'
import type { MouldOpening } from '@mivro/core/mould'
import OpeningHandle from './OpeningHandle.vue'

const vent: MouldOpening = { id: 'v', what: 'vent', at: [0, 0, 0.01], bore: 0.002, made: 'cast in' }

beforeEach(() => setActivePinia(createPinia()))

function handle(values: object = {}) {
  const onOutline = vi.fn((x: number, y: number): [number, number, number] => [
    x / 1000,
    0,
    y / 1000,
  ])
  const wrapper = mount(
    {
      components: { OpeningHandle },
      template:
        '<svg><OpeningHandle v-bind="all" @drag="dragged" @drop="dropped" @nudge="nudged" @remove="removed" @select="chosen" /></svg>',
      setup: () => ({
        all: { opening: vent, x: 40, y: 30, behind: 0, selected: false, onOutline, ...values },
        ...heard,
      }),
    },
    { attachTo: document.body },
  )
  return { wrapper, g: wrapper.get('[data-opening]'), onOutline }
}
const heard = {
  dragged: vi.fn(),
  dropped: vi.fn(),
  nudged: vi.fn(),
  removed: vi.fn(),
  chosen: vi.fn(),
}
beforeEach(() => Object.values(heard).forEach((spy) => spy.mockClear()))

describe('a vent on the cut', () => {
  it('says what it is, and how far it lies from the cut', () => {
    expect(handle().g.attributes('aria-label')).toMatch(/^Vent, 2.0 mm\. Drag/)
    expect(handle({ behind: 0.004 }).g.attributes('aria-label')).toMatch(
      /^Vent, 2.0 mm, 4.0 mm behind the cut/,
    )
    expect(handle({ behind: -0.004 }).g.classes()).toContain('far')
  })

  it('arrows move it by half a millimetre, with Shift by five, Delete takes it out', async () => {
    const { g } = handle()
    await g.trigger('keydown', { key: 'ArrowLeft' })
    expect(heard.nudged).toHaveBeenLastCalledWith(-0.0005, 0)
    await g.trigger('keydown', { key: 'ArrowUp', shiftKey: true })
    expect(heard.nudged).toHaveBeenLastCalledWith(0, 0.005)
    await g.trigger('keydown', { key: 'Delete' })
    expect(heard.removed).toHaveBeenCalledOnce()
    await g.trigger('focus')
    expect(heard.chosen).toHaveBeenCalledOnce()
  })

  it('follows the hand along the outline until it is let go', async () => {
    const { g, onOutline } = handle()
    ;(g.element as unknown as { setPointerCapture: () => void }).setPointerCapture = () => {}
    await g.trigger('pointermove', { clientX: 5, clientY: 5 })
    expect(heard.dragged).not.toHaveBeenCalled()
    await g.trigger('pointerdown', { button: 0 })
    await g.trigger('pointermove', { clientX: 12, clientY: 34 })
    await new Promise(requestAnimationFrame)
    expect(onOutline).toHaveBeenLastCalledWith(12, 34)
    expect(heard.dragged).toHaveBeenLastCalledWith([0.012, 0, 0.034])
    await g.trigger('pointerup')
    expect(heard.dropped).toHaveBeenCalledOnce()
    await g.trigger('pointermove', { clientX: 90, clientY: 90 })
    expect(heard.dragged).toHaveBeenCalledOnce()
  })
})

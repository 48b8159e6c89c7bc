import { mount } from '@vue/test-utils'
import { afterEach, describe, expect, it, vi } from 'vitest'
import { defineComponent, h } from 'vue'
import { undoHelp, useShortcuts, type Shortcut } from './useShortcuts.ts'

let help: [string, string][]
const shown = (shortcuts: Shortcut[]) =>
  mount(
    defineComponent({
      setup() {
        help = useShortcuts(shortcuts)
        return () => h('div', [h('input'), h('button')])
      },
    }),
    { attachTo: document.body },
  )
const press = (key: string, on: EventTarget = document.body) =>
  on.dispatchEvent(new KeyboardEvent('keydown', { key, bubbles: true, cancelable: true }))

afterEach(() => (document.body.innerHTML = ''))

describe('shortcuts of a screen', () => {
  it('are written once: what is heard, and what the help says of it', () => {
    const act = vi.fn<() => void>()
    const wrapper = shown([
      { keys: ['a', 'PageDown'], says: 'Add a layer', act },
      { shown: '↑ ↓', says: 'Move it' },
      { keys: ['Escape'], says: 'Deselect', act },
      { keys: ['?'], act },
      ...undoHelp,
    ])
    expect(help).toEqual([
      ['A', 'Add a layer'],
      ['↑ ↓', 'Move it'],
      ['Esc', 'Deselect'],
      ['Ctrl Z', 'Undo'],
      ['Ctrl Shift Z', 'Redo'],
    ])
    for (const key of ['a', 'PageDown', 'Escape', '?', 'b']) press(key)
    expect(act).toHaveBeenCalledTimes(4)
    wrapper.unmount()
    press('a')
    expect(act).toHaveBeenCalledTimes(4)
  })

  it('rest while something is typed, or something is open over the screen', () => {
    const act = vi.fn<() => void>()
    const wrapper = shown([{ keys: ['a'], act }])
    press('a', wrapper.get('input').element)
    const dialog = document.createElement('div')
    dialog.className = 'el-overlay'
    dialog.innerHTML = '<div class="el-dialog"></div>'
    document.body.append(dialog)
    press('a')
    expect(act).not.toHaveBeenCalled()
    dialog.remove()
    press('a', wrapper.get('button').element)
    expect(act).toHaveBeenCalledOnce()
    wrapper.unmount()
  })
})

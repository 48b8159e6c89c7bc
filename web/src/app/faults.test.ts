import { beforeEach, describe, expect, it } from 'vitest'
import { Problem } from '@mivro/core/base/problem'
import { sayProblem } from '@mivro/words/problem'
import { dismissFaults, faults, hearFaults, reportFault } from './faults.ts'
import { keepOnLeaving } from './leaving.ts'
import { useTyping } from './typing.ts'
import { effectScope } from 'vue'

beforeEach(() => dismissFaults())
const said = () => faults.value.map((problem) => sayProblem(problem))

describe('what nobody expected', () => {
  it('is shown in a sentence, once, whatever was thrown', () => {
    reportFault(new Error('x is undefined'))
    reportFault(new Error('x is undefined'))
    reportFault('a string')
    reportFault(new Problem('server-away', {}))
    expect(said()).toEqual([
      expect.stringMatching(/Something went wrong on this page \(a string\)/),
      expect.stringMatching(/The server does not answer/),
    ])
  })

  it('a view that did not come is said as that, whatever the browser calls it', () => {
    for (const words of [
      'Failed to fetch dynamically imported module: http://127.0.0.1/assets/a.js',
      'error loading dynamically imported module: http://127.0.0.1/assets/a.js',
      'Importing a module script failed.',
      'Unable to preload CSS for /assets/a.css',
    ]) {
      reportFault(new TypeError(words))
    }
    expect(said()).toEqual([expect.stringMatching(/^This view could not be fetched/)])
  })

  it('is heard from promises and handlers', () => {
    hearFaults()
    const rejected = new Event('unhandledrejection', { cancelable: true })
    dispatchEvent(Object.assign(rejected, { reason: new Error('nobody caught me') }))
    expect(said()[0]).toMatch(/nobody caught me/)
    dispatchEvent(new ErrorEvent('error', { message: 'boom', error: new Error('boom') }))
    expect(said().at(-1)).toMatch(/boom/)
    dispatchEvent(new ErrorEvent('error', { message: 'ResizeObserver loop limit exceeded' }))
    expect(said().at(-1)).toMatch(/boom/)
  })

  it('what the person gave up is none', () => {
    reportFault(new DOMException('given up', 'AbortError'))
    expect(faults.value).toEqual([])
  })
})

describe('typing', () => {
  it('in a field is not saved yet, until the field is left', () => {
    const scope = effectScope()
    const typing = scope.run(() => useTyping())!
    document.body.innerHTML = '<input type="text"><input type="checkbox">'
    const [text, box] = document.querySelectorAll('input')
    box.dispatchEvent(new Event('input', { bubbles: true }))
    expect(typing.value).toBe(false)
    text.dispatchEvent(new Event('input', { bubbles: true }))
    expect(typing.value).toBe(true)
    text.dispatchEvent(new FocusEvent('focusout', { bubbles: true }))
    expect(typing.value).toBe(false)
    scope.stop()
  })

  it('stands in a field while the page goes: the field is left first', () => {
    document.body.innerHTML = '<input type="text">'
    const field = document.querySelector('input')!
    let left = 0
    field.addEventListener('blur', () => left++)
    keepOnLeaving()
    field.focus()
    dispatchEvent(new Event('pagehide'))
    expect(left).toBe(1)
  })
})

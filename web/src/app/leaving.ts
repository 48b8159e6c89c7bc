import { isTyped } from './typing.ts'
import { flushAll } from '../api/sessions.ts'

/**
 * While the page goes (a reload, a closed tab, another app in front on a tablet) what stands in a
 * field is taken as if it had been left, and everything unsent is put aside.
 */
export function keepOnLeaving(target: Window = window): void {
  const keep = () => {
    const { activeElement } = target.document
    if (activeElement && isTyped(activeElement)) {
      activeElement.dispatchEvent(new FocusEvent('blur'))
      activeElement.dispatchEvent(new Event('change', { bubbles: true }))
    }
    flushAll()
  }
  target.addEventListener('pagehide', keep)
  target.addEventListener('beforeunload', keep)
  target.document.addEventListener('visibilitychange', () => {
    if (target.document.visibilityState === 'hidden') keep()
  })
}

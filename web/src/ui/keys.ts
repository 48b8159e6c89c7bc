import { tinykeys, type KeyBindingMap } from 'tinykeys'

/** Shortcuts of a screen; they rest while something is typed or a dialog is open. */
export default function keys(bindings: Record<string, () => void>): () => void {
  const resting = (event: Event) => {
    const target = event.target as HTMLElement
    return (
      target.matches('input, textarea, select, [contenteditable]') ||
      document.querySelector('.el-overlay[style]:not([style*="none"])') !== null
    )
  }
  const guarded: KeyBindingMap = {}
  for (const [key, run] of Object.entries(bindings)) {
    guarded[key === '?' ? 'Shift+?' : key] = (event) => {
      if (resting(event)) return
      run()
    }
  }
  return tinykeys(window, guarded)
}

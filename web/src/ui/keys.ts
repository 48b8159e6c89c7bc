import { tinykeys, type KeyBindingMap } from 'tinykeys'

/** What is open over the page and takes the keys for itself; a tip does not. */
const over =
  '.el-popper:not(.tip)[aria-hidden="false"], .el-overlay:not([style*="display: none"]) .el-dialog'

/** Shortcuts of a screen; they rest while something is typed or something is open over it. */
export default function keys(bindings: Record<string, () => void>): () => void {
  const resting = ({ target }: Event) =>
    (target as HTMLElement).matches?.('input:not([type=radio]), textarea, select') ||
    document.querySelector(over) !== null
  const guarded: KeyBindingMap = {}
  for (const [key, run] of Object.entries(bindings)) {
    const listen = (event: KeyboardEvent) => {
      if (resting(event)) return
      event.preventDefault()
      run()
    }
    guarded[key] = listen
    // Some layouts need Shift for the question mark, some report it without.
    if (key === '?') guarded['Shift+?'] = listen
  }
  return tinykeys(window, guarded)
}

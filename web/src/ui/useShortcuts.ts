import { onMounted, onUnmounted } from 'vue'
import { tinykeys, type KeyBindingMap } from 'tinykeys'

/** One shortcut of a screen: its keys, what it says in the help, and what it does. */
export interface Shortcut {
  /** As tinykeys names them; absent where what has the focus hears it by itself. */
  keys?: readonly string[]
  /** How the help writes it; the first key if not said. */
  shown?: string
  /** Absent: the help leaves it out. */
  says?: string
  /** False: it does nothing now, and what has the focus hears the key. */
  act?: () => unknown
}

/** What every screen's help says of undo, which the bar at the top hears. */
export const undoHelp: readonly Shortcut[] = [
  { shown: 'Ctrl Z', says: 'Undo' },
  { shown: 'Ctrl Shift Z', says: 'Redo' },
]

/** What is open over the page and takes the keys for itself; a tip does not. */
const over =
  '.el-popper:not(.tip)[aria-hidden="false"], .el-overlay:not([style*="display: none"]) .el-dialog'

const resting = ({ target }: Event) =>
  (target as HTMLElement).matches?.('input:not([type=radio]), textarea, select') ||
  document.querySelector(over) !== null

/**
 * Shortcuts of a screen, heard while it is shown; they rest while something is typed or something
 * is open over it. Answers the lines of its help.
 */
export function useShortcuts(shortcuts: readonly Shortcut[]): [string, string][] {
  const bindings: KeyBindingMap = {}
  for (const { keys = [], act } of shortcuts) {
    for (const key of keys) {
      const listen = (event: KeyboardEvent) => {
        if (!act || resting(event)) return
        if (act() !== false) event.preventDefault()
      }
      bindings[key] = listen
      // Some layouts need Shift for the question mark, some report it without.
      if (key === '?') bindings['Shift+?'] = listen
    }
  }
  let stop = () => {}
  onMounted(() => (stop = tinykeys(window, bindings)))
  onUnmounted(() => stop())
  return shortcuts.flatMap(({ keys = [], shown = inHelp(keys[0]), says }) =>
    says ? [[shown, says] as [string, string]] : [],
  )
}

const inHelp = (key = '') => (key === 'Escape' ? 'Esc' : key.length === 1 ? key.toUpperCase() : key)

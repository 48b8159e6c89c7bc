import { computed, onUnmounted, shallowReactive, watchEffect } from 'vue'
import type { Keeper } from '../api/keeper.ts'
import type { Path } from '../api/client.ts'

/** What undo and redo need of an open document. */
type Undoable = Pick<Keeper<Path>, 'canUndo' | 'canRedo' | 'undo' | 'redo' | 'touched'>

/** The documents that the open screens offer to undo, by screen. */
const offered = shallowReactive(new Map<symbol, readonly Undoable[]>())

/** A screen offers its open documents; the one that was changed last is undone first. */
export function useUndoOf(documents: () => readonly (Undoable | undefined)[]): void {
  const screen = Symbol('screen')
  watchEffect(() => {
    offered.set(
      screen,
      documents().filter((document) => document !== undefined),
    )
  })
  onUnmounted(() => offered.delete(screen))
}

const newestFirst = computed(() =>
  [...offered.values()].flat().sort((a, b) => b.touched - a.touched),
)

export const undoable = computed(() => newestFirst.value.find((document) => document.canUndo))
export const redoable = computed(() => newestFirst.value.find((document) => document.canRedo))

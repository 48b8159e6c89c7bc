import { computed, onUnmounted, shallowReactive, shallowRef, watchEffect } from 'vue'
import type { Path } from '../api/client.ts'
import { gesture, type Session } from '../api/session.ts'

/** What undo and redo need of an open document. */
export interface Undoable extends Pick<Session<Path>, 'canUndo' | 'canRedo' | 'touched'> {
  path?: Path
  undo: () => unknown
  redo: () => unknown
}

/** The documents that the open screens offer to undo, by screen; each screen's own one first. */
const offered = shallowReactive(new Map<symbol, readonly Undoable[]>())

/** A deletion that can still be taken back, like any other gesture. */
const deletion = shallowRef<Undoable>()

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

/** Until something else is deleted, undo takes this back, when it was the last thing done. */
export function offerDeletion(takeBack: () => void): () => void {
  const own: Undoable = {
    canUndo: true,
    canRedo: false,
    touched: gesture(),
    undo: () => {
      withdraw()
      takeBack()
    },
    redo: () => {},
  }
  const withdraw = () => {
    if (deletion.value === own) deletion.value = undefined
  }
  deletion.value = own
  return withdraw
}

const newestFirst = computed(() =>
  [...[...offered.values()].flat(), ...(deletion.value ? [deletion.value] : [])].sort(
    (a, b) => b.touched - a.touched,
  ),
)

export const undoable = computed(() => newestFirst.value.find((document) => document.canUndo))
export const redoable = computed(() => newestFirst.value.find((document) => document.canRedo))

/** Whether what is undone next is not what the open screen shows first. */
export const isElsewhere = (document: Undoable | undefined): boolean =>
  document !== undefined && ![...offered.values()].some(([first]) => first === document)

<script setup lang="ts">
import { onMounted, onUnmounted } from 'vue'
import { ElMessage } from 'element-plus'
import { Redo2, Undo2 } from 'lucide-vue-next'
import keys from '../ui/keys.ts'
import type { Path } from '../api/client.ts'
import { isElsewhere, redoable, undoable, type Undoable } from '../ui/undo.ts'

/** What a document of each kind is called, where something else than the open screen is undone. */
const names: Record<Path, string> = {
  pieces: 'the shape',
  plans: 'the pour',
  pulls: 'the pull',
  moulds: 'the mould',
  materials: 'the material',
  studios: 'the settings',
}
const nameOf = (document: Undoable | undefined) => (document?.path ? names[document.path] : '')

function undo(): void {
  const document = undoable.value
  const elsewhere = isElsewhere(document) && nameOf(document)
  document?.undo()
  if (elsewhere) ElMessage({ message: `Undone: a change of ${elsewhere}.`, duration: 4000 })
}
function redo(): void {
  const document = redoable.value
  const elsewhere = isElsewhere(document) && nameOf(document)
  document?.redo()
  if (elsewhere) ElMessage({ message: `Redone: a change of ${elsewhere}.`, duration: 4000 })
}

let unbind = () => {}
onMounted(() => {
  unbind = keys({ '$mod+z': undo, '$mod+Shift+Z': redo, '$mod+y': redo })
})
onUnmounted(() => unbind())
</script>

<template>
  <span class="pair">
    <button
      type="button"
      :disabled="!undoable"
      title="Undo (Ctrl Z)"
      aria-label="Undo"
      @click="undo"
    >
      <Undo2 :size="17" aria-hidden="true" />
    </button>
    <button
      type="button"
      :disabled="!redoable"
      title="Redo (Ctrl Shift Z)"
      aria-label="Redo"
      @click="redo"
    >
      <Redo2 :size="17" aria-hidden="true" />
    </button>
  </span>
</template>

<style scoped>
button {
  display: inline-flex;
  padding: 7px;
  border: 0;
  border-radius: var(--r-field);
  background: transparent;
  color: var(--bar-ink);
  cursor: pointer;
}

button:hover:not(:disabled) {
  background: var(--bar-hover);
}

button:disabled {
  color: var(--bar-off);
  cursor: default;
}
</style>

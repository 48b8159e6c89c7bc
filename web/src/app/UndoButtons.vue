<script setup lang="ts">
import { onMounted, onUnmounted } from 'vue'
import { Redo2, Undo2 } from 'lucide-vue-next'
import keys from '../ui/keys.ts'
import { redoable, undoable } from '../ui/undo.ts'

const undo = () => undoable.value?.undo()
const redo = () => redoable.value?.redo()

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
  border-radius: 8px;
  background: transparent;
  color: #eaf3f0;
  cursor: pointer;
}

button:hover:not(:disabled) {
  background: #224744;
}

button:disabled {
  color: #5f807b;
  cursor: default;
}
</style>

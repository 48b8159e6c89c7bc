<script setup lang="ts">
import { ElButton } from 'element-plus'
import { Redo2, Undo2 } from 'lucide-vue-next'
import { useShortcuts } from '../ui/useShortcuts.ts'
import type { Path } from '../api/client.ts'
import { isElsewhere, redoable, undoable, type Undoable } from '../ui/undo.ts'
import Tip from '../ui/Tip.vue'

/** What a document of each kind is called, where something else than the open screen is undone. */
const names: Record<Path, string> = {
  pieces: 'the shape',
  plans: 'the pour',
  pulls: 'the pull',
  moulds: 'the mould',
  materials: 'the material',
  runs: 'the run',
  benches: 'the bench',
  studios: 'the settings',
}
const nameOf = (document: Undoable | undefined) => (document?.path ? names[document.path] : '')

/** Undone where it is not seen: said in a line that passes by. */
const say = async (text: string) => (await import('../ui/notice.ts')).notice(text)
function undo(): void {
  const document = undoable.value
  const elsewhere = isElsewhere(document) && nameOf(document)
  document?.undo()
  if (elsewhere) void say(`Undone: a change of ${elsewhere}.`)
}
function redo(): void {
  const document = redoable.value
  const elsewhere = isElsewhere(document) && nameOf(document)
  document?.redo()
  if (elsewhere) void say(`Redone: a change of ${elsewhere}.`)
}

useShortcuts([
  { keys: ['$mod+z'], act: undo },
  { keys: ['$mod+Shift+Z', '$mod+y'], act: redo },
])
</script>

<template>
  <span class="pair">
    <Tip says="Undo (Ctrl Z)">
      <ElButton text circle :disabled="!undoable" aria-label="Undo" @click="undo">
        <Undo2 :size="17" aria-hidden="true" />
      </ElButton>
    </Tip>
    <Tip says="Redo (Ctrl Shift Z)">
      <ElButton text circle :disabled="!redoable" aria-label="Redo" @click="redo">
        <Redo2 :size="17" aria-hidden="true" />
      </ElButton>
    </Tip>
  </span>
</template>

<style scoped>
.pair {
  flex: none;
}
</style>

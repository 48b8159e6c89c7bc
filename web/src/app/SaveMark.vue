<script setup lang="ts">
import { computed } from 'vue'
import { Check, CloudOff, LoaderCircle, PencilLine } from 'lucide-vue-next'
import type { SaveState } from '../api/session.ts'
import { openSessions } from '../api/sessions.ts'
import { useTyping } from './typing.ts'

type Shown = SaveState | 'typing'
const words: Record<Shown, string> = {
  saved: 'Saved',
  saving: 'Saving',
  waiting: 'Not saved yet. It is kept here and sent again by itself.',
  conflict: 'Changed elsewhere: choose a version',
  stopped: 'Not saved: reload the page',
  typing: 'Typing, not saved yet',
}

const typing = useTyping()
const worst = computed<Shown>(() => {
  const states = [...openSessions.values()].map((session) => session.state)
  const order = ['stopped', 'conflict', 'waiting', 'saving'] as const
  const found = order.find((state) => states.includes(state))
  return found ?? (typing.value ? 'typing' : 'saved')
})
</script>

<template>
  <span class="save" :class="worst" role="status">
    <Check v-if="worst === 'saved'" :size="14" aria-hidden="true" />
    <PencilLine v-else-if="worst === 'typing'" :size="14" aria-hidden="true" />
    <LoaderCircle v-else-if="worst === 'saving'" :size="14" aria-hidden="true" />
    <CloudOff v-else :size="14" aria-hidden="true" />
    {{ words[worst] }}
  </span>
</template>

<style scoped>
.save {
  display: inline-flex;
  align-items: center;
  gap: 6px;
  color: #9fd3b8;
  font-size: 12px;
}

.save.saving,
.save.typing {
  color: #cfe0dc;
}

.save.stopped,
.save.waiting,
.save.conflict {
  padding: 4px 12px;
  border: 1px solid #a8731f;
  border-radius: 99px;
  background: #5b3a0b;
  color: #ffe3b0;
}
</style>

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
  color: var(--bar-ok);
  font-size: var(--size-small);
}

.save.saving,
.save.typing {
  color: var(--bar-ink);
}

.save.stopped,
.save.waiting,
.save.conflict {
  padding: 4px 12px;
  border: 1px solid var(--bar-warn-line);
  border-radius: var(--r-round);
  background: var(--bar-warn);
  color: var(--bar-warn-ink);
}
</style>

<script setup lang="ts">
import { computed } from 'vue'
import { Check, CloudOff, LoaderCircle } from 'lucide-vue-next'
import { openKeepers, type SaveState } from '../api/keeper.ts'

const words: Record<SaveState, string> = {
  saved: 'Saved',
  saving: 'Saving',
  waiting: 'Not saved yet: the server does not answer. It is kept here and sent again.',
  conflict: 'Changed elsewhere: choose a version',
}

const worst = computed<SaveState>(() => {
  const states = [...openKeepers.values()].map((keeper) => keeper.state)
  return (
    (['conflict', 'waiting', 'saving'] as const).find((state) => states.includes(state)) ?? 'saved'
  )
})
</script>

<template>
  <span class="save" :class="worst" role="status">
    <Check v-if="worst === 'saved'" :size="14" aria-hidden="true" />
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

.save.saving {
  color: #cfe0dc;
}

.save.waiting,
.save.conflict {
  padding: 4px 12px;
  border: 1px solid #a8731f;
  border-radius: 99px;
  background: #5b3a0b;
  color: #ffe3b0;
}
</style>

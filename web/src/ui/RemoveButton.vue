<script setup lang="ts">
import { Trash2 } from 'lucide-vue-next'

defineProps<{ label: string }>()
</script>

<template>
  <button type="button" class="remove" :aria-label="label" :title="label">
    <Trash2 :size="14" aria-hidden="true" />
  </button>
</template>

<style scoped>
.remove {
  display: inline-flex;
  padding: 6px;
  border: 0;
  border-radius: var(--r-small);
  background: transparent;
  color: var(--ink-2);
  cursor: pointer;
}

.remove:hover {
  background: var(--stop-soft);
  color: var(--stop);
}
</style>

<script setup lang="ts">
import { ElPopover } from 'element-plus'
import { Info } from 'lucide-vue-next'

defineProps<{ of: string; lines: readonly string[] }>()
</script>

<template>
  <ElPopover trigger="click" placement="left" :width="340">
    <template #reference>
      <button type="button" class="origin" :aria-label="`Where ${of} comes from`">
        <Info :size="14" aria-hidden="true" />
      </button>
    </template>
    <h2>Where {{ of }} comes from</h2>
    <ul class="lines">
      <li v-for="line in lines" :key="line">{{ line }}</li>
    </ul>
  </ElPopover>
</template>

<style scoped>
.origin {
  display: inline-flex;
  padding: 4px;
  border: 0;
  border-radius: var(--r-small);
  background: transparent;
  color: var(--teal);
  vertical-align: -4px;
  cursor: pointer;
}

.origin:hover {
  background: var(--teal-soft);
}

.lines {
  display: flex;
  flex-direction: column;
  gap: 6px;
  margin-top: 8px;
  font-size: var(--size-small);
  text-align: left;
}
</style>

<script setup lang="ts">
import { ElButton, ElPopover } from 'element-plus'
import { Info } from 'lucide-vue-next'

defineProps<{ of: string; lines: readonly string[] }>()
</script>

<template>
  <ElPopover :persistent="false" trigger="click" placement="left" :width="340">
    <template #reference>
      <ElButton link type="primary" class="icon" :aria-label="`Where ${of} comes from`">
        <Info :size="14" aria-hidden="true" />
      </ElButton>
    </template>
    <h2>Where {{ of }} comes from</h2>
    <ul class="lines">
      <li v-for="line in lines" :key="line">{{ line }}</li>
    </ul>
  </ElPopover>
</template>

<style scoped>
.icon {
  vertical-align: -3px;
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

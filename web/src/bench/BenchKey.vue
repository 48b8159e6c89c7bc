<script setup lang="ts">
import { ElButton } from 'element-plus'

/** A large key: what it does, and which key of a keyboard or pedal does it. */
defineProps<{ label: string; hint: string; main?: boolean }>()
defineEmits<{ press: [] }>()
</script>

<template>
  <ElButton class="key" :class="{ main }" @click="$emit('press')">
    <b>{{ label }}</b>
    <small>{{ hint }}</small>
  </ElButton>
</template>

<style scoped>
.key.el-button {
  flex: 1;
  min-width: 120px;
  min-height: 84px;
  border-color: var(--line);
  border-radius: var(--r-large);
  background: var(--panel);
  color: var(--ink);
  white-space: normal;
}

.key.el-button:hover {
  background: var(--hover);
}

.key.main.el-button {
  flex: 2;
  border-color: var(--honey);
  background: var(--honey);
  color: var(--on-honey);
}

.key.main.el-button:hover {
  background: var(--honey-hover);
}

.key :deep(> span) {
  flex-direction: column;
  gap: 2px;
}

b {
  font: 600 var(--bench-lead) / 1.2 var(--text);
}

small {
  font: 400 var(--size) / 1.3 var(--text);
  color: var(--ink-2);
}

.main small {
  color: var(--on-honey);
}
</style>

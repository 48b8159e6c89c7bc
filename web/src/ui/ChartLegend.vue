<script setup lang="ts">
/** What the lines and dots of a chart are, as they are drawn. */
defineProps<{
  entries: readonly { label: string; colour: string; as?: 'line' | 'dashed' | 'dot' }[]
}>()
</script>

<template>
  <ul class="legend">
    <li v-for="entry in entries" :key="entry.label">
      <i :class="entry.as ?? 'line'" :style="{ borderColor: entry.colour }" />{{ entry.label }}
    </li>
  </ul>
</template>

<style scoped>
.legend {
  display: flex;
  flex-wrap: wrap;
  gap: 2px 14px;
  color: var(--ink-2);
  font-size: 12px;
}

.legend li {
  display: flex;
  align-items: center;
  gap: 6px;
}

.legend i {
  width: 18px;
  border-top: 2.5px solid;
}

.legend .dashed {
  border-top-style: dashed;
}

.legend .dot {
  width: 9px;
  height: 9px;
  border: 1.5px solid;
  border-radius: 50%;
  background: var(--honey);
}
</style>

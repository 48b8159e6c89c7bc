<script setup lang="ts">
/** The moment that is looked at, across the whole clock. */
defineProps<{ x: number; top: number; bottom: number; says: string }>()
</script>

<template>
  <rect :x="x - 11" :y="top - 26" width="22" :height="bottom - top + 26" class="grip" />
  <path :d="`M${x} ${top - 4}V${bottom}`" class="hair" />
  <rect :x="x - 32" :y="top - 20" width="64" height="18" rx="9" class="tab lit" />
  <text :x="x" :y="top - 7" text-anchor="middle">{{ says.split(',')[0] }}</text>
</template>

<style scoped>
.hair {
  stroke: var(--teal);
  stroke-width: 2;
}

.tab {
  fill: var(--teal);
}

text {
  fill: var(--panel);
  font: 650 var(--size-small) var(--num);
  pointer-events: none;
}
</style>

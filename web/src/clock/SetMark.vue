<script setup lang="ts">
/** When things are laid on a gel, dabbed or hung in: from one moment to another, on a band. */
defineProps<{ from: number; until: number; y: number; says: string }>()
</script>

<template>
  <g class="setting">
    <title>{{ says }}</title>
    <rect :x="from" :y="y + 2" :width="until - from" height="3" />
    <path :d="`M${from} ${y - 2}l5.5 5.5l-5.5 5.5l-5.5 -5.5Z`" />
  </g>
</template>

<style scoped>
.setting {
  fill: var(--ink);
  stroke: var(--panel);
  stroke-width: 1;
}
</style>

<script setup lang="ts">
import { computed } from 'vue'
import type { Side } from './sides.ts'

/** A cube seen from the front, above and the right, with one of its sides marked. */
const props = defineProps<{ side: Side | undefined }>()

const faces: Record<Side, string> = {
  Top: 'M2 9l9 -5l11 3l-9 5z',
  Bottom: 'M2 23l9 -5l11 3l-9 5z',
  Front: 'M2 9l11 3v14l-11 -3z',
  Back: 'M11 4l11 3v14l-11 -3z',
  Right: 'M13 12l9 -5v14l-9 5z',
  Left: 'M2 9l9 -5v14l-9 5z',
}
const shown = ['Top', 'Front', 'Right'] as const
const hidden = computed(
  () => props.side !== undefined && !shown.some((face) => face === props.side),
)
</script>

<template>
  <svg width="24" height="28" viewBox="0 0 24 28" aria-hidden="true">
    <path v-if="side && hidden" class="marked" :d="faces[side]" />
    <path v-for="face in shown" :key="face" :class="{ marked: face === side }" :d="faces[face]" />
  </svg>
</template>

<style scoped>
path {
  fill: transparent;
  stroke: var(--ink-2);
  stroke-linejoin: round;
}

.marked {
  fill: var(--teal-mid);
}
</style>

<script setup lang="ts">
import { useId } from 'vue'

/** Cut silicone, hatched. */
defineProps<{ x: number; y: number; width: number; height: number }>()
const id = useId()
</script>

<template>
  <defs>
    <pattern
      :id="id"
      width="8"
      height="8"
      patternUnits="userSpaceOnUse"
      patternTransform="rotate(35)"
    >
      <rect width="8" height="8" fill="var(--silicone)" />
      <line x1="0" y1="0" x2="0" y2="8" stroke="var(--silicone-2)" stroke-width="2" />
    </pattern>
  </defs>
  <rect
    :x="x"
    :y="y"
    :width="width"
    :height="height"
    :fill="`url(#${id})`"
    stroke="var(--silicone-line)"
  />
</template>

<script setup lang="ts">
import { useStripDrag } from './useStripDrag.ts'

/** The moment that is looked at, on the clock. */
const props = defineProps<{
  x: number
  top: number
  bottom: number
  value: number
  highest: number
  words: string
  left?: HTMLElement
}>()
const emit = defineEmits<{ drag: [x: number]; nudge: [by: number] }>()

const { down, move, up, key } = useStripDrag(() => props.left, {
  drag: (x) => emit('drag', x),
  nudge: (by) => emit('nudge', by),
})
</script>

<template>
  <g
    class="scrubber"
    role="slider"
    tabindex="0"
    aria-label="The moment looked at"
    aria-valuemin="0"
    :aria-valuemax="Math.round(highest)"
    :aria-valuenow="Math.round(value)"
    :aria-valuetext="words"
    @pointerdown="down"
    @pointermove="move"
    @pointerup="up"
    @keydown="key"
  >
    <rect :x="x - 11" :y="top - 26" width="22" :height="bottom - top + 26" class="grip" />
    <path :d="`M${x} ${top - 4}V${bottom}`" class="hair" />
    <rect :x="x - 32" :y="top - 24" width="64" height="20" rx="10" class="tab" />
    <text :x="x" :y="top - 10" text-anchor="middle">{{ words.split(',')[0] }}</text>
  </g>
</template>

<style scoped>
.scrubber {
  cursor: ew-resize;
  outline: none;
  touch-action: none;
}

.grip {
  fill: transparent;
}

.hair {
  stroke: var(--teal);
  stroke-width: 2;
}

.tab {
  fill: var(--teal);
}

text {
  fill: #fff;
  font: 650 12px var(--num);
}

.scrubber:focus-visible .tab {
  stroke: var(--ink);
  stroke-width: 2.5;
}
</style>

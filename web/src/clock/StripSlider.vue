<script setup lang="ts">
import { useStripDrag } from './useStripDrag.ts'

/** A moment on the clock that is dragged along it, or moved by the arrows. */
const props = defineProps<{
  label: string
  value: number
  highest: number
  words: string
  /** The strip whose left edge places are counted from. */
  strip?: HTMLElement
}>()
const emit = defineEmits<{ drag: [x: number]; drop: []; nudge: [by: number] }>()

const { down, move, up, key } = useStripDrag(() => props.strip, {
  drag: (x) => emit('drag', x),
  drop: () => emit('drop'),
  nudge: (by) => emit('nudge', by),
})
</script>

<template>
  <g
    class="slider"
    role="slider"
    tabindex="0"
    :aria-label="label"
    aria-valuemin="0"
    :aria-valuemax="Math.round(highest)"
    :aria-valuenow="Math.round(value)"
    :aria-valuetext="words"
    @pointerdown="down"
    @pointermove="move"
    @pointerup="up"
    @lostpointercapture="up"
    @keydown="key"
  >
    <slot />
  </g>
</template>

<style scoped>
.slider {
  cursor: ew-resize;
  outline: none;
  touch-action: none;
}

.slider :deep(.grip) {
  fill: transparent;
}

.slider:focus-visible :deep(.lit) {
  stroke: var(--ink);
  stroke-width: 3;
}
</style>

<script setup lang="ts">
import { useStripDrag } from './useStripDrag.ts'

/** The moment a layer is poured: dragged along the clock, or moved by the arrows. */
const props = defineProps<{
  x: number
  y: number
  height: number
  label: string
  value: number
  highest: number
  words: string
  left?: HTMLElement
}>()
const emit = defineEmits<{ drag: [x: number]; drop: []; nudge: [by: number] }>()

const { down, move, up, key } = useStripDrag(() => props.left, {
  drag: (x) => emit('drag', x),
  drop: () => emit('drop'),
  nudge: (by) => emit('nudge', by),
})
</script>

<template>
  <g
    class="handle"
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
    <rect :x="x - 9" :y="y" width="18" :height="height" class="grip" />
    <path :d="`M${x} ${y}v${height}`" class="moment" />
    <circle :cx="x" :cy="y + height / 2" r="5" class="knob" />
  </g>
</template>

<style scoped>
.handle {
  cursor: ew-resize;
  outline: none;
  touch-action: none;
}

.grip {
  fill: transparent;
}

.moment {
  stroke: #7a3d0c;
  stroke-width: 2.5;
}

.knob {
  fill: #fff;
  stroke: var(--teal);
  stroke-width: 2;
}

.handle:focus-visible .knob {
  fill: var(--teal);
  stroke-width: 4;
}
</style>

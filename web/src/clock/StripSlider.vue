<script setup lang="ts">
import { useDrag } from '../ui/useDrag.ts'

/** A moment on the clock that is dragged along it, or moved by the arrows. */
const props = defineProps<{
  label: string
  value: number
  highest: number
  words: string
  /** What an arrow moves it by, s; with Shift six times as much. */
  step: number
  /** The strip whose left edge places are counted from. */
  strip?: HTMLElement
}>()
const emit = defineEmits<{ drag: [x: number]; drop: []; nudge: [by: number] }>()

const { down, move, up } = useDrag({
  move: ({ clientX }) => emit('drag', clientX - (props.strip?.getBoundingClientRect().left ?? 0)),
  drop: () => emit('drop'),
})

function key(event: KeyboardEvent): void {
  const way = { ArrowRight: 1, ArrowUp: 1, ArrowLeft: -1, ArrowDown: -1 }[event.key] ?? 0
  const ends: Record<string, number> = { Home: -props.value, End: props.highest - props.value }
  const by = way * props.step * (event.shiftKey ? 6 : 1) || ends[event.key]
  if (!by) return
  event.preventDefault()
  emit('nudge', by)
}
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

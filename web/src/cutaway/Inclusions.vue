<script setup lang="ts">
import { computed } from 'vue'
import type { Frame } from './frame.ts'
import { marksOn, type DrawnThings, type Mark } from './marks.ts'

/** What is set in, each at the height where it rests. */
const props = defineProps<{
  things: DrawnThings
  frame: Frame
  /** Of the cut about up, radians. */
  turn: number
  /** They can be taken hold of. */
  held?: boolean
  chosen?: (mark: Mark) => boolean
}>()
const emit = defineEmits<{
  take: [mark: Mark, event: PointerEvent]
  drag: [event: PointerEvent]
  drop: []
}>()
const marks = computed(() => marksOn(props.frame, props.turn, props.things))
</script>

<template>
  <g class="inclusions" :class="{ held }">
    <rect
      v-for="mark in marks"
      :key="mark.key"
      :x="mark.x"
      :y="mark.y"
      :width="mark.wide"
      :height="mark.tall"
      :rx="mark.round"
      :fill="mark.colour"
      :class="{ chosen: chosen?.(mark) }"
      :data-mark="held ? mark.key : undefined"
      @pointerdown="held && emit('take', mark, $event)"
      @pointermove="held && emit('drag', $event)"
      @pointerup="held && emit('drop')"
      @pointercancel="held && emit('drop')"
    />
  </g>
</template>

<style scoped>
rect {
  stroke: var(--shade);
  pointer-events: none;
}

.held rect {
  cursor: grab;
  pointer-events: auto;
  touch-action: none;
}

rect.chosen {
  stroke: var(--teal);
  stroke-width: 2;
}
</style>

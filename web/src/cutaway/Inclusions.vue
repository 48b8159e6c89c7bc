<script setup lang="ts">
import { computed } from 'vue'
import type { Frame } from './frame.ts'
import { marksOn, type DrawnThings } from './marks.ts'

/** What is set in, each at the height where it rests. */
const props = defineProps<{
  things: DrawnThings
  frame: Frame
  /** Of the cut about up, radians. */
  turn: number
}>()
const marks = computed(() => marksOn(props.frame, props.turn, props.things))
</script>

<template>
  <g class="inclusions">
    <rect
      v-for="mark in marks"
      :key="mark.key"
      :x="mark.x"
      :y="mark.y"
      :width="mark.wide"
      :height="mark.tall"
      :rx="mark.round"
      :fill="mark.colour"
    />
  </g>
</template>

<style scoped>
rect {
  stroke: var(--shade);
  pointer-events: none;
}
</style>

<script setup lang="ts">
import { ref } from 'vue'
import type { Section } from '@mivro/core/filling'
import type { CompiledPlan } from '@mivro/core/plan'
import Bands from '../../cutaway/Bands.vue'
import Inclusions from '../../cutaway/Inclusions.vue'
import type { DrawnThings } from '../../cutaway/marks.ts'
import { useSidedFrame } from '../../cutaway/useSidedFrame.ts'

/** The cut with everything at the height where it rests. */
const props = defineProps<{
  section: Section
  compiled: CompiledPlan
  /** Of the cut about up, radians. */
  turn: number
  things: DrawnThings
  selected?: string
}>()
const emit = defineEmits<{ select: [id: string] }>()
const box = ref<HTMLElement>()
const { width, height, label, frame, path, sides } = useSidedFrame(
  box,
  () => props.section,
  () => props.compiled,
)
</script>

<template>
  <div ref="box" class="side">
    <svg :width="width" :height="height" :viewBox="`0 0 ${width} ${height}`">
      <g :transform="`translate(0 ${label})`">
        <path :d="path" fill="var(--panel)" fill-rule="evenodd" />
        <Bands
          :layers="compiled.layers"
          :frame="frame"
          :path="path"
          :selected="selected"
          @select="emit('select', $event)"
        />
        <Inclusions :things="things" :frame="frame" :turn="turn" />
        <path :d="path" class="outline" />
      </g>
      <text :x="width / 2" y="14">{{ sides.top }}</text>
      <text :x="width / 2" :y="height - 6">{{ sides.bottom }}</text>
    </svg>
  </div>
</template>

<style scoped>
.side {
  position: relative;
  min-width: 0;
  min-height: 0;
  overflow: hidden;
}

svg {
  position: absolute;
  inset: 0;
}

.outline {
  fill: none;
  stroke: var(--ink);
  stroke-width: 1.6;
  stroke-linejoin: round;
  pointer-events: none;
}

text {
  fill: var(--ink-2);
  font-size: var(--size-small);
  text-anchor: middle;
}
</style>

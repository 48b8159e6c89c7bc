<script setup lang="ts">
import { ref } from 'vue'
import type { Section } from '@mivro/core/form/filling'
import type { CompiledPlan } from '@mivro/core/work/plan'
import Bands from './Bands.vue'
import { useSidedFrame } from './useSidedFrame.ts'

/** The cut alone with its layers, and which side is up; what is drawn in it comes by its slots. */
const props = defineProps<{
  section: Section
  compiled: CompiledPlan
  selected?: string
  /** What it shows, for whoever does not see it. */
  label?: string
}>()
const emit = defineEmits<{ select: [id: string] }>()
const box = ref<HTMLElement>()
const {
  width,
  height,
  label: above,
  frame,
  path,
  sides,
} = useSidedFrame(
  box,
  () => props.section,
  () => props.compiled,
)
</script>

<template>
  <div ref="box" class="side">
    <svg
      :width="width"
      :height="height"
      :viewBox="`0 0 ${width} ${height}`"
      :role="label ? 'img' : undefined"
      :aria-label="label"
    >
      <g :transform="`translate(0 ${above})`">
        <path :d="path" fill="var(--panel)" fill-rule="evenodd" />
        <Bands
          :layers="compiled.layers"
          :frame="frame"
          :path="path"
          :selected="selected"
          @select="emit('select', $event)"
        >
          <slot name="within" :frame="frame" :width="width" />
        </Bands>
        <path :d="path" class="outline" />
        <slot :frame="frame" />
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

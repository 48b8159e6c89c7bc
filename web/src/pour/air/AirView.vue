<script setup lang="ts">
import { computed, ref, useId } from 'vue'
import { bubbleMarks } from './bubbleMarks.ts'
import Bands from '../../cutaway/Bands.vue'
import { useSidedFrame } from '../../cutaway/useSidedFrame.ts'
import { useProject } from '../../project/projectStore.ts'
import ProblemNote from '../../ui/ProblemNote.vue'
import type { Bubbles } from './useBubbles.ts'

/** The cut with the bubbles that stay, by the way that is chosen. */
const props = defineProps<{ bubbles: Bubbles; selected?: string }>()
const emit = defineEmits<{ select: [id: string] }>()
const project = useProject()
const id = useId()
const box = ref<HTMLElement>()
const { width, height, label, frame, path, sides } = useSidedFrame(
  box,
  () => project.survey!.section,
  () => project.compiled!,
)
const marks = computed(() =>
  props.bubbles.layers.value.flatMap(({ id: layer, results }) => {
    const of = project.compiled!.layers.find((one) => one.id === layer)
    const found = results.find(({ way }) => way === props.bubbles.shown.value)
    return of && found ? bubbleMarks(frame.value, of, found.likely.stay, width.value) : []
  }),
)
</script>

<template>
  <div ref="box" class="air">
    <svg
      :width="width"
      :height="height"
      :viewBox="`0 0 ${width} ${height}`"
      role="img"
      aria-label="The section with the bubbles that stay"
    >
      <g :transform="`translate(0 ${label})`">
        <defs>
          <clipPath :id="id"><path :d="path" clip-rule="evenodd" /></clipPath>
        </defs>
        <path :d="path" fill="var(--panel)" fill-rule="evenodd" />
        <Bands
          :layers="project.compiled!.layers"
          :frame="frame"
          :path="path"
          :selected="selected"
          @select="emit('select', $event)"
        />
        <g :clip-path="`url(#${id})`" class="bubbles">
          <circle
            v-for="mark in marks"
            :key="mark.key"
            :cx="mark.x"
            :cy="mark.y"
            :r="mark.r"
            :class="{ pit: mark.pit }"
          />
        </g>
        <path :d="path" class="outline" />
      </g>
      <text :x="width / 2" y="14">{{ sides.top }}</text>
      <text :x="width / 2" :y="height - 6">{{ sides.bottom }}</text>
    </svg>
    <p v-if="bubbles.waiting.value" class="small quiet wait">Following the bubbles …</p>
    <ProblemNote v-if="bubbles.problem.value" :problem="bubbles.problem.value" />
  </div>
</template>

<style scoped>
.air {
  position: relative;
  min-height: 0;
  margin: 10px 14px 12px;
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

.bubbles {
  pointer-events: none;
}

circle {
  fill: var(--panel);
  fill-opacity: 0.75;
  stroke: var(--ink);
  stroke-width: 0.8;
}

circle.pit {
  fill: var(--air);
  stroke: var(--stop);
}

text {
  fill: var(--ink-2);
  font-size: var(--size-small);
  text-anchor: middle;
}

.wait {
  position: absolute;
  right: 0;
  bottom: 0;
}
</style>

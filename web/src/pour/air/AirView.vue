<script setup lang="ts">
import type { Frame } from '../../cutaway/frame.ts'
import SidedCut from '../../cutaway/SidedCut.vue'
import { useProject } from '../../project/projectStore.ts'
import ProblemNote from '../../ui/ProblemNote.vue'
import { bubbleMarks } from './bubbleMarks.ts'
import type { Bubbles } from './useBubbles.ts'

/** The cut with the bubbles that stay, by the way that is chosen. */
const props = defineProps<{ bubbles: Bubbles; selected?: string }>()
const emit = defineEmits<{ select: [id: string] }>()
const project = useProject()
const marksIn = (frame: Frame, width: number) =>
  props.bubbles.layers.value.flatMap(({ id: layer, results }) => {
    const of = project.compiled!.layers.find((one) => one.id === layer)
    const found = results.find(({ way }) => way === props.bubbles.shown.value)
    return of && found ? bubbleMarks(frame, of, found.likely.stay, width) : []
  })
</script>

<template>
  <div class="air">
    <SidedCut
      class="cut"
      label="The section with the bubbles that stay"
      :section="project.survey!.section"
      :compiled="project.compiled!"
      :selected="selected"
      @select="emit('select', $event)"
    >
      <template #within="{ frame, width }">
        <g class="bubbles">
          <circle
            v-for="mark in marksIn(frame, width)"
            :key="mark.key"
            :cx="mark.x"
            :cy="mark.y"
            :r="mark.r"
            :class="{ pit: mark.pit }"
          />
        </g>
      </template>
    </SidedCut>
    <p v-if="bubbles.waiting.value" class="small quiet">Following the bubbles …</p>
    <ProblemNote v-if="bubbles.problem.value" :problem="bubbles.problem.value" />
  </div>
</template>

<style scoped>
.air {
  min-height: 0;
  display: flex;
  flex-direction: column;
  padding: 10px 14px 12px;
}

.cut {
  flex: 1;
}

circle {
  fill: var(--panel);
  fill-opacity: 0.75;
  stroke: var(--ink);
  stroke-width: 0.8;
  pointer-events: none;
}

circle.pit {
  fill: var(--air);
  stroke: var(--stop);
}
</style>

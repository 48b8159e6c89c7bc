<script setup lang="ts">
import { computed } from 'vue'
import { ElSlider } from 'element-plus'
import { showDuration } from '@mivro/core/base/units'
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
  props.bubbles.drawn.value.flatMap(({ id: layer, stay }) => {
    const of = project.compiled!.layers.find((one) => one.id === layer)
    return of ? bubbleMarks(frame, of, stay, width) : []
  })
/** The slider's right end is where they stay. */
const at = computed({
  get: () => props.bubbles.moment.value ?? Math.ceil(props.bubbles.gel.value),
  set: (seconds: number) => props.bubbles.lookAt(seconds),
})
const said = computed(() =>
  props.bubbles.moment.value === undefined
    ? 'when it has gelled'
    : `${showDuration(props.bubbles.moment.value, 'second')} after mixing`,
)
</script>

<template>
  <div class="air">
    <SidedCut
      class="cut grow"
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
    <div v-if="bubbles.gel.value > 0" class="moment">
      <span class="small quiet">Bubbles {{ said }}</span>
      <ElSlider
        v-model="at"
        :min="0"
        :max="Math.ceil(bubbles.gel.value)"
        :step="Math.max(1, Math.round(bubbles.gel.value / 120))"
        :show-tooltip="false"
        aria-label="Moment of the bubbles"
      />
    </div>
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

.moment {
  display: grid;
  grid-template-columns: 200px minmax(0, 1fr);
  align-items: center;
  gap: 14px;
  padding: 0 12px;
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

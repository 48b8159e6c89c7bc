<script setup lang="ts">
import { computed } from 'vue'
import type { StepDrawing } from './stepDrawing.ts'

/** What lies in one half of a mould: to the walls of its box, or to those of a printed shell. */
const props = defineProps<{
  drawing: StepDrawing
  /** Of the drawing that it is part of: what clips its halves. */
  id: string
  half: 'upper' | 'lower'
  kind: 'clay' | 'silicone' | 'second' | 'jacket' | 'hollow'
}>()
const parting = computed(() => props.drawing.parting ?? props.drawing.floor)
const size = computed(() => {
  const { left, right, fill, floor } = props.drawing
  const [top, bottom] = props.half === 'upper' ? [fill, parting.value] : [parting.value, floor]
  return { x: left, y: top, width: right - left, height: Math.max(0, bottom - top) }
})
const jacket = computed(() => props.drawing.jacket)
const wide = computed(() =>
  props.kind === 'jacket' ? jacket.value?.outside : jacket.value?.inside,
)
</script>

<template>
  <path
    v-if="jacket"
    :class="kind"
    :d="jacket.hull"
    :stroke-width="wide"
    :clip-path="`url(#${id}-${half})`"
  />
  <rect v-else :class="kind" v-bind="size" />
</template>

<style scoped>
.clay {
  --fill: var(--honey);

  opacity: 0.55;
}

.silicone {
  --fill: var(--silicone);
}

.second {
  --fill: var(--teal-mid);
}

.jacket {
  --fill: var(--ink-3);
}

.hollow {
  --fill: var(--table);
}

rect {
  fill: var(--fill);
}

rect.silicone,
rect.second {
  stroke: var(--ink-2);
  stroke-width: 1;
}

path {
  fill: var(--fill);
  stroke: var(--fill);
  stroke-linejoin: round;
}
</style>

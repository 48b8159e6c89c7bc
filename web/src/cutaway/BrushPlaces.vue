<script setup lang="ts">
import { computed } from 'vue'
import { ontoSection, type Section } from '@mivro/core/form/filling'
import type { NarrowPlace } from '@mivro/core/form/wall'
import { show } from '@mivro/core/base/units'
import { useStudio } from '../project/studioStore.ts'
import type { Frame } from './frame.ts'

/** Where a brush goes before the first shot, in its order, wherever they lie before or behind the cut. */
const props = defineProps<{
  places: readonly NarrowPlace[]
  section: Section
  frame: Frame
}>()
const studio = useStudio()
/** Farther than this from the cut a place is drawn as beside it, m. */
const offCut = 0.004
const marks = computed(() =>
  props.places.map(({ at, blind, volume }, i) => {
    const { x, h, behind } = ontoSection(props.section, at)
    const beside = Math.abs(behind) > offCut
    const what = blind ? 'blind' : 'narrow'
    return {
      x: props.frame.x(x),
      y: props.frame.y(h),
      beside,
      says: `Brush ${i + 1}: ${what}, ${show(volume, 'volume', studio.units)}${beside ? `, ${show(Math.abs(behind), 'length', studio.units)} ${behind > 0 ? 'behind' : 'before'} the cut` : ''}`,
    }
  }),
)
</script>

<template>
  <g class="brush">
    <g
      v-for="(mark, i) in marks"
      :key="i"
      role="img"
      :aria-label="mark.says"
      :class="{ beside: mark.beside }"
    >
      <title>{{ mark.says }}</title>
      <circle :cx="mark.x" :cy="mark.y" r="8" />
      <text :x="mark.x" :y="mark.y + 4">{{ i + 1 }}</text>
    </g>
  </g>
</template>

<style scoped>
circle {
  fill: var(--panel);
  stroke: var(--amber);
  stroke-width: 1.6;
}

/* Before or behind the cut. */
.beside circle {
  stroke-dasharray: 2.5 2.5;
}

text {
  fill: var(--ink);
  font-size: var(--size-small);
  text-anchor: middle;
}
</style>

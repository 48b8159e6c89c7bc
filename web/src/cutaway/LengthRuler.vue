<script setup lang="ts">
import { computed } from 'vue'
import type { Section } from '@mivro/core/form/filling'
import { unitSymbol } from '@mivro/core/base/units'
import { useStudio } from '../project/studioStore.ts'
import { margin, type Frame } from './frame.ts'
import { lengthTicks, spaced } from './ruler.ts'

/** Heights at the left of a cut. */
const props = defineProps<{ frame: Frame; section: Section }>()
const studio = useStudio()
const ticks = computed(() =>
  spaced(lengthTicks(props.section.height, studio.units, 6), props.frame.y, 16),
)
</script>

<template>
  <g class="ruler" text-anchor="end" aria-hidden="true">
    <line
      :x1="margin.left - 24"
      :x2="margin.left - 24"
      :y1="frame.y(0)"
      :y2="frame.y(section.height)"
    />
    <g v-for="tick in ticks" :key="tick.label">
      <line
        :x1="margin.left - 30"
        :x2="margin.left - 24"
        :y1="frame.y(tick.height)"
        :y2="frame.y(tick.height)"
      />
      <text :x="margin.left - 36" :y="frame.y(tick.height) + 4">{{ tick.label }}</text>
    </g>
    <text :x="margin.left - 18" :y="frame.y(section.height) - 12">
      {{ unitSymbol('length', studio.units) }}
    </text>
  </g>
</template>

<style>
.ruler line {
  stroke: var(--edge);
}

.ruler text {
  fill: var(--ink-2);
  font: 500 var(--size-small) var(--num);
  font-feature-settings: 'tnum';
}
</style>

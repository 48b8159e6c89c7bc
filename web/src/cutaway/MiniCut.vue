<script setup lang="ts">
import { computed } from 'vue'
import type { CompiledPlan } from '@mivro/core/work/plan'
import type { Section } from '@mivro/core/form/filling'
import Bands from './Bands.vue'
import { frameForCard, outlinePath } from './frame.ts'

const props = defineProps<{
  section: Section
  compiled: CompiledPlan
  width: number
  height: number
  /** Places that are pointed at: across the section and above its foot, m. */
  spots?: readonly { what: 'gate' | 'vent' | 'prefill'; across: number; height: number }[]
}>()
const frame = computed(() => frameForCard(props.section, props.width, props.height))
const path = computed(() => outlinePath(props.section, frame.value))
</script>

<template>
  <svg :viewBox="`0 0 ${width} ${height}`" :width="width" :height="height" aria-hidden="true">
    <path :d="path" fill="var(--panel)" fill-rule="evenodd" />
    <Bands :layers="compiled.layers" :frame="frame" :path="path" />
    <path :d="path" fill="none" stroke="var(--ink)" stroke-width="1.6" stroke-linejoin="round" />
    <g v-for="(spot, i) in spots" :key="i" :class="spot.what">
      <circle :cx="frame.x(spot.across)" :cy="frame.y(spot.height)" r="4" />
      <line
        v-if="spot.what !== 'prefill'"
        :x1="frame.x(spot.across)"
        :x2="frame.x(spot.across)"
        :y1="frame.y(spot.height) - 4"
        y2="2"
      />
    </g>
  </svg>
</template>

<style scoped>
.prefill circle {
  fill: var(--prefilled);
  stroke: var(--ink);
}

.gate circle,
.vent circle {
  fill: var(--panel);
  stroke: var(--teal-ink);
  stroke-width: 1.4;
}

.gate line,
.vent line {
  stroke: var(--teal-ink);
  stroke-width: 1.4;
}

.vent line {
  stroke-dasharray: 3 2;
}
</style>

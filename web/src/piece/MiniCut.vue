<script setup lang="ts">
import { computed, useId } from 'vue'
import type { CompiledPlan } from '@mivro/core/plan'
import type { Section } from '@mivro/core/shape'
import { frameForCard, outlinePath } from '../cutaway/frame.ts'

const props = defineProps<{
  section: Section
  compiled: CompiledPlan
  width: number
  height: number
}>()
const id = useId()
const frame = computed(() => frameForCard(props.section, props.width, props.height))
const path = computed(() => outlinePath(props.section, frame.value))
</script>

<template>
  <svg :viewBox="`0 0 ${width} ${height}`" :width="width" :height="height" aria-hidden="true">
    <defs>
      <clipPath :id="id"><path :d="path" clip-rule="evenodd" /></clipPath>
      <linearGradient
        v-for="layer in compiled.layers"
        :id="`${id}-${layer.id}`"
        :key="layer.id"
        x1="0"
        y1="0"
        x2="0"
        y2="1"
      >
        <stop offset="0" :stop-color="layer.colour" :stop-opacity="layer.tinted ? 0.45 : 0.55" />
        <stop offset="1" :stop-color="layer.colour" :stop-opacity="layer.tinted ? 0.7 : 0.8" />
      </linearGradient>
    </defs>
    <path :d="path" fill="#fff" fill-rule="evenodd" />
    <g :clip-path="`url(#${id})`">
      <rect
        v-for="layer in compiled.layers"
        :key="layer.id"
        x="0"
        :width="width"
        :y="frame.y(layer.top)"
        :height="Math.max(0, frame.y(layer.bottom) - frame.y(layer.top))"
        :fill="`url(#${id}-${layer.id})`"
      />
    </g>
    <path :d="path" fill="none" stroke="#14312f" stroke-width="1.6" stroke-linejoin="round" />
  </svg>
</template>

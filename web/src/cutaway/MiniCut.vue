<script setup lang="ts">
import { computed } from 'vue'
import type { CompiledPlan } from '@mivro/core/plan'
import type { Section } from '@mivro/core/filling'
import Bands from './Bands.vue'
import { frameForCard, outlinePath } from './frame.ts'

const props = defineProps<{
  section: Section
  compiled: CompiledPlan
  width: number
  height: number
}>()
const frame = computed(() => frameForCard(props.section, props.width, props.height))
const path = computed(() => outlinePath(props.section, frame.value))
</script>

<template>
  <svg :viewBox="`0 0 ${width} ${height}`" :width="width" :height="height" aria-hidden="true">
    <path :d="path" fill="var(--panel)" fill-rule="evenodd" />
    <Bands :layers="compiled.layers" :frame="frame" :path="path" />
    <path :d="path" fill="none" stroke="var(--ink)" stroke-width="1.6" stroke-linejoin="round" />
  </svg>
</template>

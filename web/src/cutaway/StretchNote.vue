<script setup lang="ts">
import { margin, type Frame } from './frame.ts'

/** Said where a flat piece is drawn taller than it is. */
defineProps<{ frame: Frame }>()
</script>

<template>
  <text v-if="frame.stretch > 1" class="cut-note" :x="margin.left - 60" :y="frame.height - 14">
    Heights drawn {{ frame.stretch }} times larger than widths
  </text>
</template>

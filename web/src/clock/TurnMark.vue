<script setup lang="ts">
import type { TurnSpan } from './turnSpans.ts'

/** A shot that is turned: under the band of its layer, stronger from where it counts. */
defineProps<{ span: TurnSpan; y: number }>()
</script>

<template>
  <g aria-hidden="true" data-turn>
    <rect
      :x="span.from"
      :y="y"
      :width="Math.max(2, span.until - span.from)"
      height="4"
      class="turn"
    />
    <rect
      :x="span.counts"
      :y="y"
      :width="Math.max(2, span.until - span.counts)"
      height="4"
      class="counts"
    />
    <text
      v-if="span.until - span.from > 44"
      :x="(span.from + span.until) / 2"
      :y="y + 15"
      text-anchor="middle"
      class="word"
    >
      {{ span.word }}
    </text>
  </g>
</template>

<style scoped>
.turn {
  fill: var(--teal-mid);
}

.counts {
  fill: var(--teal);
}

.word {
  font: 400 var(--size-small) var(--text);
  fill: var(--ink-2);
}
</style>

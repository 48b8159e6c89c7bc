<script setup lang="ts">
import { computed } from 'vue'
import type { MapOnSection } from '@mivro/core/form/wall'
import type { Section } from '@mivro/core/form/filling'
import { frameForCard, linesPath, outlinePath } from '../../cutaway/frame.ts'
import StretchNote from '../../cutaway/StretchNote.vue'
import { skinStrokes } from './wallColours.ts'

/** The wall on the cut as it comes out when it is turned, its skin in the colours of the map. */
const props = defineProps<{ section: Section; shown: MapOnSection; wall: number }>()
const size = { width: 340, height: 300 }
const frame = computed(() => frameForCard(props.section, size.width, size.height))
const outline = computed(() => outlinePath(props.section, frame.value))
const hollow = computed(() => linesPath(props.shown.inner, frame.value))
const strokes = computed(() => skinStrokes(props.shown.skin, props.wall, frame.value))
</script>

<template>
  <figure class="cut">
    <svg
      :viewBox="`0 0 ${size.width} ${size.height}`"
      role="img"
      aria-label="The wall on the cut, as it comes out"
    >
      <path :d="outline" class="cast" fill-rule="evenodd" />
      <path :d="hollow" class="hollow" fill-rule="evenodd" />
      <path v-for="(stroke, i) in strokes" :key="i" :d="stroke.d" :stroke="stroke.colour" />
      <StretchNote :frame="frame" />
    </svg>
  </figure>
</template>

<style scoped>
.cut {
  position: relative;
  margin: 12px 0 0;
}

svg {
  display: block;
  width: 100%;
  stroke-width: 4;
  stroke-linecap: round;
}

.cast {
  fill: var(--line);
}

.hollow {
  fill: var(--panel);
  stroke: var(--ink-2);
  stroke-width: 1.2;
}
</style>

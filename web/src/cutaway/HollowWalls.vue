<script setup lang="ts">
import { computed, useId } from 'vue'
import { depthLines, type SectionDepths } from '@mivro/core/form/wall'
import type { CompiledLayer } from '@mivro/core/work/plan'
import { linesPath, type Frame } from './frame.ts'

/** Walls of a hollow cast on the cut, shot by shot, and the hollow within them. */
const props = defineProps<{
  layers: readonly CompiledLayer[]
  depths: SectionDepths
  frame: Frame
  selected?: string
}>()

const id = useId()
const pathAt = (depth: number) => linesPath(depthLines(props.depths, depth), props.frame)

/** From the outermost: what lies within is drawn over it. */
const walls = computed(() =>
  props.layers.flatMap((layer) => {
    const { shell } = layer
    if (!shell) return []
    return {
      layer,
      outer: shell.from > 0 ? pathAt(shell.from) : '',
      shots: shell.inner.slice(0, -1).map(pathAt),
      inner: pathAt(shell.to),
      /** What is solid is lined too. */
      floor: layer.bottom > 0 ? props.frame.y(layer.bottom + shell.to) : undefined,
    }
  }),
)
const shade = (layer: CompiledLayer) => (layer.id === props.selected ? 0.72 : 0.55)
</script>

<template>
  <g>
    <g
      v-for="wall in walls"
      :key="wall.layer.id"
      :clip-path="wall.floor === undefined ? undefined : `url(#${id}-${wall.layer.id})`"
      class="wall"
    >
      <clipPath v-if="wall.floor !== undefined" :id="`${id}-${wall.layer.id}`">
        <rect x="0" y="0" :width="frame.width" :height="wall.floor" />
      </clipPath>
      <template v-if="wall.outer">
        <path :d="wall.outer" class="hollow" fill-rule="evenodd" />
        <path
          :d="wall.outer"
          :fill="wall.layer.colour"
          :fill-opacity="shade(wall.layer)"
          fill-rule="evenodd"
        />
      </template>
      <path :d="wall.inner" class="hollow" fill-rule="evenodd" />
      <path v-for="(shot, i) in wall.shots" :key="i" :d="shot" class="shot" />
      <path :d="wall.inner" class="inner" :class="{ on: wall.layer.id === selected }" />
    </g>
  </g>
</template>

<style scoped>
.hollow {
  fill: var(--panel);
}

.wall {
  pointer-events: none;
}

.shot,
.inner {
  fill: none;
  stroke: var(--teal);
}

.shot {
  stroke-width: 1;
  stroke-dasharray: 4 3;
}

.inner {
  stroke-width: 1.6;
}

.inner.on {
  stroke-width: 2.4;
}
</style>

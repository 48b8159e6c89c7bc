<script setup lang="ts">
import { computed, useId } from 'vue'
import type { CompiledLayer } from '@mivro/core/work/plan'
import type { Frame } from './frame.ts'

/** The layers as bands of resin within the outline, and whatever is drawn within it too. */
const props = defineProps<{
  layers: readonly CompiledLayer[]
  frame: Frame
  /** The outline, as a path. */
  path: string
  selected?: string
}>()
const emit = defineEmits<{ select: [id: string] }>()
const id = useId()

/** A wall within another is drawn within it. */
const poured = computed(() =>
  props.layers.filter(({ depth, shell }) => depth > 0 && !(shell && shell.from > 0)),
)

/** Clear resin is drawn a little stronger than tinted, the chosen layer stronger still. */
const shade = (layer: CompiledLayer, opacity: number) =>
  opacity + (layer.tinted ? 0 : 0.09) + (layer.id === props.selected ? 0.1 : 0)
</script>

<template>
  <defs>
    <clipPath :id="id"><path :d="path" clip-rule="evenodd" /></clipPath>
    <linearGradient
      v-for="layer in poured"
      :id="`${id}-${layer.id}`"
      :key="layer.id"
      x1="0"
      y1="0"
      x2="0"
      y2="1"
    >
      <stop offset="0" :stop-color="layer.colour" :stop-opacity="shade(layer, 0.42)" />
      <stop offset="1" :stop-color="layer.colour" :stop-opacity="shade(layer, 0.62)" />
    </linearGradient>
  </defs>
  <g :clip-path="`url(#${id})`">
    <rect
      v-for="layer in poured"
      :key="layer.id"
      :x="frame.block.left"
      :y="frame.y(layer.top)"
      :width="frame.block.right - frame.block.left"
      :height="frame.y(layer.bottom) - frame.y(layer.top)"
      :fill="`url(#${id}-${layer.id})`"
      @click="emit('select', layer.id)"
    />
    <slot />
  </g>
</template>

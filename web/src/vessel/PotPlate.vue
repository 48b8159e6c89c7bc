<script setup lang="ts">
import { computed } from 'vue'
import { packPlate } from '@mivro/core/work/run'

/** A pot's plate from above, with the moulds that stand on it. */
const props = defineProps<{
  /** m */
  diameter: number
  items: readonly { name: string; width: number; depth: number; round: boolean }[]
  label: string
}>()
const places = computed(() => packPlate(props.items, props.diameter))
const radius = computed(() => props.diameter / 2)
const box = computed(() => {
  const side = 1.08 * props.diameter
  return `${-side / 2} ${-side / 2} ${side} ${side}`
})
</script>

<template>
  <svg class="plate" :viewBox="box" role="img" :aria-label="label">
    <circle class="rim" :r="radius * 1.03" />
    <circle class="floor" :r="radius" />
    <g v-for="place in places" :key="place.item">
      <circle v-if="place.round" class="mould" :cx="place.x" :cy="place.y" :r="place.width / 2" />
      <rect
        v-else
        class="mould"
        :x="place.x - place.width / 2"
        :y="place.y - place.depth / 2"
        :width="place.width"
        :height="place.depth"
        :rx="radius / 40"
      />
      <text :x="place.x" :y="place.y" :font-size="radius / 7">{{ place.item + 1 }}</text>
    </g>
  </svg>
</template>

<style scoped>
.plate {
  display: block;
  width: 100%;
  height: 100%;
}

.rim {
  fill: var(--metal);
}

.floor {
  fill: var(--panel);
  stroke: var(--metal-line);
  stroke-width: 0.001;
}

.mould {
  fill: var(--silicone);
  stroke: var(--ink);
  stroke-width: 0.0008;
}

text {
  fill: var(--ink);
  font-family: var(--num);
  font-weight: 650;
  text-anchor: middle;
  dominant-baseline: central;
}
</style>

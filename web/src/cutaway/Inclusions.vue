<script setup lang="ts">
import { computed } from 'vue'
import type { CompiledLayer } from '@mivro/core/plan'
import type { Section } from '@mivro/core/filling'
import { spanAt, type Frame } from './frame.ts'

/**
 * Things set into a layer: a sign that they are there and how they settle, not a prediction of
 * where each lies.
 */
const props = defineProps<{ layer: CompiledLayer; section: Section; frame: Frame }>()

const most = 14

/** Half the diagonal of a diamond, px. */
const smallest = 3.2
const largest = 12

/** Metals are this dense or more, kg/m³; below are stone, glass, wood. */
const metal = 5000

const marks = computed(() => {
  const { layer, section, frame } = props
  return layer.setIn.flatMap(({ count, density, radius, lies }) => {
    const size = Math.min(largest, Math.max(smallest, frame.x(radius) - frame.x(0)))
    const lift = layer.depth * 0.2
    const height = lies === 'floor' ? layer.bottom + lift : layer.top - lift
    const span = spanAt(section, height)
    if (!span || layer.depth <= 0) return []
    const room = frame.x(span.right) - frame.x(span.left)
    const shown = Math.max(1, Math.min(most, count, Math.floor(room / (2.2 * size))))
    return Array.from({ length: shown }, (_, i) => {
      const share = (i + 0.5) / shown + (0.28 / shown) * Math.sin(7 * i + 1)
      const across = span.left + (0.12 + 0.76 * share) * (span.right - span.left)
      const [x, y] = [frame.x(across), frame.y(height) + 2.5 * Math.sin(5 * i)]
      return { x, y, size, turn: 40 * i + 15, metal: density >= metal }
    })
  })
})
</script>

<template>
  <g class="inclusions">
    <path
      v-for="(mark, i) in marks"
      :key="i"
      :class="{ metal: mark.metal }"
      :d="`M0 ${-mark.size}L${mark.size * 0.7} 0L0 ${mark.size}L${-mark.size * 0.7} 0Z`"
      :transform="`translate(${mark.x.toFixed(1)} ${mark.y.toFixed(1)}) rotate(${mark.turn})`"
    />
  </g>
</template>

<style scoped>
path {
  fill: var(--metal);
  stroke: var(--metal-line);
  stroke-width: 0.9;
}

path.metal {
  fill: var(--brass);
  stroke: var(--brass-line);
}
</style>

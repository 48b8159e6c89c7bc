<script setup lang="ts">
import { computed } from 'vue'
import type { CompiledLayer } from '@mivro/core/plan'
import type { PlanInclusion } from '@mivro/core/plan'
import type { Section } from '@mivro/core/shape'
import { spanAt, type Frame } from './frame.ts'

/**
 * Where things set into a layer are shown: on its floor if they are heavier than resin, under
 * its surface if lighter. A sign that they are there, not a prediction of where each lies.
 */
const props = defineProps<{
  layer: CompiledLayer
  inclusions: readonly PlanInclusion[]
  section: Section
  frame: Frame
}>()

const resinDensity = 1100
const most = 14

/** Metals are this dense or more; below are stone, glass, wood. */
const metal = 5000
const smallest = 3.2

const marks = computed(() => {
  const { layer, section, frame } = props
  return props.inclusions.flatMap((inclusion) => {
    const size = Math.max(smallest, sizeOf(inclusion, frame))
    const floor = inclusion.density > resinDensity
    const lift = Math.min(layer.depth / 2, layer.depth * 0.2)
    const height = floor ? layer.bottom + lift : layer.top - lift
    const span = spanAt(section, height)
    if (!span || layer.depth <= 0) return []
    const room = frame.x(span.right) - frame.x(span.left)
    const shown = Math.max(1, Math.min(most, inclusion.count, Math.floor(room / (2.2 * size))))
    return Array.from({ length: shown }, (_, i) => {
      const share = (i + 0.5) / shown + (0.28 / shown) * Math.sin(7 * i + 1)
      const across = span.left + (0.12 + 0.76 * share) * (span.right - span.left)
      return {
        x: frame.x(across),
        y: frame.y(height) + 2.5 * Math.sin(5 * i),
        size,
        turn: 40 * i + 15,
        metal: inclusion.density >= metal,
      }
    })
  })
})

/** Half the diagonal of the diamond: as a ball of the same volume would look. */
function sizeOf({ mass, density }: PlanInclusion, frame: Frame): number {
  const radius = Math.cbrt((3 * mass) / density / (4 * Math.PI))
  return Math.min(12, frame.x(radius) - frame.x(0))
}
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
  fill: #b9bdb4;
  stroke: #5f6a66;
  stroke-width: 0.9;
}

path.metal {
  fill: #c99a3a;
  stroke: #7d5714;
}
</style>

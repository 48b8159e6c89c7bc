<script setup lang="ts">
import { computed } from 'vue'
import type { DeairingMoment } from '@mivro/core/matter/air'

/** A cup in its vacuum vessel: how high the mix stood, and its froth at a moment. */
const props = defineProps<{
  /** Inside, m. */
  vessel: { diameter: number; height: number }
  /** Of the cup to the brim, and of the mix, m³. */
  cup: number
  mix: number
  moment: DeairingMoment
  label: string
}>()
/** A cup stands about as high as it is wide. */
const side = computed(() => Math.cbrt((4 * props.cup) / Math.PI))
const wall = computed(() => props.vessel.diameter * 0.04)
const width = computed(() => props.vessel.diameter + 2 * wall.value)
const height = computed(() => props.vessel.height + 2 * wall.value)
const box = computed(
  () => `${-width.value / 2} ${-wall.value * 2} ${width.value} ${height.value + wall.value * 2}`,
)
const floor = computed(() => props.vessel.height)
const level = computed(() => (props.mix / props.cup) * side.value)
const froth = computed(() => Math.max(level.value, props.moment.level * side.value))
</script>

<template>
  <svg class="vessel" :viewBox="box" role="img" :aria-label="label">
    <rect class="wall" :x="-width / 2" :y="0" :width="width" :height="height - wall" :rx="wall" />
    <rect
      class="inside"
      :x="-vessel.diameter / 2"
      :y="0"
      :width="vessel.diameter"
      :height="floor"
      :rx="wall / 2"
    />
    <rect
      class="lid"
      :x="-width / 2"
      :y="-wall"
      :width="width"
      :height="wall * 1.2"
      :rx="wall / 3"
    />
    <rect
      class="froth"
      :x="-side / 2"
      :y="floor - froth"
      :width="side"
      :height="Math.max(0, froth - level)"
    />
    <rect class="mix" :x="-side / 2" :y="floor - level" :width="side" :height="level" />
    <path
      class="cup"
      :d="`M${-side / 2},${floor - side} V${floor} H${side / 2} V${floor - side}`"
    />
  </svg>
</template>

<style scoped>
.vessel {
  display: block;
  width: 100%;
  height: 100%;
}

.wall {
  fill: var(--metal);
}

.inside {
  fill: var(--void);
}

.lid {
  fill: var(--glass);
  stroke: var(--metal-line);
  stroke-width: 0.001;
}

.mix {
  fill: var(--resin-deep);
}

.froth {
  fill: var(--resin-light);
}

.cup {
  fill: none;
  stroke: var(--ink);
  stroke-width: 0.0016;
}
</style>

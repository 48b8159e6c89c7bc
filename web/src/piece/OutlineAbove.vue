<script setup lang="ts">
import { computed } from 'vue'

/** A drawing as it was drawn: seen from above, y upward. */
const props = defineProps<{ loops: readonly (readonly number[])[] }>()

const mm = 1000
const path = computed(() =>
  props.loops
    .map((loop) => {
      const points = Array.from(
        { length: loop.length / 2 },
        (_, i) => `${(loop[2 * i] * mm).toFixed(3)} ${(-loop[2 * i + 1] * mm).toFixed(3)}`,
      )
      return `M${points.join('L')}Z`
    })
    .join(''),
)
const frame = computed(() => {
  let [x, y] = [0, 0]
  for (const loop of props.loops) {
    for (let i = 0; i < loop.length; i += 2) {
      x = Math.max(x, Math.abs(loop[i]) * mm)
      y = Math.max(y, Math.abs(loop[i + 1]) * mm)
    }
  }
  const [width, height] = [2.2 * x, 2.2 * y]
  return `${-width / 2} ${-height / 2} ${width} ${height}`
})
</script>

<template>
  <figure class="above">
    <svg :viewBox="frame" role="img" aria-label="The drawing from above">
      <path :d="path" fill-rule="evenodd" />
    </svg>
    <figcaption class="quiet small">From above</figcaption>
  </figure>
</template>

<style scoped>
.above {
  display: flex;
  flex-direction: column;
  min-height: 0;
  margin: 0;
}

svg {
  flex: 1;
  min-height: 0;
  padding: 20px;
}

path {
  fill: var(--amber-soft);
  stroke: var(--ink);
  stroke-width: 1.5px;
  vector-effect: non-scaling-stroke;
}

figcaption {
  padding: 6px;
  text-align: center;
}
</style>

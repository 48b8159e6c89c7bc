<script setup lang="ts">
import { computed } from 'vue'
import type { TaskOf, Weighed } from '@mivro/core/work/bench'

/** The cup on the scale: what is in it, the band that is good, and what comes after. */
const props = defineProps<{
  task: TaskOf<'weigh'>
  weighed: Weighed
  before: number
  after: number
}>()
const [rim, foot] = [12, 320]
/** As high as the cup with everything in it is full, and the picture is drawn by mass. */
const whole = computed(() => {
  const all = props.before + props.weighed.target.mass + props.after
  const full = Math.min(1, Math.max(0.25, props.weighed.full))
  return all / full
})
const y = (mass: number) => foot - Math.min(1, mass / whole.value) * (foot - rim)
const level = computed(() => props.before + props.weighed.inCup)
const band = computed(() => ({
  top: y(props.before + props.weighed.target.high),
  bottom: y(props.before + props.weighed.target.low),
}))
</script>

<template>
  <svg viewBox="0 0 236 332" class="cup" aria-hidden="true">
    <clipPath id="bench-cup">
      <path d="M22 10L44 318Q45 322 50 322H186Q191 322 192 318L214 10Z" />
    </clipPath>
    <g clip-path="url(#bench-cup)">
      <rect width="236" height="332" class="inside" />
      <rect x="0" :y="y(level)" width="236" :height="foot - y(level) + 12" class="now" />
      <rect
        v-if="before > 0"
        x="0"
        :y="y(before)"
        width="236"
        :height="foot - y(before) + 12"
        class="before"
      />
      <rect
        x="0"
        :y="band.top"
        width="236"
        :height="Math.max(5, band.bottom - band.top)"
        class="band"
      />
      <path
        v-if="after > 0"
        :d="`M0 ${y(before + weighed.target.mass + after)}H236`"
        class="after"
      />
    </g>
    <path d="M22 10L44 318Q45 322 50 322H186Q191 322 192 318L214 10" class="wall" />
    <text v-if="after > 0" x="118" :y="y(before + weighed.target.mass + after / 2) + 6">
      the other part
    </text>
  </svg>
</template>

<style scoped>
.cup {
  flex: 0 1 236px;
  min-width: 0;
  max-height: 100%;
}

.inside {
  fill: var(--inside);
}

.now {
  fill: var(--teal-mid);
}

.before {
  fill: var(--teal-soft);
}

.band {
  fill: var(--honey);
  fill-opacity: 0.35;
  stroke: var(--honey);
  stroke-width: 1.5;
}

.after {
  fill: none;
  stroke: var(--ink-3);
  stroke-width: 1.5;
  stroke-dasharray: 4 5;
}

.wall {
  fill: none;
  stroke: var(--ink-2);
  stroke-width: 2.5;
}

text {
  fill: var(--ink-3);
  font: 600 var(--size-lead) / 1 var(--num);
  text-anchor: middle;
}
</style>

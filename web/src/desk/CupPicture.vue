<script setup lang="ts">
import { computed } from 'vue'
import { stirringFill, type Portion } from '@mivro/core/matter/mix'
import { showCup } from '@mivro/core/base/units'
import { useStudio } from '../project/studioStore.ts'

/** A cup with what goes into it, each in its place, and the line it stirs up to. */
const props = defineProps<{
  portions: readonly Portion[]
  size: number
  colours: readonly string[]
}>()
const studio = useStudio()

const viewBox = '0 0 150 190'
const rim = 14
const foot = 178
const bands = computed(() => {
  let level = 0
  return props.portions.map((portion, i) => {
    const from = level
    level += portion.volume / props.size
    return { ...portion, from: Math.min(1, from), to: Math.min(1, level), colour: props.colours[i] }
  })
})
const y = (share: number) => foot - share * (foot - rim)
const line = computed(() => y(stirringFill))
</script>

<template>
  <svg :viewBox="viewBox" role="img" :aria-label="`A cup of ${showCup(size, studio.units)}`">
    <clipPath id="desk-cup">
      <path d="M24 10L36 178Q37 182 42 182H108Q113 182 114 178L126 10Z" />
    </clipPath>
    <g clip-path="url(#desk-cup)">
      <rect width="150" height="190" fill="var(--hover)" />
      <g v-for="band in bands" :key="band.what">
        <rect
          x="0"
          :y="y(band.to)"
          width="150"
          :height="y(band.from) - y(band.to) + 6"
          :fill="band.colour"
        />
        <path :d="`M0 ${y(band.to)}H150`" stroke="var(--shade)" />
      </g>
    </g>
    <path d="M24 10L36 178Q37 182 42 182H108Q113 182 114 178L126 10" class="wall" />
    <path :d="`M22 ${line}H128`" class="line" />
    <text x="75" :y="line - 5" text-anchor="middle">stirs up to here</text>
  </svg>
</template>

<style scoped>
svg {
  width: 100%;
}

.wall {
  fill: none;
  stroke: var(--ink);
  stroke-width: 1.8;
  stroke-linejoin: round;
}

.line {
  stroke: var(--teal);
  stroke-dasharray: 4 3;
}

text {
  fill: var(--ink-2);
  font-size: var(--size-small);
}
</style>

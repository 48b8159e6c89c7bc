<script setup lang="ts">
/** One layer as it ripens: pale while it pours, through syrup, to the honey of what is set. */
defineProps<{
  name: string
  /** Where it changes, px. */
  bar: { mix: number; pour: number; gel: number; end: number }
  y: number
  thick: number
  pitch: number
  width: number
  gradient: string
  chosen: boolean
}>()
</script>

<template>
  <g class="line" :class="{ on: chosen }">
    <rect x="6" :y="y - 5" :width="width - 12" :height="pitch - 1" class="back" />
    <text x="14" :y="y + 14" class="name">{{ name }}</text>
    <rect
      :x="bar.mix"
      :y="y"
      :width="bar.pour - bar.mix + 1"
      :height="thick"
      rx="5"
      fill="var(--pourable)"
    />
    <rect
      :x="bar.pour - 3"
      :y="y"
      :width="Math.max(4, bar.gel - bar.pour + 4)"
      :height="thick"
      :fill="`url(#${gradient})`"
    />
    <rect
      :x="bar.gel"
      :y="y"
      :width="Math.max(0, bar.end - bar.gel)"
      :height="thick"
      rx="5"
      fill="var(--hard)"
    />
    <text v-if="bar.pour - bar.mix > 56" :x="bar.mix + 6" :y="y + 14" class="in">pourable</text>
  </g>
</template>

<style scoped>
.name {
  fill: var(--ink);
  font-size: var(--size-small);
  font-weight: 600;
}

.in {
  fill: var(--pourable-ink);
  font-size: var(--size-small);
}

.line {
  cursor: pointer;
}

.back {
  fill: transparent;
  rx: 8px;
}

.line:hover .back {
  fill: var(--hover);
}

.line.on .back {
  fill: var(--teal-soft);
}
</style>
